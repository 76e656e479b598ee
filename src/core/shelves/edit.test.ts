import fc from "fast-check";
import { Settings } from "../settings/schema";
import { blankShelf, brought, changeShelf, excluded, grouped, movedInGroup, pinned, setStrength, shelfFor, unpinned } from "./edit";

const blank = blankShelf("Roses", "a0");
const stemsOf = (text: string) => text.toLowerCase().replace(/s\b/g, "");
const id = fc.constantFrom("A", "B", "C", "D");

describe("changes of a shelf", () => {
  test("however a shelf was changed, a product is in one place, and nothing shown is kept out", () => {
    const change = fc.oneof(
      fc.tuple(fc.constant("pin" as const), id, fc.integer({ min: 1, max: 5 })),
      fc.tuple(fc.constant("group" as const), fc.uniqueArray(id, { minLength: 1 }), fc.integer({ min: 1, max: 5 })),
      fc.tuple(fc.constant("bring" as const), id, fc.constant(1)),
      fc.tuple(fc.constant("exclude" as const), id, fc.constant(1)),
      fc.tuple(fc.constant("unpin" as const), id, fc.constant(1)),
    );
    fc.assert(
      fc.property(fc.array(change, { maxLength: 8 }), (changes) => {
        const shelf = changes.reduce((own, entry) => {
          if (entry[0] === "pin") return pinned(own, entry[1], entry[2]);
          if (entry[0] === "group") return grouped(own, entry[1], entry[2]);
          if (entry[0] === "bring") return brought(own, [entry[1]]);
          return entry[0] === "exclude" ? excluded(own, entry[1]) : unpinned(own, entry[1]);
        }, blank);
        const groups = Object.values(shelf.pinGroups).flatMap(({ products }) => products);
        const placed = [...Object.keys(shelf.pins), ...groups];
        expect(new Set(placed).size).toBe(placed.length);
        expect(new Set(Object.values(shelf.pins)).size).toBe(Object.keys(shelf.pins).length);
        for (const product of [...placed, ...shelf.add]) expect(shelf.exclude).not.toContain(product);
        for (const group of Object.values(shelf.pinGroups)) expect(group.products.length).toBeGreaterThan(0);
      }),
    );
  });

  test("a product of a group takes another seat in it", () => {
    const shelf = grouped(blank, ["A", "B", "C"], 2);
    expect(movedInGroup(shelf, "group", "C", 0).pinGroups.group).toEqual({ place: 2, products: ["C", "A", "B"] });
    expect(movedInGroup(shelf, "none", "C", 0)).toBe(shelf);
  });

  test("a strength of one is none", () => {
    expect(setStrength(setStrength(blank, "A", 2), "A", 1).strength).toEqual({});
  });

  test("a shelf of its own begins as the more general one that acts there, but for its redirect", () => {
    const general = { ...blank, pins: { A: 1 }, redirect: { to: "search" as const, value: "tulip", filters: {}, keepSearch: false } };
    const settings = Settings.parse({ shelves: { g: { ...general, searches: [{ match: "contains", text: "rose" }] } } });
    const [operation] = changeShelf(settings, { search: "red rose", category: null }, null, (shelf) => pinned(shelf, "B", 1), {
      start: settings.shelves.g,
      timeZone: "Europe/London",
    });
    expect(operation).toMatchObject({
      op: "add",
      path: "/shelves/red-rose",
      value: { name: "red rose", searches: [{ match: "is", text: "red rose" }], pins: { A: 2, B: 1 }, redirect: null },
    });
  });

  test("only what is different is changed, so that two people do not get in each other's way", () => {
    const settings = Settings.parse({ shelves: { k: { ...blank, searches: [{ match: "is", text: "rose" }], pins: { A: 1 } } } });
    const target = { search: "rose", category: null };
    expect(changeShelf(settings, target, "k", (shelf) => pinned(shelf, "B", 2))).toEqual([
      { op: "replace", path: "/shelves/k/pins", value: { A: 1, B: 2 } },
    ]);
    expect(changeShelf(settings, target, "k", (shelf) => ({ ...shelf }))).toEqual([]);
  });

  test("of several shelves for a search the one that acts is meant", () => {
    const shelf = (rank: string) => ({ ...blank, rank, searches: [{ match: "is" as const, text: "Roses" }] });
    const settings = Settings.parse({ shelves: { a: shelf("a0"), b: shelf("a1") } });
    expect(shelfFor(settings, { search: "rose", category: null }, stemsOf)).toBe("a");
    expect(shelfFor(settings, { search: "rose", category: null }, stemsOf, "b")).toBe("b");
    expect(shelfFor(settings, { search: "tulip", category: null }, stemsOf)).toBeNull();
  });
});
