import type { Field } from "@contract/fields";
import type { Condition } from "@core/settings/condition";
import { FieldTest } from "@core/settings/condition";
import { comparisonOf, comparisonsFor, testOf } from "./comparisons";
import { sayCondition } from "./say-condition";

const field = (key: string, type: Field["type"]) => ({ key, label: key.toUpperCase(), type, samples: ["first"] }) as unknown as Field;
const FIELDS = [field("brand", "keyword"), field("price", "number"), field("added", "date"), field("peat", "flag")];

describe("a condition in words", () => {
  const say = (condition: Condition) => sayCondition(condition, FIELDS, { s: { name: "Own brand" } });
  test("tests, joined and turned round", () => {
    expect(
      say({
        all: [
          { field: "brand", is: "Fernbank" },
          { field: "price", between: [5, 10] },
        ],
      }),
    ).toBe("BRAND is Fernbank and PRICE 5 to 10");
    expect(say({ any: [{ selection: "s" }, { not: { field: "peat", is: true } }] })).toBe("(in “Own brand” or not PEAT is yes)");
    expect(say({ field: "brand", oneOf: ["A", "B"] })).toBe("BRAND is one of A, B");
    expect(say({ field: "added", newerThanDays: 30 })).toBe("ADDED in the last 30 days");
    expect([say({ field: "brand", empty: true }), say({ field: "gone", empty: false })]).toEqual(["BRAND is empty", "gone is filled"]);
  });
  test("open ends, nothing and everything", () => {
    expect([
      say({ field: "price", between: [5, null] }),
      say({ field: "price", between: [null, 5] }),
      say({ field: "price", between: [null, null] }),
    ]).toEqual(["PRICE 5 or more", "PRICE up to 5", "PRICE is any"]);
    expect([say({ all: [] }), say({ any: [] }), say({ selection: "gone" })]).toEqual([
      "every product",
      "no product",
      "in “a selection that is gone”",
    ]);
  });
});

test("every comparison that suits a field begins as a good test, and is known again", () => {
  for (const entry of FIELDS)
    for (const comparison of comparisonsFor(entry)) {
      const made = testOf(entry, comparison);
      expect([entry.key, comparison, FieldTest.safeParse(made).success, comparisonOf(made)]).toEqual([
        entry.key,
        comparison,
        true,
        comparison,
      ]);
    }
});
