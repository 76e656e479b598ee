import { NO_PRODUCT_SUMS, PRODUCT_VIEWS, type ProductSums, productsIn } from "./products";

const product = (id: string, now: Partial<ProductSums> = {}, before: Partial<ProductSums> = {}) => ({
  id,
  now: { ...NO_PRODUCT_SUMS, ...now },
  before: { ...NO_PRODUCT_SUMS, ...before },
});
const ALL = [
  product("best", { shown: 1_000, clicked: 100, ordered: 20, revenue: 40_000 }, { clicked: 98 }),
  product("rose", { shown: 900, clicked: 120, ordered: 2, revenue: 900 }, { clicked: 40 }),
  product("fell", { shown: 900, clicked: 10 }, { clicked: 60 }),
  product("ignored", { shown: 500 }),
  product("rare", { shown: 12 }),
  product("unseen"),
];
const ids = (view: (typeof PRODUCT_VIEWS)[number]) => productsIn(view, ALL).map(({ id }) => id);

describe("products of a period", () => {
  it("are in views by what they brought, what changed, and what nobody wanted or saw", () => {
    expect(Object.fromEntries(PRODUCT_VIEWS.map((view) => [view, ids(view)]))).toEqual({
      revenue: ["best", "rose"],
      clicked: ["rose", "best", "fell"],
      rising: ["rose"],
      falling: ["fell"],
      unclicked: ["ignored"],
      unshown: ["unseen"],
    });
  });

  it("of which clicks were hardly to be expected are not blamed for having none", () => {
    expect(productsIn("unclicked", [product("a", { shown: 30 }), product("b", { shown: 100_000, clicked: 100 })])).toEqual([]);
  });
});
