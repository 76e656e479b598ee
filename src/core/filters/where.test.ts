import { find, gardenSearcher } from "@tests/core/garden";
import { Filter } from "../settings/filter";
import { Settings } from "../settings/schema";
import { stemmerOf } from "../text/stem";
import { compareSizes, compareValues } from "./order";
import { isMeantFor } from "./where";

const stem = stemmerOf("en-GB");
const filter = (where: object) => Filter.parse({ from: [{ field: "brand" }], label: {}, display: "ticks", rank: "a", where });
const holds = (where: object, category: string[] | null, search = "") =>
  isMeantFor(filter(where), { category, stems: search.split(" ").filter(Boolean).map(stem) }, stem);

describe("where a filter stands", () => {
  test("search results and categories are said apart", () => {
    expect(holds({ searching: false }, null)).toBe(false);
    expect(holds({ searching: false }, ["Plants"])).toBe(true);
    expect(holds({ categories: false }, ["Plants"])).toBe(false);
  });
  test("what a category says holds for those below it, until one of them says otherwise", () => {
    const where = {
      categories: false,
      except: [
        { path: ["Plants"], on: true },
        { path: ["Plants", "Perennials"], on: false },
        { path: ["Plants", "Perennials", "Lavender"], on: true },
      ],
    };
    expect(holds(where, ["Tools"])).toBe(false);
    expect(holds(where, ["Plants", "Shrubs", "Roses"])).toBe(true);
    expect(holds(where, ["Plants", "Perennials"])).toBe(false);
    expect(holds(where, ["Plants", "Perennials", "Asters"])).toBe(false);
    expect(holds(where, ["Plants", "Perennials", "Lavender", "English"])).toBe(true);
  });
  test("single searches are compared by stems", () => {
    const where = { searches: [{ match: "contains", text: "climbing roses" }] };
    expect(holds(where, null, "climbing rose white")).toBe(true);
    expect(holds(where, null, "rose")).toBe(false);
    expect(holds(where, null)).toBe(false);
  });
  test("where too few results have a value it stays away, but never one with a selection", () => {
    const searcher = (share: number) =>
      gardenSearcher(
        Settings.partial().parse({
          filters: { height: { from: [{ field: "height" }], label: {}, display: "slider", rank: "a", where: { share } } },
        }) as never,
      );
    const ids = (share: number, filters = {}) => find(searcher(share), { placement: "category", filters }).filters.map(({ id }) => id);
    expect(ids(0)).toEqual(["height"]);
    expect(ids(1)).toEqual([]);
    expect(ids(1, { height: { min: 1 } })).toEqual(["height"]);
  });
});

describe("the order of values", () => {
  const sorted = (labels: string[]) => [...labels].sort((a, b) => compareSizes(a, b));
  test("sizes stand as people order them", () => {
    expect(sorted(["XL", "S", "M", "XXS"])).toEqual(["XXS", "S", "M", "XL"]);
    expect(sorted(["2 litre", "10 cm", "9 cm", "60 mm", "1 m", "10 litre"])).toEqual([
      "60 mm",
      "9 cm",
      "10 cm",
      "1 m",
      "2 litre",
      "10 litre",
    ]);
  });
  test("those put in order by hand come before all others", () => {
    const value = (label: string, count: number, rank: string | null = null) => ({ label, count, rank });
    const values = [value("A", 1), value("B", 9), value("C", 2, "b"), value("D", 3, "a")];
    expect(values.sort(compareValues("count")).map(({ label }) => label)).toEqual(["D", "C", "B", "A"]);
  });
});
