import { AT, gardenSearcher } from "@tests/core/garden";
import { listBits } from "../index/bits";
import { stringAt } from "../index/strings";
import type { Condition } from "../settings/condition";

const searcher = gardenSearcher({
  selections: {
    plants: { name: "Plants", condition: { field: "category", is: "Plants" } },
    loop: { name: "Loop", condition: { any: [{ selection: "loop" }, { field: "brand", is: "Quillmoor" }] } },
  },
});

function idsFor(condition: Condition): string[] {
  return [...listBits(searcher.conditions.products(condition, AT))].map((product) => stringAt(searcher.index.ids, product));
}

describe("conditions name products", () => {
  test("is and one of, whatever the case; a path holds all its levels", () => {
    expect(idsFor({ field: "brand", is: "fernbank" })).toEqual(["P2", "P4", "P6", "P8", "P10"]);
    expect(idsFor({ field: "category", is: "Plants › Roses" })).toEqual(["P4", "P5"]);
    expect(idsFor({ field: "flower-colour", oneOf: ["Claret", "White"] })).toEqual(["P4", "P5"]);
  });
  test("contains and starts with", () => {
    expect(idsFor({ field: "title", contains: "LAVENDER" })).toEqual(["P1", "P2", "P3"]);
    expect(idsFor({ field: "title", startsWith: "lavender" })).toEqual(["P3"]);
  });
  test("between, with open ends; of several options one is enough", () => {
    expect(idsFor({ field: "price", between: [10, null] })).toEqual(["P1", "P4", "P5", "P8", "P9"]);
    expect(idsFor({ field: "price", between: [null, 2.3] })).toEqual(["P7"]);
    expect(idsFor({ field: "height", is: 60 })).toEqual(["P1", "P10"]);
  });
  test("empty and filled", () => {
    expect(idsFor({ field: "flower-colour", empty: true })).toEqual(["P6", "P7", "P8", "P9"]);
    expect(idsFor({ field: "height", empty: false })).toEqual(["P1", "P2", "P4", "P5", "P10"]);
  });
  test("of long texts too, which have no column", () => {
    const filled = idsFor({ field: "description", empty: false });
    const empty = idsFor({ field: "description", empty: true });
    expect([...filled, ...empty].sort()).toEqual(idsFor({ all: [] }).sort());
    expect(filled.length).toBeGreaterThan(5);
    const words = idsFor({ field: "description", contains: "BEES" });
    expect(words.length).toBeGreaterThan(0);
    expect(words.length).toBeLessThan(filled.length);
  });
  test("all, any and not, nested", () => {
    const condition: Condition = {
      all: [
        { selection: "plants" },
        {
          not: {
            any: [
              { field: "flower-colour", is: "Purple" },
              { field: "title", contains: "rose" },
            ],
          },
        },
      ],
    };
    expect(idsFor(condition)).toEqual(["P10"]);
    expect(idsFor({ all: [] })).toHaveLength(10);
    expect(idsFor({ any: [] })).toEqual([]);
  });
  test("a field or a selection that is gone names nothing, and a selection that leads to itself does no harm", () => {
    expect(idsFor({ field: "shape", is: "round" })).toEqual([]);
    expect(idsFor({ field: "shape", empty: true })).toHaveLength(10);
    expect(idsFor({ selection: "gone" })).toEqual([]);
    expect(idsFor({ selection: "loop" })).toEqual(["P1", "P3", "P5", "P7", "P9"]);
  });
});

describe("selections made of one another", () => {
  const twice = Object.fromEntries(
    Array.from({ length: 30 }, (_, i) => [
      `s${i}`,
      { name: `S${i}`, condition: { any: [{ selection: `s${i + 1}` }, { selection: `s${i + 1}` }] } },
    ]),
  );
  const made = gardenSearcher({
    selections: {
      ...twice,
      s30: { name: "S30", condition: { field: "brand", is: "Fernbank" } },
      // Each leads to the other, whichever is asked for first.
      a: { name: "A", condition: { any: [{ selection: "b" }, { field: "brand", is: "Quillmoor" }] } },
      b: { name: "B", condition: { any: [{ selection: "a" }, { field: "brand", is: "Fernbank" }] } },
    },
  });
  const found = (condition: Condition) =>
    [...listBits(made.conditions.products(condition, AT))].map((product) => stringAt(made.index.ids, product));

  test("are worked out once each, however often they are named", () => {
    expect(found({ selection: "s0" })).toEqual(found({ field: "brand", is: "Fernbank" }));
  });

  test("that lead to each other come to the same, whichever is asked for first", () => {
    const both = found({
      any: [
        { field: "brand", is: "Fernbank" },
        { field: "brand", is: "Quillmoor" },
      ],
    });
    expect([found({ all: [{ selection: "a" }] }), found({ all: [{ selection: "b" }] }), found({ selection: "a" })]).toEqual([
      both,
      both,
      both,
    ]);
  });

  test("named like a member of every object are none", () => {
    expect(found({ selection: "constructor" })).toEqual([]);
  });
});
