import { AT, find, gardenSearcher, idsOf } from "@tests/core/garden";
import { relatedTo } from "../related/related";
import { SuggestRequest } from "../suggest/request";
import { suggest } from "../suggest/suggest";

const shelf = { name: "k", searches: [{ match: "is" as const, text: "lavender" }], categories: [], rank: "a" };

describe("arrangements by hand", () => {
  test("pins stand where they are put, what is excluded is not there, strength moves the rest", () => {
    const searcher = gardenSearcher({ shelves: { k: { ...shelf, pins: { P8: 2 }, exclude: ["P3"], strength: { P2: 9 } } } });
    const found = find(searcher, "Lavenders");
    expect(idsOf(found)).toEqual(["P2", "P8", "P1"]);
    expect(found.hits[1].arranged).toEqual([{ kind: "pin", rule: "k" }]);
    expect(found.hits[0].arranged).toEqual([{ kind: "boost", rule: "k" }]);
    expect(found.shelf).toEqual({ id: "k", name: "k" });
  });
  test("a shelf is active for a corrected search too, and only while its dates last", () => {
    const pins = { P8: 1 };
    expect(idsOf(find(gardenSearcher({ shelves: { k: { ...shelf, pins } } }), "lavendar"))[0]).toBe("P8");
    const past = gardenSearcher({ shelves: { k: { ...shelf, pins, until: "2026-01-01T00:00:00Z" } } });
    expect(idsOf(find(past, "lavender"))[0]).not.toBe("P8");
  });
  test("the most specific shelf acts and names those behind it", () => {
    const searcher = gardenSearcher({
      shelves: {
        a: { ...shelf, name: "contains", searches: [{ match: "contains", text: "lavender" }] },
        b: { ...shelf, name: "starts", searches: [{ match: "starts", text: "english" }] },
        c: { ...shelf, name: "is", searches: [{ match: "is", text: "english lavender" }] },
      },
    });
    const found = find(searcher, "english lavender");
    expect(found.shelf?.name).toBe("is");
    expect(found.shelvesBehind.map(({ name }) => name)).toEqual(["starts", "contains"]);
  });
  test("storewide boosts and hides act by condition", () => {
    const searcher = gardenSearcher({
      selections: { own: { name: "Own", condition: { field: "brand", is: "Fernbank" } } },
      boosts: { b: { name: "Own brand", condition: { selection: "own" }, factor: 5 } },
      hides: { h: { name: "No seed", condition: { all: [{ field: "category", is: "Seeds" }] }, places: ["searching"] } },
    });
    const found = find(searcher, { query: "lavender", explain: true });
    expect(idsOf(found)).toEqual(["P2", "P1"]);
    expect(found.hits[0].explain?.factors).toEqual([{ rule: "b", label: "Own brand", factor: 5 }]);
  });
  test("a redirect is answered with what would have been shown", () => {
    const searcher = gardenSearcher({ shelves: { k: { ...shelf, redirect: { to: "category", value: "Plants" } } } });
    const found = find(searcher, "lavender");
    expect(found).toMatchObject({ outcome: "redirect", redirect: { to: "category", value: "Plants" } });
    expect(found.hits.length).toBeGreaterThan(0);
    expect(find(searcher, { query: "lavender", offset: 1 }).outcome).toBe("results");
  });
  test("why: a place, or the first reason that keeps a product out", () => {
    const searcher = gardenSearcher({
      shelves: { k: { ...shelf, exclude: ["P2"] } },
      hides: { h: { name: "h", products: ["P3"], places: ["searching"] } },
    });
    const { why } = find(searcher, { query: "lavender", why: ["P1", "P2", "P3", "P8", "nobody"] });
    expect(why).toEqual({
      P1: { position: 1 },
      P2: { reason: "excluded", rule: "k" },
      P3: { reason: "hidden", rule: "h" },
      P8: { reason: "no-answer", unit: "lavender" },
      nobody: { reason: "unknown-product" },
    });
    expect(find(searcher, { query: "lavender", filters: { category: { any: ["Seeds"] } }, why: ["P1"] }).why.P1).toEqual({
      reason: "filtered",
      filter: "category",
    });
    expect(find(searcher, { query: "lavender", category: ["Tools"], why: ["P1"] }).why.P1).toEqual({ reason: "not-in-category" });
  });
});

describe("the limit of a shelf", () => {
  test("right after what the shelf brings leaves just that, and says so", () => {
    const searcher = gardenSearcher({ shelves: { k: { ...shelf, pins: { P2: 1 }, add: ["P8"], end: 2 } } });
    const found = find(searcher, { query: "lavender", why: ["P1", "P8"] });
    expect(idsOf(found).sort()).toEqual(["P2", "P8"]);
    expect(found.why).toEqual({ P1: { reason: "behind-end", rule: "k" }, P8: { position: 2 } });
  });
  test("sold-out pins are kept, closed up or put last", () => {
    const top = (soldOut: "keep" | "close" | "last") =>
      idsOf(find(gardenSearcher({ shelves: { k: { ...shelf, pins: { P5: 1 }, soldOut } } }), "lavender"));
    expect(top("keep")[0]).toBe("P5");
    expect(top("close")).not.toContain("P5");
    expect(top("last").at(-1)).toBe("P5");
  });
});

