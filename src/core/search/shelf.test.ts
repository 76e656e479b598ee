import { find, gardenSearcher, idsOf } from "@tests/core/garden";
import type { z } from "zod";
import type { Redirect } from "../settings/parts";

/** What a shelf does beside single pins. */
const shelf = { name: "k", searches: [{ match: "is" as const, text: "lavender" }], categories: [], rank: "a" };
const withShelf = (part: object, others: object = {}) => gardenSearcher({ shelves: { k: { ...shelf, ...part } }, ...others });
const plain = idsOf(find(gardenSearcher(), "lavender"));

describe("a shelf", () => {
  test("a pinned group is together from its place on; a pin of its own goes before", () => {
    const searcher = withShelf({ pins: { P9: 1 }, pinGroups: { g: { place: 2, products: ["P8", "P9", "P10"] } } });
    expect(idsOf(find(searcher, "lavender")).slice(0, 3)).toEqual(["P9", "P8", "P10"]);
  });

  test("rules raise, put first, put last and keep out by condition, and say so", () => {
    const seeds = { field: "category", is: "Seeds" };
    const first = find(withShelf({ rules: { r: { does: "first", condition: seeds, rank: "a" } } }), "lavender");
    expect(idsOf(first)[0]).toBe("P3");
    expect(first.hits[0].arranged).toEqual([{ kind: "boost", rule: "k/r" }]);
    const last = find(withShelf({ rules: { r: { does: "last", condition: { not: seeds }, rank: "a" } } }), "lavender");
    expect(idsOf(last)[0]).toBe("P3");
    expect(last.hits[1].arranged).toEqual([{ kind: "bury", rule: "k/r" }]);
    const strong = find(withShelf({ rules: { r: { does: "strength", condition: seeds, factor: 50, rank: "a" } } }), {
      query: "lavender",
      explain: true,
    });
    expect(strong.hits[0].explain?.factors).toEqual([{ rule: "k/r", label: "k", factor: 50 }]);
    const out = find(withShelf({ rules: { r: { does: "exclude", condition: seeds, rank: "a" } } }), { query: "lavender", why: ["P3"] });
    expect(idsOf(out)).not.toContain("P3");
    expect(out.why.P3).toEqual({ reason: "excluded", rule: "k" });
  });

  test("only the best few come first where a number is given", () => {
    const condition = { field: "category", is: "Plants" };
    const found = find(withShelf({ rules: { r: { does: "first", condition, most: 1, rank: "a" } } }), "lavender");
    expect(found.hits.filter((hit) => hit.arranged.length > 0)).toHaveLength(1);
    expect(found.hits[0].id).toBe(plain.find((id) => id !== "P3"));
  });

  test("an end cuts what comes behind, counts included, and says so", () => {
    const found = find(withShelf({ pins: { P8: 1 }, end: 2 }), { query: "lavender", why: plain });
    expect(found.total).toBe(2);
    expect(idsOf(found)).toEqual(["P8", plain[0]]);
    expect(found.why[plain[1]]).toEqual({ reason: "behind-end", rule: "k" });
    for (const filter of found.filters) if ("values" in filter) for (const { count } of filter.values) expect(count).toBeLessThanOrEqual(2);
  });

  test("with the ordinary results behind its end, what it brings comes before them, in its order", () => {
    const found = find(withShelf({ pins: { P9: 2 }, add: ["P8", "P10", "P7"], end: 3, after: "results" }), "lavender");
    expect(idsOf(found).slice(0, 3)).toEqual(["P8", "P9", "P10"]);
    expect(found.total).toBe(plain.length + 4);
    expect(idsOf(found).at(-1)).toBe("P7");
  });

  test("whole selections can be added, and come where nothing matches", () => {
    const selections = { tools: { name: "Tools", condition: { field: "category", is: "Tools" } } };
    const nothing = { ...shelf, searches: [{ match: "is" as const, text: "aquarium" }], addSelections: ["tools", "gone"] };
    const found = find(gardenSearcher({ selections, shelves: { k: nothing } }), "aquarium");
    expect(found.outcome).toBe("results");
    expect(idsOf(found)).toEqual(["P8"]);
  });

  test("while chosen filters call it, it orders and shows its banner, and brings or keeps out nothing", () => {
    const banner = { title: { en: "Purple" }, text: {} };
    const waiting = { when: { filters: { "flower-colour": ["Purple"] } }, pins: { P8: 1, P3: 1 }, exclude: [plain[0]], banner, end: 1 };
    const searcher = withShelf(waiting);
    const before = find(searcher, "lavender");
    expect(before).toMatchObject({ shelf: null, banner: null, shelvesResting: [{ id: "k", because: "filters" }] });
    const chosen = find(searcher, { query: "lavender", filters: { "flower-colour": { any: ["Purple"] } } });
    expect(chosen.banner?.title).toBe("Purple");
    expect(idsOf(chosen)[0]).toBe("P3");
    expect(idsOf(chosen).sort()).toEqual(
      idsOf(find(gardenSearcher(), { query: "lavender", filters: { "flower-colour": { any: ["Purple"] } } })).sort(),
    );
  });

  test("a shelf that waits for filters leaves it to the others what is found, also for a corrected search", () => {
    const waiting = {
      ...shelf,
      name: "w",
      searches: [{ match: "is" as const, text: "lavendar" }],
      when: { filters: { "flower-colour": [] } },
    };
    const searcher = gardenSearcher({
      shelves: { k: { ...shelf, add: ["P8"], exclude: ["P3"] }, w: { ...waiting, add: ["P9"], exclude: ["P1"] } },
    });
    const before = find(searcher, "lavendar");
    expect(before.shelf?.id).toBe("k");
    const chosen = find(searcher, { query: "lavendar", filters: { "flower-colour": { any: ["Purple"] } }, why: ["P3", "P9"] });
    expect(chosen.shelf?.id).toBe("w");
    expect(chosen.why).toEqual({ P3: { reason: "excluded", rule: "k" }, P9: { reason: "no-answer", unit: "lavender" } });
    expect(idsOf(before)).toEqual(expect.arrayContaining(idsOf(chosen)));
    expect(idsOf(chosen)).toContain("P1");
  });

  test("those behind it say in what it is more specific, those at rest why", () => {
    const searcher = gardenSearcher({
      shelves: {
        a: { ...shelf, name: "place", categories: [["Plants"]] },
        b: { ...shelf, name: "is" },
        c: { ...shelf, name: "second", rank: "b" },
        d: { ...shelf, name: "contains", searches: [{ match: "contains", text: "lavender" }] },
        e: { ...shelf, name: "phones", when: { devices: ["phone"] } },
      },
    });
    const found = find(searcher, { query: "Lavenders", category: ["Plants"] });
    expect(found.shelf?.name).toBe("place");
    expect(found.shelvesBehind.map(({ name, because }) => [name, because])).toEqual([
      ["is", "place"],
      ["second", "place"],
      ["contains", "place"],
    ]);
    expect(found.shelvesResting).toEqual([{ id: "e", name: "phones", because: "device" }]);
    expect(find(searcher, "lavender").shelvesBehind.map(({ because }) => because)).toEqual(["rank", "match"]);
  });

  test("a redirect beats the shelf that would act, takes its filters along, and puts the search into an address", () => {
    const to = (redirect: z.input<typeof Redirect>) =>
      gardenSearcher({
        shelves: { a: { ...shelf, pins: { P8: 1 } }, b: { ...shelf, searches: [{ match: "contains", text: "lavender" }], redirect } },
      });
    const filters = { price: { min: 3 } };
    expect(find(to({ to: "category", value: "Plants", filters, keepSearch: true }), "lavender")).toMatchObject({
      outcome: "redirect",
      redirect: { to: "category", value: "Plants", filters, query: "lavender" },
      shelf: { id: "a" },
    });
    expect(find(to({ to: "address", value: "https://example.org/?q={query}", keepSearch: true }), "lavender bush").redirect?.value).toBe(
      "https://example.org/?q=lavender%20bush",
    );
    // Only as typed or as the merchandiser reads it: a guess leads nobody away.
    expect(find(to({ to: "category", value: "Plants" }), "lavendar").outcome).toBe("results");
  });
});
