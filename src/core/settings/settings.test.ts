import { gardenCatalogue } from "@tests/core/garden";
import { build } from "../index/build";
import { usesOfSelection } from "../insights/catalogue/touching";
import { describeChanges } from "../insights/changes/changes";
import { defaultSettings } from "../insights/propose/defaults";
import { blankShelf, changeShelf, excluded, hideEverywhere, pinned, shelfFor, strengthened } from "../shelves/edit";
import { actsAt, inRankOrder, labelIn } from "./ranked";
import { filtersUsed } from "./read-filter";
import { Settings } from "./schema";

const fresh = () => defaultSettings(build(gardenCatalogue()));

test("a choice by its former name is taken, and told by its present one", () => {
  expect(Settings.parse({ ranking: { option: "dearest" } }).ranking.option).toBe("most-expensive");
  expect(Settings.parse({ ranking: { option: "most-expensive" } }).ranking.option).toBe("most-expensive");
  expect(Settings.parse({}).ranking.option).toBe("cheapest");
});

describe("the settings a fresh catalogue starts from", () => {
  const settings = fresh();
  test("title, category and article number are searched, prices and what shoppers may not see are not", () => {
    expect(settings.attributes.title).toMatchObject({ searchable: true, weight: 8, early: true });
    expect(settings.attributes.price.searchable).toBe(false);
    expect(settings.attributes.margin.searchable).toBe(false);
    expect(settings.attributes.height.searchable).toBe(true);
  });
  test("there are filters, department and price first, never from a hidden field", () => {
    const order = inRankOrder(settings.filters).map(([id]) => id);
    expect(order.slice(0, 2)).toEqual(["category", "price"]);
    expect(order).toContain("flower-colour");
    expect(order).not.toContain("margin");
  });
});

describe("the schema", () => {
  const wrong: [string, unknown][] = [
    ["a weight of 11", { attributes: { title: { searchable: true, weight: 11 } } }],
    ["a synonym of one word", { words: { w: { does: "synonym", words: ["rose"] } } }],
    ["a boost of nothing", { boosts: { b: { name: "b", factor: 2 } } }],
    ["a factor of 0", { boosts: { b: { name: "b", factor: 0, products: ["P"] } } }],
    ["a condition with two comparisons", { boosts: { b: { name: "b", factor: 2, condition: { field: "a", is: 1, contains: "x" } } } }],
    ["a part that does not exist", { colours: {} }],
    ["a tie width of 60", { ranking: { tieWidth: 60 } }],
  ];
  test.each(wrong)("refuses %s", (_name, input) => {
    expect(Settings.safeParse(input).success).toBe(false);
  });
  test("fills in what is left out", () => {
    expect(Settings.parse({}).misspelling).toEqual({
      policy: "correct",
      proposals: 3,
      few: 3,
      except: [],
      sources: { catalogue: true, log: true },
    });
  });
});

describe("ranks, dates and labels", () => {
  test("entries stand by rank, then by id", () => {
    expect(inRankOrder({ b: { rank: "a1" }, a: { rank: "a1" }, c: { rank: "a0" } }).map(([id]) => id)).toEqual(["c", "a", "b"]);
  });
  test("a rule acts from its first moment until just before its last", () => {
    const rule = { on: true, from: "2026-09-01T00:00:00Z", until: "2026-10-01T00:00:00Z" };
    const at = (text: string) => actsAt(rule, Date.parse(text));
    expect([at("2026-08-31T23:59:59Z"), at("2026-09-01T00:00:00Z"), at("2026-10-01T00:00:00Z")]).toEqual([false, true, false]);
    expect(actsAt({ ...rule, on: false }, Date.parse("2026-09-02T00:00:00Z"))).toBe(false);
  });
  test("a label falls back to its language, then to any, then to the field's", () => {
    expect(labelIn({ de: "Höhe" }, "de-AT", "Height")).toBe("Höhe");
    expect(labelIn({ de: "Höhe" }, "en", "Height")).toBe("Höhe");
    expect(labelIn({}, "en", "Height")).toBe("Height");
  });
});

