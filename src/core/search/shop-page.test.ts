import { AT, find, gardenSearcher, idsOf } from "@tests/core/garden";
import type { SettingsInput } from "../settings/schema";
import { SuggestRequest } from "../suggest/request";
import { suggest } from "../suggest/suggest";
import { SearchRequest } from "./request";
import { search } from "./search";
import { startPage } from "./start";

const page = (part: NonNullable<SettingsInput["page"]>, more: SettingsInput = {}) => gardenSearcher({ ...more, page: part });
const parts = {
  title: { kind: "title" as const, rank: "a", marked: true },
  lines: { kind: "line" as const, rank: "b", text: { en: "{description}" }, marked: true },
};
const everyField = () => true;

describe("the card of a product", () => {
  const cards = {
    plant: {
      name: "Plants",
      condition: { field: "category", is: "Plants" },
      rank: "a",
      parts: { pots: { kind: "options" as const, field: "pot", rank: "a" } },
    },
    rose: { name: "Roses", condition: { field: "category", is: "Roses" }, rank: "b", parts: {} },
    usual: { name: "Usual", rank: "c", parts: {} },
  };
  test("is the first that is for it; the usual one is not said", () => {
    const { hits } = find(page({ cards }), "seed");
    expect(hits.every((hit) => hit.card === undefined)).toBe(true);
    expect(find(page({ cards }), "rose").hits.map(({ id, card }) => [id, card])).toEqual(expect.arrayContaining([["P4", "plant"]]));
  });
  test("rests when it is off", () => {
    const off = { ...cards, plant: { ...cards.plant, on: false } };
    expect(find(page({ cards: off }), "climbing rose").hits[0].card).toBeUndefined();
  });
  test("offers options by what they differ in, with what each has of its own", () => {
    const [hit] = find(page({ cards }), "moorland haze").hits;
    expect(hit.choices).toEqual([
      { id: "P1-9", value: "9 cm", fields: { pot: "9 cm", price: 6.5, stock: 12 } },
      { id: "P1-2", value: "2 litre", fields: { pot: "2 litre", price: 11, stock: 0 } },
    ]);
    expect(find(page({ cards }), "little cart").hits[0].choices).toBeUndefined();
  });
  test("marks what matched, by whatever it matched", () => {
    const words = { w: { does: "synonym" as const, words: ["eggplant", "aubergine"] } };
    const searcher = page({ cards: { usual: { name: "Usual", rank: "a", parts } } }, { words });
    expect(find(searcher, "aubergine").hits[0].marked).toEqual(["eggplant"]);
    expect(find(searcher, "seeds lavender").hits[0].marked).toEqual(["lavender", "seed", "seeds"]);
    expect(find(gardenSearcher(), "lavender").hits[0].marked).toBeUndefined();
    // A field that may not be seen gives nothing away by what is marked in it.
    const blind = search(searcher, SearchRequest.parse({ query: "scented lavender" }), {
      at: AT,
      visible: ({ key }) => key !== "description",
    });
    expect(blind.hits[0].marked).toEqual(["lavender"]);
  });
});

describe("badges", () => {
  const badges = {
    few: { name: "Few", text: { en: "{left} left" }, condition: { field: "stock", between: [1, 10] as [number, number] }, rank: "a" },
    new: { name: "Own", text: { en: "Ours" }, condition: { field: "brand", is: "Fernbank" }, rank: "b" },
    past: { name: "Past", text: { en: "x" }, condition: { all: [] }, rank: "0", until: "2026-01-01T00:00:00Z" },
  };
  test("show in their order, up to the limit, only while they last", () => {
    const worn = (most: number) => find(page({ badges, mostBadges: most }), "little cart").hits[0].badges;
    expect(worn(2)).toEqual(["few", "new"]);
    expect(worn(1)).toEqual(["few"]);
    expect(find(page({ badges }), "watering can").hits[0].badges).toBeUndefined();
  });
  test("the moment at which one ends is a change of the search", () => {
    const until = "2026-12-01T00:00:00Z";
    expect(find(page({ badges: { b: { ...badges.new, until } } }), "rose").nextChangeAt).toBe("2026-12-01T00:00:00.000Z");
  });
});

