import { FIELDS, find, gardenCatalogue } from "@tests/core/garden";
import { build } from "../index/build";
import { prepare } from "../prepare/searcher";
import type { FilterAnswer } from "../search/request";
import { Settings, type SettingsInput } from "../settings/schema";

/** The garden shop with a list of tags of two families. */
const index = build({
  ...gardenCatalogue(),
  fields: [...FIELDS, { key: "tags", label: "Tags", type: "list", role: "tags", unit: null, perOption: false, shown: true }],
  products: gardenCatalogue().products.map((product, i) => ({
    ...product,
    values: { ...product.values, tags: [i % 2 === 0 ? "light:full sun" : "light:shade", "soil:chalk", ...(i === 0 ? ["light:"] : [])] },
  })),
});
const shop = (filter: object, more: SettingsInput = {}) =>
  prepare(index, Settings.parse({ filters: { f: { label: {}, display: "ticks", rank: "a", ...filter } }, ...more }));
const answerOf = (filter: object, more: SettingsInput = {}, request: object = {}) =>
  find(shop(filter, more), { placement: "category", ...request }).filters[0] as FilterAnswer | undefined;
const valuesOf = (filter: object, more: SettingsInput = {}) => {
  const answer = answerOf(filter, more);
  return answer && "values" in answer ? Object.fromEntries(answer.values.map(({ label, count }) => [label, count])) : null;
};

describe("what a filter comes from", () => {
  test("a tag prefix offers what follows it, and no tag of another family", () => {
    expect(valuesOf({ from: [{ field: "tags", prefix: "light:" }] })).toEqual({ "Full sun": 5, Shade: 5 });
  });
  test("several fields are merged: a product counts once for a value it has in two of them", () => {
    const merged = valuesOf({ from: [{ field: "flower-colour" }, { field: "tags", prefix: "soil:" }] });
    expect(merged).toMatchObject({ Chalk: index.products, Purple: 3 });
  });
  test("chosen values alone, or all but some", () => {
    expect(Object.keys(valuesOf({ from: [{ field: "flower-colour", only: ["Purple", "White", "Puce"] }] }) ?? {}).sort()).toEqual([
      "Purple",
      "White",
    ]);
    expect(valuesOf({ from: [{ field: "flower-colour", without: ["Purple"] }] })).not.toHaveProperty("Purple");
  });
  test("selections stand as values with their names", () => {
    const selections = {
      s: { name: "Dear", condition: { field: "price", between: [6, null] as [number, null] } },
      t: { name: "Cheap", condition: { field: "price", between: [null, 6] as [null, number] } },
    };
    const values = valuesOf({ from: [{ selection: "s" }, { selection: "t" }, { selection: "gone" }] }, { selections });
    expect(Object.keys(values ?? {}).sort()).toEqual(["Cheap", "Dear"]);
  });
  test("availability and discount are worked out; where there is nothing to work with there is no filter", () => {
    expect(Object.keys(valuesOf({ from: [{ field: ":availability" }] }) ?? {}).sort()).toEqual(["In stock", "Sold out"]);
    expect(answerOf({ from: [{ field: ":discount" }], display: "steps" })).toBeUndefined();
    expect(answerOf({ from: [{ field: "gone" }] })).toBeUndefined();
  });
  test("a filter of several fields lets those of one of them rest while it is on", () => {
    const both = (replaces: boolean) =>
      find(
        prepare(
          index,
          Settings.parse({
            filters: {
              one: { from: [{ field: "flower-colour" }], label: {}, display: "ticks", rank: "a" },
              two: {
                from: [{ field: "flower-colour" }, { field: "tags", prefix: "light:" }],
                label: {},
                display: "ticks",
                rank: "b",
                replaces,
              },
            },
          }),
        ),
        { placement: "category" },
      ).filters.map(({ id }) => id);
    expect(both(false)).toEqual(["one", "two"]);
    expect(both(true)).toEqual(["two"]);
  });
});

