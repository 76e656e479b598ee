import { AT, gardenSearcher } from "@tests/core/garden";
import { preparePopular } from "../log/popular";
import { NO_STATS } from "../log/tally";
import { ARRANGEMENTS } from "../settings/box/usual";
import { readSettings } from "../settings/read";
import type { SettingsInput } from "../settings/schema";
import { SuggestRequest } from "./request";
import { type SuggestOptions, suggest } from "./suggest";

type Blocks = NonNullable<NonNullable<NonNullable<SettingsInput["box"]>["moments"]>["typing"]>["blocks"];

function ask(query: string, changes: SettingsInput = {}, more: Partial<SuggestRequest> = {}, popular: SuggestOptions["popular"] = null) {
  const request = SuggestRequest.parse({ query, ...more });
  return suggest(gardenSearcher(changes), request, { at: AT, visible: () => true, popular });
}
type Answer = ReturnType<typeof ask>;
const block = (answer: Answer, kind: string) => answer.blocks.find((entry) => entry.kind === kind)?.items ?? [];
const texts = (answer: Answer, kind: string) => block(answer, kind).map((item) => item.text);
const typing = (blocks: Blocks): SettingsInput => ({ box: { moments: { typing: { blocks } } } });

/** A log in which searches were asked so often, and so often in the last of three weeks. */
function logOf(asked: Record<string, [all: number, week: number]>) {
  const queries = Object.entries(asked).map(([text, [all, lastWeek]]) => ({
    text,
    asked: all,
    lastWeek,
    found: 3,
    outcome: "results",
    visits: all,
    clicked: 0,
    baskets: 0,
    orders: 0,
    lastAt: "",
    meanPlace: 0,
    products: [],
  }));
  queries.sort((a, b) => b.asked - a.asked);
  const products = { P8: { clicks: 30, baskets: 0, orders: 0, week: 25 }, P1: { clicks: 30, baskets: 0, orders: 0, week: 10 } };
  return preparePopular({ ...NO_STATS, from: "2026-11-03T00:00:00Z", until: "2026-11-24T00:00:00Z", queries, products });
}

describe("what opens under the search box", () => {
  test("on focus: departments by size, and what sells well and can be had", () => {
    const answer = ask("");
    expect(texts(answer, "categories")[0]).toBe("Plants");
    expect(block(answer, "products").map((item) => item.id)).toContain("P8");
    expect(block(answer, "products").map((item) => item.id)).not.toContain("P5");
    expect(answer.blocks.map(({ heading }) => heading)).toEqual(["You searched before", "Departments", "Selling well"]);
  });
  test("nothing is proposed before as many letters as the shop wants", () => {
    expect(ask("la", { box: { from: 3 } }).moment).toBe("focus");
    expect(ask("lav", { box: { from: 3 } }).moment).toBe("typing");
  });
  test("one form of a word is enough, and the words before it narrow what is offered", () => {
    const found = texts(ask("climbing ro"), "completions");
    expect(found.length).toBeGreaterThan(0);
    expect(found.every((text) => text.startsWith("climbing ro"))).toBe(true);
  });
  test("categories are the deepest ones, with their path", () => {
    expect(block(ask("rose"), "categories")[0]).toMatchObject({ text: "Roses", path: ["Plants", "Roses"] });
  });
  test("marks say where the typed letters stand", () => {
    expect(block(ask("secat"), "products")[0]).toMatchObject({ id: "P8", marks: [[7, 12]] });
  });
  test("sold-out products come only when their title is typed whole", () => {
    const ids = (query: string) => block(ask(query), "products").map((item) => item.id);
    expect(ids("shrub ro")).not.toContain("P5");
    expect(ids("shrub rose morning post")).toContain("P5");
  });
  test("hidden products and words that are never offered stay out", () => {
    const hidden = ask("lav", { hides: { h: { name: "h", products: ["P1"], places: ["typing"] } } });
    expect(block(hidden, "products").map((item) => item.id)).not.toContain("P1");
    expect(ask("lav", { words: { w: { does: "never-offer", words: ["lavender"] } } }).completion).toBeNull();
  });
  test("a guide is offered by its title", () => {
    expect(block(ask("prune lav"), "pages")[0]).toMatchObject({ id: "g1" });
  });
  test("nothing found: the message and ways on", () => {
    const answer = ask("aquarium", { deadEnd: { message: { en: "No {query} here" }, searches: ["rose"] } });
    expect(answer).toMatchObject({ moment: "nothing", completion: null });
    expect(texts(answer, "message")).toEqual(["No aquarium here"]);
    expect(texts(answer, "searches")[0]).toBe("rose");
  });
  test("never gives more than was asked for", () => {
    for (const query of ["", "s", "lav", "aquarium"])
      for (const { items } of ask(query, {}, { limit: 2 }).blocks) expect(items.length).toBeLessThanOrEqual(2);
  });
  test("says how many the search finds, and the product of a whole article number", () => {
    expect(ask("lavender").total).toBe(3);
    expect(ask("QG-1000-A")).toMatchObject({ product: "P1" });
    expect(ask("QG-1000-A", { box: { numbers: false } }).product).toBeUndefined();
    expect(ask("QG-1000").product).toBeUndefined();
  });
});

