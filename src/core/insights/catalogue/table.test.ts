import { AT, gardenSearcher } from "@tests/core/garden";
import { stringAt } from "../../index/strings";
import { duplicateKey, findDuplicates } from "./duplicates";
import { reportFields } from "./field-report";
import { type TableQuery, tableOf } from "./table";

const searcher = gardenSearcher({});
const rows = (query: Partial<TableQuery>) =>
  [...tableOf(searcher, { search: "", condition: null, sort: null, direction: "asc", ...query }, AT)].map((number) =>
    stringAt(searcher.index.ids, number),
  );

describe("a table of products", () => {
  test("holds all of them in the order of the feed, or of a field with missing values last", () => {
    expect(rows({})).toHaveLength(10);
    const byHeight = rows({ sort: "height" });
    const reversed = rows({ sort: "height", direction: "desc" });
    expect(byHeight.slice(-5).sort()).toEqual(["P3", "P6", "P7", "P8", "P9"]);
    expect(reversed.slice(-5).sort()).toEqual(["P3", "P6", "P7", "P8", "P9"]);
  });
  test("finds what a shopper would, sold-out and hidden products too, within a condition", () => {
    const hiding = gardenSearcher({ hides: { h: { name: "h", products: ["P1"], places: ["searching"] } } });
    const found = [...tableOf(hiding, { search: "lavendar", condition: null, sort: null, direction: "asc" }, AT)].map((number) =>
      stringAt(hiding.index.ids, number),
    );
    expect(found).toContain("P1");
    expect(rows({ search: "lavender", condition: { not: { field: "height", empty: true } } }).sort()).toEqual(["P1", "P2"]);
  });
});

describe("a page of facts", () => {
  const report = reportFields(searcher.index, searcher.settings);
  const of = (key: string) => report.find((field) => field.key === key);
  test("says how values are spread and where a field is used", () => {
    expect(of("brand")?.bars.reduce((sum, bar) => sum + bar.count, 0)).toBe(10);
    expect(of("title")?.uses).toContain("searchable");
    expect(of("price")?.bars.length).toBeGreaterThan(1);
  });
  test("warns in plain words", () => {
    const bare = reportFields(
      { ...searcher.index, fields: searcher.index.fields.map((field) => ({ ...field, unit: null })) },
      searcher.settings,
    );
    expect(bare.find((field) => field.key === "height")?.warnings.map((warning) => warning.kind)).toContain("bare-number");
    const unseen = reportFields(searcher.index, {
      ...searcher.settings,
      attributes: { margin: { searchable: true, weight: 2, early: false, length: "some", whole: false } },
    });
    expect(unseen.find((field) => field.key === "margin")?.warnings.map((warning) => warning.kind)).toContain("unseen");
  });
});

test("duplicates have one title, picture and brand, until somebody keeps them apart", () => {
  const groups = findDuplicates(searcher.index, new Set());
  const keys = groups.map((group) => group.key);
  expect(findDuplicates(searcher.index, new Set(keys))).toEqual([]);
  expect(duplicateKey(["b", "a"])).toBe(duplicateKey(["a", "b"]));
});
