import { AT } from "@tests/core/garden";
import type { Field, Product } from "../catalogue/types";
import { build } from "../index/build";
import { lookAtFilter } from "../insights/measure/filter-look";
import { prepare } from "../prepare/searcher";
import { SearchRequest } from "../search/request";
import { search } from "../search/search";
import type { Filter } from "../settings/filter";
import { Settings } from "../settings/schema";

const plain = { unit: null, shown: true, perOption: false } as const;
const FIELDS: Field[] = [
  { key: "title", label: "Title", type: "text", role: "title", ...plain },
  { key: "tags", label: "Tags", type: "list", role: "tags", ...plain },
  { key: "organic", label: "Organic", type: "flag", role: "attribute", ...plain },
  { key: "light", label: "Light", type: "list", role: "attribute", ...plain },
  { key: "stock", label: "Stock", type: "number", role: "stock", ...plain },
];
const pot = (id: string, values: object): Product => ({ id, values: { title: `Pot ${id}`, stock: 1, ...values }, options: [] });
const PRODUCTS = [
  pot("a", { organic: true, tags: ["gift"], light: ["Sun"] }),
  pot("b", { organic: true, stock: 0, light: ["Sun", "Shade"] }),
  pot("c", { light: ["Sun"] }),
];

function filtersOf(filter: object, products = PRODUCTS) {
  const index = build({ locale: "en", fields: FIELDS, products, pages: [] });
  const selections = { gifts: { name: "Gifts", condition: { field: "tags", is: "gift" } } };
  const own = { label: { en: "Own" }, display: "ticks", rank: "a", ...filter } as unknown as Filter;
  const searcher = prepare(index, Settings.parse({ attributes: { title: { searchable: true, weight: 1 } }, filters: { own }, selections }));
  const { filters } = search(searcher, SearchRequest.parse({ query: "pot" }), { at: AT, visible: () => true });
  const { absence } = lookAtFilter(searcher, searcher.settings.filters.own, { query: "pot", category: null }, AT);
  const told = filters.flatMap((entry) => ("values" in entry ? entry.values.map(({ value, count }) => `${value} ${count}`) : []));
  return { told, absence };
}

describe("a filter of one tick is there when ticking it leaves fewer products", () => {
  it.each([
    ["a yes that only some products say", { from: [{ field: "organic" }], display: "yes-no" }, ["Yes 2"]],
    ["the same as ticks", { from: [{ field: "organic" }] }, ["Yes 2"]],
    ["what is in stock alone", { from: [{ field: ":availability" }], display: "yes-no" }, ["In stock 2"]],
    ["what is in stock alone, chosen by hand", { from: [{ field: ":availability", only: ["In stock"] }] }, ["In stock 2"]],
    ["a selection", { from: [{ selection: "gifts" }] }, ["Gifts 1"]],
    ["a tag", { from: [{ field: "tags", only: ["gift"] }] }, ["gift 1"]],
    [
      "what is left of several sources when the others are hidden",
      { from: [{ field: "light" }, { field: "tags" }], values: { x: { of: ["Sun"], hidden: true }, y: { of: ["gift"], hidden: true } } },
      ["Shade 1"],
    ],
  ])("%s", (_name, filter, values) => {
    expect(filtersOf(filter)).toEqual({ told: values, absence: null });
  });

  it.each([
    ["every product says yes", { from: [{ field: "organic" }], display: "yes-no" }, [PRODUCTS[0], PRODUCTS[1]]],
    ["none does", { from: [{ field: "organic" }], display: "yes-no" }, [pot("a", { organic: false }), pot("b", {})]],
    ["all is in stock", { from: [{ field: ":availability" }], display: "yes-no" }, [PRODUCTS[0], PRODUCTS[2]]],
    ["the only value left is everywhere", { from: [{ field: "light" }], values: { y: { of: ["Shade"], hidden: true } } }, PRODUCTS],
  ])("and not where it would leave as many: %s", (_name, filter, products) => {
    expect(filtersOf(filter, products)).toEqual({ told: [], absence: "narrows-nothing" });
  });
});