test("a shelf for one language acts while one types in that language", () => {
  const shelves = {
    k: {
      name: "k",
      searches: [{ match: "starts" as const, text: "lav" }],
      categories: [],
      rank: "a",
      pins: { P8: 1 },
      when: { languages: ["de"] },
    },
  };
  const first = (language: string) => block(ask("lav", { shelves }, { language }), "products")[0].id;
  expect([first("de"), first("en")]).toEqual(["P8", expect.not.stringMatching("P8")]);
});

describe("blocks", () => {
  test("what is switched off does not come, and the last column takes what has none", () => {
    const { pair } = ARRANGEMENTS;
    const answer = ask("lav", { box: { moments: { typing: { ...pair.typing, shares: [12] } } } });
    expect(answer.blocks.every(({ column }) => column === undefined)).toBe(true);
    const beside = ask("lav", { box: { moments: { typing: pair.typing } } });
    expect(beside.blocks.map(({ kind, column = 0 }) => [kind, column]).at(-1)).toEqual(["products", 1]);
    expect(ask("lav", typing({ p: { kind: "products", on: false, rank: "a" } })).blocks).toEqual([]);
  });
  test("more than is shown can be unfolded", () => {
    const settings = typing({ p: { kind: "products", most: 1, rank: "a" } });
    expect(ask("lavender", settings).blocks[0]).toMatchObject({ id: "p", more: true });
    const unfolded = ask("lavender", settings, { unfold: ["p"] }).blocks[0];
    expect([unfolded.items.length, unfolded.more]).toEqual([3, undefined]);
  });
  test("a heading is the merchandiser's, in the language asked for, else the shop's own or the usual one", () => {
    const block = { kind: "products" as const, rank: "a" };
    const headingIn = (language: string, settings: SettingsInput) => ask("lav", settings, { language }).blocks[0].heading;
    expect(headingIn("de", typing({ p: { ...block, heading: { en: "Goods", de: "Waren" } } }))).toBe("Waren");
    expect(headingIn("de", typing({ p: block }))).toBe("Artikel");
    expect(headingIn("en", { ...typing({ p: block }), messages: { en: { "box.products": "Things" } } })).toBe("Things");
  });
  test("products by hand, bestselling and newest stay within what may stand there", () => {
    const ids = (pick: "hand" | "bestselling", more: SettingsInput = {}) =>
      block(
        ask("rose", { ...typing({ p: { kind: "products", pick, products: ["P8", "P4", "P5"], rank: "a" } }), ...more }),
        "products",
      ).map(({ id }) => id);
    expect(ids("hand")).toEqual(["P4"]);
    expect(ids("bestselling")).toContain("P4");
    expect(ids("hand", { hides: { h: { name: "h", products: ["P4"], places: ["typing"] } } })).toEqual([]);
  });
  test("values of a filter lead to a search with the value chosen", () => {
    const settings: SettingsInput = {
      ...typing({ v: { kind: "values", filter: "colour", rank: "a" } }),
      filters: { colour: { from: [{ field: "flower-colour" }], label: { en: "Colour" }, display: "ticks", rank: "a" } },
    };
    const [values] = ask("lavender", settings).blocks;
    expect(values.heading).toBe("Colour");
    expect(values.items[0]).toMatchObject({ text: "Purple", filter: { id: "colour", value: "Purple" } });
  });
  test("what the shopper searched before is left to the browser", () => {
    expect(ask("").blocks.find(({ kind }) => kind === "recent")).toMatchObject({ items: [] });
  });
});

