import { AT, field } from "@tests/core/garden";
import type { Catalogue } from "../../catalogue/types";
import { filtersOf } from "../../filters/prepare";
import { build } from "../../index/build";
import { prepare } from "../../prepare/searcher";
import { Settings } from "../../settings/schema";
import { proposeFilters, tagFamilies } from "../propose/filters";
import { alikeFilters } from "./filter-alike";
import { lookAtFilter } from "./filter-look";
import { measureFilters } from "./filter-worth";

/** Forty pots: half of them blue, each in one of four sizes, a code that says the same as the size; ten have a shape. */
const catalogue: Catalogue = {
  locale: "en-GB",
  pages: [],
  fields: [
    field("title", "text", "title"),
    field("colour", "keyword"),
    field("size", "keyword"),
    field("code", "keyword"),
    field("shape", "keyword"),
    field("maker", "keyword"),
    field("tags", "list", "tags"),
    field("price", "number", "price"),
    field("stock", "number", "stock"),
  ],
  products: Array.from({ length: 40 }, (_, i) => ({
    id: `P${i}`,
    options: [],
    values: {
      title: i % 4 === 0 ? "Tall pot" : "Pot",
      colour: i % 2 === 0 ? "Blue" : "Grey",
      size: ["S", "M", "L", "XL"][Math.floor(i / 10)],
      code: ["1", "2", "3", "4"][Math.floor(i / 10)],
      ...(i < 10 ? { shape: i % 2 === 0 ? "Round" : "Square" } : {}),
      maker: "Stoutwell",
      tags: [`glaze:${i % 3}`, "new"],
      price: i + 1,
      stock: i % 5,
    },
  })),
};
const index = build(catalogue);
const filter = (key: string, more: object = {}) => ({ from: [{ field: key }], label: { en: key }, display: "ticks", rank: key, ...more });
const searcher = prepare(
  index,
  Settings.parse({
    attributes: { title: { searchable: true, weight: 8 } },
    filters: { colour: filter("colour"), size: filter("size"), code: filter("code"), shape: filter("shape"), maker: filter("maker") },
  }),
);
const last = <T>(steps: Generator<unknown, T>): T => {
  for (;;) {
    const { done, value } = steps.next();
    if (done) return value;
  }
};

describe("what filters do for real searches", () => {
  const searches = [
    { text: "pot", asked: 3 },
    { text: "tall pot", asked: 1 },
    { text: "aquarium", asked: 9 },
  ];
  const own = filtersOf(searcher, AT);
  const worths = Object.fromEntries(last(measureFilters(searcher, own, searches, AT)).map((worth, i) => [own[i].id, worth]));

  test("parts are two to the power of the entropy, weighted by how often a search was asked", () => {
    expect(worths.size.parts).toBeCloseTo(2 ** ((3 * 2 + entropy([3, 2, 3, 2])) / 4), 9);
    expect(worths.maker.parts).toBe(1);
  });
  test("a filter that cannot narrow is beside no search; one that few results fill is worth less", () => {
    expect(worths.maker).toMatchObject({ offered: 0, worth: 0 });
    expect(worths.colour.offered).toBeCloseTo(3 / 4, 9);
    expect(worths.shape.filled).toBeLessThan(0.3);
    expect(worths.shape.worth).toBeLessThan(worths.colour.worth);
  });
  test("those that split alike are told, others are not", () => {
    const pairs = alikeFilters(index, own).map((pair) =>
      pair
        .map((i) => own[i].id)
        .sort()
        .join(),
    );
    expect(pairs).toEqual(["code,size"]);
  });
  test("what has no filter yet is proposed, the most useful first: tag families and availability too", () => {
    const proposals = last(proposeFilters(searcher, searches, AT));
    const ids = proposals.map(({ id }) => id);
    expect(ids).toEqual(expect.arrayContaining(["price", "tags-glaze", "availability"]));
    expect(ids).not.toContain("colour");
    expect(proposals.map(({ worth }) => worth)).toEqual([...proposals.map(({ worth }) => worth)].sort((a, b) => b - a));
    expect(tagFamilies(index)).toEqual([{ field: "tags", prefix: "glaze:", values: 3 }]);
  });
});

describe("a look at a filter", () => {
  const look = (id: string, query: string, more: object = {}) =>
    lookAtFilter(searcher, { ...searcher.settings.filters[id], ...more }, { query, category: null }, AT);
  test("tells its values in the catalogue and in the search at hand", () => {
    const { values, filled, filledHere, results } = look("shape", "tall pot");
    expect(values).toEqual([
      { value: "Round", group: null, colour: null, count: 5, here: 3 },
      { value: "Square", group: null, colour: null, count: 5, here: 0 },
    ]);
    expect([filled, filledHere, results]).toEqual([0.25, 0.3, 10]);
  });
  test("says why shoppers do not see it", () => {
    expect(look("maker", "pot").absence).toBe("narrows-nothing");
    expect(look("size", "pot").absence).toBeNull();
    const { where } = searcher.settings.filters.size;
    expect(look("size", "pot", { where: { ...where, searching: false } }).absence).toBe("elsewhere");
    expect(look("size", "pot", { where: { ...where, searches: [{ match: "is", text: "tall pot" }] } }).absence).toBe("other-search");
    expect(look("shape", "pot", { where: { ...where, share: 0.5 } }).absence).toBe("too-few");
    expect(look("size", "pot", { from: [{ field: "gone" }] }).absence).toBe("no-source");
  });
  test("draws numbers over the whole range, whatever thresholds are set", () => {
    const { numbers } = look("size", "pot", { from: [{ field: "price" }], numbers: { edges: [39], least: null, most: null, unit: null } });
    expect(numbers).toMatchObject({ least: 1, most: 40, distinct: 40 });
    expect(numbers?.bars.length).toBeGreaterThan(3);
    expect(numbers?.bars.reduce((sum, bar) => sum + bar.count, 0)).toBe(40);
  });
});

function entropy(counts: readonly number[]): number {
  const sum = counts.reduce((all, count) => all + count, 0);
  return -counts.reduce((all, count) => all + (count / sum) * Math.log2(count / sum), 0);
}
