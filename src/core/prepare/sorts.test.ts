import { FIELDS, field, gardenCatalogue } from "@tests/core/garden";
import type { Product, Value } from "../catalogue/types";
import { build } from "../index/build";
import { defaultSettings } from "../insights/propose/defaults";
import { prepare } from "./searcher";
import { DISCOUNT, derivedNumbers, IN_STOCK, prepareSort } from "./sorts";

const fields = [
  ...FIELDS,
  field("sale", "number", "salePrice"),
  field("rating", "number", "rating"),
  field("votes", "number", "ratingCount"),
];
const product = (id: string, values: Record<string, Value>, options: Record<string, Value>[] = []): Product => ({
  id,
  values: { title: id, ...values },
  options: options.map((own, i) => ({ id: `${id}-${i}`, values: own })),
});
const indexOf = (products: Product[]) => build({ ...gardenCatalogue(), fields, products });
const tie = (index: ReturnType<typeof indexOf>, of: string, direction: "asc" | "desc") => {
  const settings = defaultSettings(index);
  return prepare(index, { ...settings, ranking: { ...settings.ranking, ties: { t: { field: of, direction, rank: "a" } } } }).ties;
};
const derived = (index: ReturnType<typeof indexOf>, name: string) => {
  const made = derivedNumbers(prepare(index, defaultSettings(index)).index, name);
  return made && [...made.numbers].map((share) => Number(share.toFixed(6)));
};

describe("what tie-breakers order", () => {
  test("a number, smaller first or greater first; what is missing comes last either way", () => {
    const index = indexOf([product("a", { height: 30 }), product("b", {}), product("c", { height: 10 })]);
    const [up] = tie(index, "height", "asc");
    const [down] = tie(index, "height", "desc");
    expect([...up.values]).toEqual([30, Number.NaN, 10]);
    expect([...down.values]).toEqual([-30, Number.NaN, -10]);
    expect([0, 1, 2].map(down.shown)).toEqual([30, null, 10]);
  });
  test("of several options the one that comes first counts", () => {
    const index = indexOf([product("a", {}, [{ price: 9 }, { price: 4 }]), product("b", {}, [{ price: 6 }])]);
    const price = index.fields.findIndex(({ key }) => key === "price");
    expect([...prepareSort(index, price, "asc").values]).toEqual([4, 6]);
    expect([...prepareSort(index, price, "desc").values]).toEqual([-9, -6]);
  });
  test("of several options the one that stands for the product counts: in stock, then the cheapest, unless it is set otherwise", () => {
    const index = indexOf([
      product("a", {}, [
        { price: 4, stock: 0 },
        { price: 9, stock: 2 },
        { price: 8, stock: 1 },
      ]),
      product("b", {}, [{ price: 6, stock: 3 }]),
    ]);
    expect([...tie(index, "price", "asc")[0].values]).toEqual([8, 6]);
    const settings = defaultSettings(index);
    const standing = (option: "cheapest" | "most-expensive" | "first") => [
      ...prepare(index, { ...settings, ranking: { ...settings.ranking, option } }).options,
    ];
    expect([standing("cheapest"), standing("most-expensive"), standing("first")]).toEqual([
      [2, 3],
      [1, 3],
      [1, 3],
    ]);
  });
  test("ratings with few votes are pulled to the mean: (n · r + 10 · mean) ÷ (n + 10)", () => {
    const index = indexOf([
      product("a", { rating: 5, votes: 1 }),
      product("b", { rating: 4, votes: 99 }),
      product("c", { rating: 3 }),
      product("d", {}),
    ]);
    const mean = (5 * 1 + 4 * 99) / 100;
    const [{ values, shown }] = tie(index, "rating", "desc");
    expect(-values[0]).toBeCloseTo((5 + 10 * mean) / 11, 10);
    expect(-values[1]).toBeCloseTo((4 * 99 + 10 * mean) / 109, 10);
    expect(-values[2]).toBeCloseTo(mean, 10);
    expect(shown(3)).toBeNull();
  });
  test("a discount is a share of the price; none and one that is no lower are nothing", () => {
    const index = indexOf([product("a", { price: 10, sale: 8 }), product("b", { price: 10 }), product("c", { price: 10, sale: 12 })]);
    expect(derived(index, DISCOUNT)).toEqual([0.2, 0, 0]);
    expect(tie(index, DISCOUNT, "desc")[0].field).toBe(DISCOUNT);
  });
  test("in stock is yes or no, and nothing where the catalogue knows no stock", () => {
    const index = indexOf([product("a", { stock: 3 }), product("b", { stock: 0 })]);
    expect(derived(index, IN_STOCK)).toEqual([1, 0]);
    const bare = build({ ...gardenCatalogue(), fields: [field("title", "text", "title")], products: [product("a", {})] });
    expect([derived(bare, IN_STOCK), derived(bare, DISCOUNT), derived(bare, "nothing")]).toEqual([null, null, null]);
    expect(tie(bare, IN_STOCK, "desc")).toEqual([]);
    expect(tie(bare, "nobody", "desc")).toEqual([]);
  });
});
