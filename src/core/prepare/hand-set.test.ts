import { AT, gardenCatalogue, gardenSearcher, PRODUCTS } from "@tests/core/garden";
import { build } from "../index/build";
import { productNumber, productsOf } from "../index/read";
import { defaultSettings } from "../insights/propose/defaults";
import { SearchRequest } from "../search/request";
import { search } from "../search/search";
import { ProductSettings, Settings, type SettingsInput } from "../settings/schema";
import { layHandSet, withHandSet } from "./hand-set";
import { prepare } from "./searcher";

const own = (part: object) => ProductSettings.parse(part);
const find = (query: string, products: SettingsInput["products"]) => {
  const searcher = gardenSearcher({ products });
  return search(searcher, SearchRequest.parse({ query }), { at: AT, visible: () => true }).hits;
};

describe("values set by hand", () => {
  test("win over the feed's, for the product and all its options", () => {
    const [first] = PRODUCTS;
    const fields = gardenCatalogue().fields;
    const changed = withHandSet(first, own({ set: { price: 3, brand: null, pot: "wooden" } }), fields);
    expect(changed.values).toMatchObject({ price: 3, pot: "wooden" });
    expect(changed.values).not.toHaveProperty("brand");
    for (const option of changed.options) expect(option.values).not.toHaveProperty("price");
    expect(first.values.price).not.toBe(3);
  });
  test("are found, counted and filtered like any other", () => {
    expect(find("heirloom", { P3: { set: { title: "Heirloom lavender" } } }).map((hit) => hit.id)).toEqual(["P3"]);
    expect(find("heirloom", {})).toEqual([]);
  });
  test("answer as a catalogue that held them from the start would", () => {
    const catalogue = gardenCatalogue();
    const products = { P1: own({ set: { height: 12 } }), P5: own({ set: { title: "Rosa nova" } }), P9: own({ boost: 2 }) };
    const laid = layHandSet(build(catalogue), products, null);
    const fresh = build({
      ...catalogue,
      products: catalogue.products.map((product) =>
        product.id in products ? withHandSet(product, products[product.id as "P1"], catalogue.fields) : product,
      ),
    });
    expect({ ...laid, stored: [...productsOf(laid)] }).toEqual({ ...fresh, stored: [...productsOf(fresh)] });
  });
  test("of many products come and go again as if they had been there from the start, whichever way is shorter", () => {
    const catalogue = gardenCatalogue();
    const base = build(catalogue);
    const tagged = (count: number, tag: string) =>
      Object.fromEntries(PRODUCTS.slice(0, count).map(({ id }) => [id, own({ addTags: [tag] })]));
    const plain = (index: typeof base) => ({ ...index, stored: [...productsOf(index)] });
    const states = [tagged(PRODUCTS.length, "sale"), tagged(2, "sale"), { ...tagged(5, "new"), P1: own({ boost: 2 }) }, {}];
    let laid: { base: typeof base; products: Settings["products"]; index: typeof base } | null = null;
    for (const products of states) {
      const index = layHandSet(base, products, laid);
      expect(plain(index)).toEqual(plain(layHandSet(base, products, null)));
      laid = { base, products, index };
    }
    expect(laid?.index).toBe(base);
  });
  test("cost one product's words when one more comes, and go again without a trace", () => {
    const base = build(gardenCatalogue());
    const settings = defaultSettings(base);
    const one = prepare(base, { ...settings, products: { P1: own({ set: { title: "Alpha" } }) } });
    const two = prepare(base, { ...one.settings, products: { ...one.settings.products, P2: own({ set: { title: "Beta" } }) } }, one);
    const none = prepare(base, { ...two.settings, products: {} }, two);
    const plain = prepare(base, settings);
    const titles = (searcher: typeof one) => [...productsOf(searcher.index)].map((product) => product.values.title);
    expect(titles(two).slice(0, 2)).toEqual(["Alpha", "Beta"]);
    expect(titles(none)).toEqual(titles(plain));
    expect(none.index.lexicon).toEqual(plain.index.lexicon);
    expect(none.index.postings).toEqual(plain.index.postings);
  });
  test("a product that the feed no longer has is passed over", () => {
    const base = build(gardenCatalogue());
    expect(layHandSet(base, { nobody: own({ set: { title: "Ghost" } }) }, null)).toBe(base);
    expect(productNumber(base, "nobody")).toBe(-1);
  });
  test("a value that is none of the field's is left alone", () => {
    const settings = Settings.parse({ products: { P1: { set: { price: "cheap", shape: "round" } } } });
    const searcher = prepare(build(gardenCatalogue()), settings);
    expect([...productsOf(searcher.index)][0]).toEqual(PRODUCTS[0]);
  });
});