describe("searches that are offered", () => {
  const popular = logOf({
    lavender: [90, 30],
    lavendar: [60, 10],
    "lavender plough": [50, 10],
    "climbing rose": [40, 35],
    "blue unicorn": [80, 80],
    lawn: [4, 0],
  });
  test("the most asked that find something, and those that rise", () => {
    expect(texts(ask("", {}, {}, popular), "searches")).toEqual(["lavender", "climbing rose"]);
    const rising: SettingsInput = { box: { moments: { focus: { blocks: { s: { kind: "searches", pick: "rising", rank: "a" } } } } } };
    expect(texts(ask("", rising, {}, popular), "searches")).toEqual(["climbing rose"]);
  });
  test("products that rise", () => {
    const rising: SettingsInput = { box: { moments: { focus: { blocks: { p: { kind: "products", pick: "rising", rank: "a" } } } } } };
    expect(block(ask("", rising, {}, popular), "products").map(({ id }) => id)).toEqual(["P8"]);
  });
  test("searches by hand keep their order and their dates", () => {
    const list = {
      later: { text: "lavender", rank: "a", from: "2030-01-01T00:00:00Z" },
      b: { text: "rose", rank: "c" },
      a: { text: "seeds", rank: "b" },
      none: { text: "unicorn", rank: "a" },
    };
    const hand: SettingsInput = { box: { moments: { focus: { blocks: { s: { kind: "searches", pick: "hand", list, rank: "a" } } } } } };
    expect(texts(ask("", hand), "searches")).toEqual(["seeds", "rose"]);
  });
  test("completions: the shop's own list first, then the word typed, then what others asked, then the catalogue; each source can be off", () => {
    const list = {
      low: { text: "Lavender for hedges", priority: 10 },
      top: { text: "English lavender", priority: 90 },
      off: { text: "Lavender off", on: false },
      gone: { text: "Lavender unicorn" },
    };
    const found = ask("lav", { box: { list } }, {}, popular);
    expect(block(found, "completions")[0]).toMatchObject({ text: "English lavender", own: "top", marks: [[8, 11]] });
    expect(texts(found, "completions")).toContain("lavender");
    expect(texts(found, "completions")).not.toContain("Lavender off");
    expect(texts(found, "completions")).not.toContain("Lavender unicorn");
    const alone = ask("lav", { box: { list, sources: { log: false, words: false } } }, {}, popular);
    expect(texts(alone, "completions")).toEqual(["English lavender"]);
    expect(ask("lav", { box: { sources: { log: false, words: false } } }, {}, popular).completion).toBeNull();
  });
  test("the field is completed by what goes on from what is typed", () => {
    expect(ask("Lav", { box: { list: { a: { text: "English lavender", priority: 90 } } } }, {}, popular).completion).toBe("lavender");
    expect(ask("lavender", {}, {}, popular).completion).not.toBe("lavender");
  });
  test("words that follow a word in titles are offered with it", () => {
    const products = { P2: { set: { title: "English lavender Little Cart" } } };
    expect(texts(ask("english", { products }), "completions")).toContain("english lavender");
    expect(texts(ask("english"), "completions")).not.toContain("english lavender");
  });
  test("a search that leads elsewhere is offered though it finds nothing", () => {
    const shelves = {
      k: {
        name: "Delivery",
        searches: [{ match: "is" as const, text: "delivery" }],
        categories: [],
        rank: "a",
        redirect: { to: "page" as const, value: "g1" },
      },
    };
    const settings: SettingsInput = { box: { list: { d: { text: "delivery" } } }, shelves };
    expect(texts(ask("deliv", settings), "completions")).toEqual(["delivery"]);
    expect(texts(ask("", {}, {}, popular), "searches")).not.toContain("lavendar");
  });
});

test("settings that decided on the shop page what comes while typing still do", () => {
  const { box } = readSettings(JSON.stringify({ page: { content: { results: ["pages"], typing: ["searches"] } } }));
  const { blocks } = box.moments.typing;
  expect([blocks.completions.on, blocks.categories.on, blocks.pages.on, blocks.products.on]).toEqual([true, false, false, true]);
});