describe("filters", () => {
  const garden = gardenSearcher();
  test("narrow each other, and say what each would bring alone when nothing is left", () => {
    const found = find(garden, { query: "lavender", filters: { "flower-colour": { any: ["Blue"] }, price: { max: 3 } } });
    expect(found.outcome).toBe("filtered-out");
    expect(found.withoutFilter).toEqual({ "flower-colour": 1, price: 1 });
  });
  test("what options carry must be met by one and the same option", () => {
    const searcher = gardenSearcher({
      filters: {
        pot: { from: [{ field: "pot" }], label: { en: "Pot" }, display: "buttons", rank: "a" },
        price: { from: [{ field: "price" }], label: { en: "Price" }, display: "slider", rank: "b" },
      },
    });
    expect(idsOf(find(searcher, { query: "lavender", filters: { pot: { any: ["2 litre"] }, price: { max: 7 } } }))).toEqual([]);
    const found = find(searcher, { query: "lavender", filters: { pot: { any: ["2 litre"] } } });
    expect(found.hits[0]).toMatchObject({ id: "P1", variant: "P1-2", fields: { price: 11 } });
  });
  test("what a request names that is not there is ignored and listed", () => {
    const found = find(garden, {
      query: "lavender",
      filters: { shape: { any: ["Round"] }, "flower-colour": { any: ["Puce"] } },
      sort: "beauty",
    });
    expect(found.ignored).toEqual(["shape", "flower-colour: Puce", "sort: beauty"]);
    expect(found.total).toBe(3);
  });
  test("prices are sorted by the option that is shown", () => {
    expect(idsOf(find(garden, { query: "lavender", sort: "price-desc" }))).toEqual(["P1", "P2", "P3"]);
  });
});

describe("a search inside a category", () => {
  test("finds only what is there, and a category without a search shows all of it", () => {
    const garden = gardenSearcher();
    expect(idsOf(find(garden, { query: "lavender", category: ["Plants"] })).sort()).toEqual(["P1", "P2"]);
    expect(find(garden, { placement: "category", category: ["Plants", "Roses"] }).total).toBe(2);
    expect(find(garden, { placement: "category", category: ["Nowhere"] }).outcome).toBe("dead-end");
  });
});

describe("pages without results", () => {
  test("the answer to a single search comes before what every page without results shows", () => {
    const searcher = gardenSearcher({
      deadEnd: {
        message: { en: "Nothing for {query}" },
        searches: ["rose", "unicorn"],
        answers: {
          a: {
            searches: [{ match: "is", text: "aquariums" }],
            message: { en: "No fish here" },
            proposals: ["watering can"],
            products: ["P9", "gone"],
          },
        },
      },
    });
    const own = find(searcher, "aquarium").deadEnd;
    expect(own?.message).toBe("No fish here");
    expect(own?.searches.slice(0, 2)).toEqual(["watering can", "rose"]);
    expect(own?.products.map((product) => product.id)).toEqual(["P9"]);
    expect(find(searcher, "zzzz").deadEnd?.message).toBe("Nothing for zzzz");
  });
  test("always has a way on, also when nothing is set and all is hidden from the search", () => {
    const end = find(gardenSearcher({ deadEnd: { automatic: false } }), "xyzzy").deadEnd;
    expect((end?.searches.length ?? 0) + (end?.products.length ?? 0)).toBeGreaterThan(0);
  });
});

describe("the panel under the search box", () => {
  const garden = gardenSearcher();
  const ask = (query: string) => suggest(garden, SuggestRequest.parse({ query }), { at: AT, visible: (field) => field.shown });
  test("opens with departments, completes while typing, and leads on when nothing is found", () => {
    expect(ask("").moment).toBe("focus");
    const typing = ask("lav");
    expect(typing).toMatchObject({ moment: "typing", completion: "lavender" });
    expect(typing.blocks.map((block) => block.kind)).toEqual(["completions", "categories", "pages", "products"]);
    expect(typing.blocks[0].items[0]).toMatchObject({ text: "lavender", count: 3, marks: [[0, 3]] });
    expect(ask("aquarium").moment).toBe("nothing");
  });
  test("never offers what finds nothing, nor fields that shoppers may not see", () => {
    for (const block of ask("s").blocks)
      for (const item of block.items) if (item.count !== undefined) expect(item.count).toBeGreaterThan(0);
    expect(JSON.stringify(ask("lav"))).not.toContain("margin");
  });
});

describe("recommendations", () => {
  test("alike ones of its category, and what goes with it from elsewhere", () => {
    const related = relatedTo(gardenSearcher(), "P1", AT, () => true);
    expect(related?.insteadOf.map((product) => product.id)).toContain("P2");
    expect(related?.goesWith.every((product) => !["P1", "P2"].includes(product.id))).toBe(true);
    expect(relatedTo(gardenSearcher(), "nobody", AT, () => true)).toBeNull();
  });
});
