import fc from "fast-check";
import { Settings } from "../../settings/schema";
import { hideRow, readRules, readRulesJson, shelfRow } from "./rules";

const id = fc.constantFrom("P-1", "P-2", "A;B", " spaced ", "P 3");
const word = fc.constantFrom("rose", "climbing rose", "a; b", "lavender");
const shelf = fc.record({
  name: fc.constantFrom("Roses", "Sale; last days", "Würzige Kräuter"),
  searches: fc.array(fc.record({ match: fc.constantFrom("is", "starts", "contains"), text: word }), { maxLength: 3 }),
  categories: fc.array(fc.constantFrom(["Plants"], ["Plants", "Roses"], ["Pots; large"]), { maxLength: 2 }),
  on: fc.boolean(),
  rank: fc.constantFrom("a0", "a1"),
  pins: fc.dictionary(id, fc.integer({ min: 1, max: 99 }), { maxKeys: 3 }),
  pinGroups: fc.dictionary(fc.constantFrom("g"), fc.record({ place: fc.constant(2), products: fc.constant(["P-1", "P-2"]) })),
  add: fc.uniqueArray(id, { maxLength: 3 }),
  exclude: fc.uniqueArray(id, { maxLength: 2 }),
  strength: fc.dictionary(id, fc.constantFrom(0.5, 1.25, 12), { maxKeys: 2 }),
  rules: fc.dictionary(fc.constantFrom("r"), fc.constant({ does: "last", condition: { field: "brand", is: "X" }, rank: "a0" })),
  end: fc.constantFrom(null, 4),
  after: fc.constantFrom("nothing", "results"),
  soldOut: fc.constantFrom("keep", "last"),
  banner: fc.constantFrom(null, { title: { en: "Sale" }, text: {}, after: 2 }),
  redirect: fc.constantFrom(null, { to: "category", value: "Plants" }, { to: "search", value: "tulip", filters: { price: { max: 5 } } }),
  from: fc.constantFrom(null, "2026-11-01T00:00:00Z"),
  owner: fc.constantFrom(null, "Maud"),
  note: fc.constantFrom("", "why"),
});
const hide = fc.record({
  name: fc.constantFrom("Winter", "Old"),
  products: fc.uniqueArray(id, { minLength: 1, maxLength: 3 }),
  places: fc.subarray(["browsing", "searching", "typing", "beside"], { minLength: 1 }),
  reason: fc.constantFrom("", "out of season"),
  until: fc.constantFrom(null, "2027-03-01T00:00:00Z"),
});

describe("shelves and hides as a table", () => {
  test("what is written is read again as it was, in either form", () => {
    fc.assert(
      fc.property(shelf, hide, (own, hidden) => {
        const { shelves, hides } = Settings.parse({
          shelves: { k: own },
          hides: { h: hidden, c: { ...hidden, products: undefined, condition: { field: "brand", is: "X" } } },
        } as never);
        const rows = [shelfRow("k", shelves.k), hideRow("h", hides.h), hideRow("c", hides.c)];
        const nothing = { shelves: {}, hides: {} };
        expect(readRules(rows, nothing, (i) => i + 2)).toEqual({ shelves, hides, problems: [] });
        expect(readRulesJson(JSON.stringify({ shelves, hides }), nothing)).toEqual({ shelves, hides, problems: [] });
      }),
    );
  });

  test("a table written by hand needs few columns", () => {
    const rows = [
      { kind: "shelf", name: "Roses", searches: "rose; contains: climbing", categories: "Plants > Roses", pins: "P-1 @ 1; P-2" },
      { kind: "redirect", name: "Delivery", searches: "delivery", redirect: "page: delivery-and-returns" },
      { kind: "hide", name: "Old", products: "P-9", places: "searching; typing" },
    ];
    const { shelves, hides, problems } = readRules(rows, { shelves: {}, hides: {} }, (i) => i + 2);
    expect(problems).toEqual([]);
    expect(shelves.roses).toMatchObject({
      searches: [
        { match: "is", text: "rose" },
        { match: "contains", text: "climbing" },
      ],
      categories: [["Plants", "Roses"]],
      pins: { "P-1": 1, "P-2": 1 },
      on: true,
    });
    expect(shelves.delivery.redirect).toMatchObject({ to: "page", value: "delivery-and-returns" });
    expect(shelves.delivery.rank > shelves.roses.rank).toBe(true);
    expect(hides.old.places).toEqual(["searching", "typing"]);
  });

  test("what cannot be read is named with its line, and the rest is read", () => {
    const rows = [
      { kind: "shelfs", name: "x" },
      { kind: "shelf", name: "pin", searches: "rose", pins: "P-1 @ 0" },
      { kind: "hide", name: "nowhere", products: "P-1", places: "" },
      { kind: "shelf", name: "json", more: "{" },
      { kind: "shelf", name: "good", searches: "rose" },
    ];
    const { shelves, problems } = readRules(rows, { shelves: {}, hides: {} }, (i) => i + 2);
    expect(Object.keys(shelves)).toEqual(["good"]);
    expect(problems.map(({ line }) => line)).toEqual([2, 3, 4, 5]);
    expect(problems[1].message).toContain("A place is at least 1.");
    expect(problems[2].message).toContain("Name at least one place.");
    expect(readRulesJson("[]", { shelves: {}, hides: {} }).problems).toHaveLength(1);
  });
});