describe("shelves are changed as a person means it", () => {
  const empty = blankShelf("k", "a0");
  test("a pin put where another stands makes it give way, and those after it as far as they must", () => {
    const shelf = { ...empty, pins: { a: 1, b: 2, c: 5 } };
    expect(pinned(shelf, "d", 1).pins).toEqual({ d: 1, a: 2, b: 3, c: 5 });
    expect(pinned(shelf, "c", 2).pins).toEqual({ a: 1, c: 2, b: 3 });
    expect(pinned(shelf, "a", 7).pins).toEqual({ a: 7, b: 2, c: 5 });
  });
  test("raising and lowering by the same step leaves nothing behind", () => {
    const raised = strengthened(empty, "a", 1.5);
    expect(raised.strength).toEqual({ a: 1.5 });
    expect(strengthened(raised, "a", 1 / 1.5).strength).toEqual({});
  });
  test("what is excluded is neither pinned nor raised any more, and pinning brings it back", () => {
    const out = excluded({ ...empty, pins: { a: 1 }, strength: { a: 2 } }, "a");
    expect(out).toMatchObject({ pins: {}, strength: {}, exclude: ["a"] });
    expect(pinned(out, "a", 1).exclude).toEqual([]);
  });
  test("a search without a shelf gets one; one that has a shelf keeps it, compared by stems", () => {
    const settings = fresh();
    const stems = (text: string) => text.replace(/s\b/g, "");
    const target = { search: "climbing roses", category: null };
    expect(shelfFor(settings, target, stems)).toBeNull();
    const [made] = changeShelf(settings, target, null, (shelf) => pinned(shelf, "P4", 1));
    expect(made).toMatchObject({ op: "add", path: "/shelves/climbing-roses" });
    const next = { ...settings, shelves: { k: { ...empty, searches: [{ match: "is" as const, text: "climbing rose" }] } } };
    expect(shelfFor(next, target, stems)).toBe("k");
  });
  test("hiding makes a storewide rule with an id of its own", () => {
    const settings = { ...fresh(), hides: Settings.parse({ hides: { p1: { name: "x", products: ["P1"], places: ["searching"] } } }).hides };
    expect(hideEverywhere(settings, "P1", "Rose")[0].path).toBe("/hides/p1-2");
  });
});

describe("changes are said in words", () => {
  test("weights, words, shelves and pages without results", () => {
    const before = fresh();
    const after = Settings.parse({
      ...before,
      attributes: {
        ...before.attributes,
        title: { ...before.attributes.title, weight: 6 },
        brand: { ...before.attributes.brand, searchable: false },
      },
      words: { w1: { does: "synonym", words: ["aubergine", "eggplant"] } },
      deadEnd: { ...before.deadEnd, searches: ["rose"] },
    });
    const said = describeChanges(before, after, (key) => key).map(({ subject, text }) => `${subject}: ${text}`);
    expect(said).toEqual(["title: weight 8 → 6", "brand: no longer searched", "aubergine = eggplant: added", "Proposed searches: 0 → 1"]);
    expect(describeChanges(after, after, (key) => key)).toEqual([]);
  });

  test("filters and the selections they come from", () => {
    const filter = { from: [{ selection: "s" }], label: { en: "Own" }, display: "ticks", rank: "a" };
    const before = Settings.parse({ filters: { f: filter } });
    const after = Settings.parse({ filters: { f: { ...filter, display: "buttons", where: { share: 0.5 }, on: false } } });
    expect(describeChanges(before, after, (key) => key)).toMatchObject([
      { subject: "Filter Own", text: "another control, where and when, switched off" },
    ]);
    expect(usesOfSelection(after, "s")).toEqual(["Filter “Own”"]);
    expect(usesOfSelection(after, "t")).toEqual([]);
  });

  test("the shop page, entry by entry, and what is written anew", () => {
    const badge = { name: "Few", text: { en: "{left} left" }, condition: { selection: "s" }, rank: "a" };
    const block = { title: { en: "Books" }, shows: { same: { selection: "s" } }, rank: "a" };
    const before = Settings.parse({ page: { badges: { b: badge } }, messages: { en: { "box.search": "Go" } } });
    const after = Settings.parse({
      page: { badges: { b: { ...badge, on: false } }, blocks: { k: block }, layout: { as: "list" }, theme: { corner: 9 } },
      messages: { en: { "card.from": "starts at" } },
    });
    expect(describeChanges(before, after, (key) => key).map(({ subject, text }) => `${subject}: ${text}`)).toEqual([
      "Layout of results: as changed",
      "Look of the shop: corner changed",
      "Badge “Few”: switched off",
      "Block “Books”: added",
      "Message “Search”: as usual again",
      "Message “starts at”: in own words",
    ]);
    expect(usesOfSelection(after, "s")).toEqual(["Badge “Few”", "Block “Books”"]);
  });

  test("what is chosen from the start is no choice of the shopper's, nor is an empty one", () => {
    const chosen = { light: ["Full sun"] };
    expect(filtersUsed({ light: { any: ["Full sun"] }, brand: { any: [] }, price: { min: null } }, chosen)).toEqual([]);
    expect(filtersUsed({ light: { any: ["Shade"] }, brand: { any: ["Quillmoor"] }, price: { max: 9 } }, chosen)).toEqual([
      "light",
      "brand",
      "price",
    ]);
  });
});