describe("values changed by hand", () => {
  const colours = { from: [{ field: "flower-colour" }], order: "alphabet" };
  test("are renamed and still found under their old name", () => {
    const filter = { ...colours, values: { r: { of: ["Purple"], label: { en: "Violet" } } } };
    expect(valuesOf(filter)).toMatchObject({ Violet: 3 });
    const found = find(shop(filter), { placement: "category", filters: { f: { any: ["Purple"] } } });
    expect([found.total, found.ignored]).toEqual([3, []]);
  });
  test("are merged, hidden, and put in order before the rest", () => {
    const filter = {
      ...colours,
      values: {
        m: { of: ["White", "Yellow"], label: { en: "Pale" }, rank: "b" },
        h: { of: ["Blue"], hidden: true },
        p: { of: ["Purple"], rank: "a" },
      },
    };
    const answer = answerOf(filter);
    const labels = answer && "values" in answer ? answer.values.map(({ label }) => label) : [];
    expect(labels.slice(0, 2)).toEqual(["Purple", "Pale"]);
    expect(labels).not.toContain("Blue");
    expect(find(shop(filter), { placement: "category", filters: { f: { any: ["Blue"] } } }).ignored).toEqual(["f: Blue"]);
  });
  test("take groups for values, too", () => {
    const groups = { g: { field: "flower-colour", label: { en: "Cool" }, values: ["Purple", "Blue"] } };
    const values = valuesOf({ ...colours, values: { r: { of: ["Cool"], label: { en: "Cold" } } } }, { groups });
    expect(values).toMatchObject({ Cold: 3 });
    expect(values).not.toHaveProperty("Purple");
  });
});

describe("numbers in steps", () => {
  test("own thresholds make steps that are open at both ends, and a step can be chosen", () => {
    const filter = { from: [{ field: "price" }], display: "ticks", numbers: { edges: [5, 10] } };
    const answer = answerOf(filter);
    const values = answer && "values" in answer ? answer.values : [];
    expect(values.every(({ value }) => ["..5", "5..10", "10.."].includes(value))).toBe(true);
    for (const { value, count } of values)
      expect(find(shop(filter), { placement: "category", filters: { f: { any: [value] } } }).total).toBe(count);
  });
  test("“and more” counts upwards, the highest first", () => {
    const answer = answerOf({ from: [{ field: "price" }], display: "steps", numbers: { edges: [1, 5] } });
    const values = answer && "values" in answer ? answer.values : [];
    expect(values.map(({ value }) => value)).toEqual(["5..", "1.."]);
    expect(values[1].count).toBeGreaterThanOrEqual(values[0].count);
  });
  test("a step that is no longer offered stays listed while it is chosen", () => {
    const answer = answerOf(
      { from: [{ field: "price" }], display: "ticks", numbers: { edges: [5] } },
      {},
      { filters: { f: { any: ["2..3"] } } },
    );
    expect(answer && "values" in answer ? answer.values.find(({ selected }) => selected)?.value : null).toBe("2..3");
  });
  test("a choice of another time is never hidden: a range where steps are offered, steps where a range is", () => {
    const price = { from: [{ field: "price" }] };
    const steps = answerOf({ ...price, display: "ticks", numbers: { edges: [5] } }, {}, { filters: { f: { min: 3, max: 7 } } });
    expect(steps && "values" in steps ? steps.values.filter(({ selected }) => selected) : []).toMatchObject([
      { value: "3..7", from: 3, to: 7 },
    ]);
    const range = answerOf({ ...price, display: "slider" }, {}, { filters: { f: { any: ["2..4", "6..8"] } } });
    expect(range && "bars" in range ? range.selected : null).toEqual({ min: 2, max: 8 });
    const open = answerOf({ ...price, display: "slider" }, {}, { filters: { f: { any: ["..4"] } } });
    expect(open && "bars" in open ? open.selected : null).toEqual({ min: null, max: 4 });
  });
  test("an own scale ends where it says; what lies beyond belongs to its ends", () => {
    const answer = answerOf({ from: [{ field: "price" }], display: "slider", numbers: { least: 4, most: 6, edges: [5] } });
    if (!answer || !("bars" in answer)) throw new Error("There are no bars.");
    expect(answer.range).toEqual({ min: 4, max: 6 });
    expect(answer.beyond).toEqual({ below: true, above: true });
    expect(answer.bars.map(({ from, to }) => [from, to])).toEqual([
      [4, 5],
      [5, 6],
    ]);
  });
});