describe("blocks", () => {
  const block = (shows: object, more: object = {}) => page({ blocks: { b: { title: { en: "See" }, shows, rank: "a", ...more } as never } });
  test("the same search elsewhere, only when enough answer every word, with a link that keeps the search", () => {
    const shows = { same: { category: ["Seeds"] } };
    expect(find(block(shows, { most: 1 }), "seeds").blocks).toMatchObject([
      {
        id: "b",
        title: "See",
        place: "above",
        products: [{ id: "P3" }],
        more: { query: "seeds", category: ["Seeds"], within: null, total: 3 },
      },
    ]);
    expect(find(block(shows, { least: 4 }), "seeds").blocks).toEqual([]);
    expect(find(block(shows), "secateurs").blocks).toEqual([]);
  });
  test("what sells best of a selection, chosen products, categories, guides", () => {
    const selections = { s: { name: "Plants", condition: { field: "category", is: "Plants" } } };
    const [own] =
      find(page({ blocks: { b: { title: {}, shows: { selection: "s" }, most: 2, rank: "a" } } }, { selections }), "seeds").blocks ?? [];
    expect(own.products.map(({ id }) => id)).toEqual(["P1", "P2"]);
    expect(own.more).toMatchObject({ within: "s", total: 5 });
    expect(find(block({ products: ["P9", "gone", "P8"] }), "rose").blocks?.[0].products.map(({ id }) => id)).toEqual(["P9", "P8"]);
    expect(find(block({ categories: [["Seeds"], ["Nowhere"]] }), "rose").blocks?.[0].categories).toEqual([{ path: ["Seeds"], count: 3 }]);
    expect(find(block({ pages: ["g1", "gone"] }), "rose").blocks?.[0].pages.map(({ id }) => id)).toEqual(["g1"]);
  });
  test("stand only where they are meant to", () => {
    const shows = { products: ["P9"] };
    expect(find(block(shows, { searches: [{ match: "contains", text: "roses" }] }), "rose bush").blocks).toHaveLength(1);
    expect(find(block(shows, { searches: [{ match: "contains", text: "roses" }] }), "seeds").blocks).toEqual([]);
    const browse = { category: ["Plants", "Roses"], placement: "category" as const };
    expect(find(block(shows), browse).blocks).toEqual([]);
    expect(find(block(shows, { browsing: true, categories: [["Plants"]] }), browse).blocks).toHaveLength(1);
    expect(find(block(shows, { browsing: true, categories: [["Seeds"]] }), browse).blocks).toEqual([]);
    expect(find(gardenSearcher(), "rose").blocks).toBeUndefined();
  });
  test("what is hidden is in none", () => {
    const hides = { h: { name: "h", products: ["P9"], places: ["searching" as const] } };
    expect(find(page({ blocks: { b: { title: {}, shows: { products: ["P9"] }, rank: "a" } } }, { hides }), "rose").blocks).toEqual([]);
  });
});

describe("orders, content and limits", () => {
  test("own orders are offered in the shopper's language, and followed", () => {
    const sorts = { tall: { field: "height", direction: "desc" as const, label: { en: "Tallest", de: "Höchste" }, rank: "a" } };
    const searcher = page({ sorts });
    const found = find(searcher, { query: "rose", sort: "tall", context: { language: "de" } });
    expect(found.sorts).toEqual([
      { id: "best", label: "Beste Treffer", selected: false },
      { id: "tall", label: "Höchste", selected: true },
    ]);
    // What is sold out comes after in any order.
    expect(idsOf(found).slice(0, 2)).toEqual(["P4", "P9"]);
  });
  test("a price of 0 comes after all others once it is said in words", () => {
    const free = { products: { P6: { set: { price: 0 } } } };
    const cheapest = (searcher: ReturnType<typeof page>) => idsOf(find(searcher, { query: "seeds", sort: "price-asc" }));
    expect(cheapest(page({}, free))[0]).toBe("P6");
    expect(cheapest(page({ prices: { none: { en: "Ask us" } } }, free)).at(-1)).toBe("P6");
  });
  test("guides and categories are looked for where the shop wants them", () => {
    expect(find(gardenSearcher(), "lavender").pages.total).toBe(1);
    const other = page({ content: { results: ["categories"] } });
    const found = find(other, "lavender");
    expect([found.pages.total, found.categories?.[0]]).toEqual([0, { path: ["Plants", "Perennials"], count: 2 }]);
  });
  test("guides come page by page beside the products", () => {
    expect(find(gardenSearcher(), { query: "lavender", pages: { offset: 1, limit: 4 } }).pages).toEqual({ total: 1, hits: [] });
  });
  test("a box for a selection never leaves it, pinned or not", () => {
    const selections = { s: { name: "Seeds", condition: { field: "category", is: "Seeds" } } };
    const shelves = {
      k: { name: "k", searches: [{ match: "is" as const, text: "lavender" }], categories: [], rank: "a", pins: { P8: 1 } },
    };
    const searcher = gardenSearcher({ selections, shelves });
    expect(idsOf(find(searcher, { query: "lavender", within: "s" }))).toEqual(["P3"]);
    expect(find(searcher, { query: "lavender", within: "gone" }).outcome).toBe("dead-end");
    const blocks = { b: { title: {}, shows: { products: ["P9"] }, rank: "a" } };
    expect(find(gardenSearcher({ selections, page: { blocks } }), { query: "lavender", within: "s" }).blocks).toBeUndefined();
    const typed = suggest(searcher, SuggestRequest.parse({ query: "seed", within: "s" }), { at: AT, visible: everyField });
    expect(
      typed.blocks
        .find(({ kind }) => kind === "products")
        ?.items.map(({ id }) => id)
        .sort(),
    ).toEqual(["P3", "P6", "P7"]);
  });
});

describe("before anything is searched", () => {
  const first = (start: object, at = AT) => startPage(page({ start: start as never }), at, everyField).map(({ id }) => id);
  test("bestsellers in stock, a search, or nothing", () => {
    expect(first({ show: "bestselling", most: 3 })).toEqual(["P8", "P1", "P2"]);
    expect(first({ show: "search", query: "seeds", most: 2 })).toHaveLength(2);
    expect(first({ show: "nothing" })).toEqual([]);
  });
  test("a mix is the same all day and another the next, and never sold out", () => {
    const day = 86_400_000;
    const today = first({ show: "mix", most: 5 });
    expect(first({ show: "mix", most: 5 }, AT + 3_600_000)).toEqual(today);
    const others = [1, 2, 3].map((days) => first({ show: "mix", most: 5 }, AT + days * day).join());
    expect(others.some((other) => other !== today.join())).toBe(true);
    expect(first({ show: "mix", most: 48 })).not.toContain("P5");
  });
});
