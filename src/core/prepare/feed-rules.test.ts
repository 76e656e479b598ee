import { gardenCatalogue } from "@tests/core/garden";
import type { Field } from "../catalogue/types";
import { build } from "../index/build";
import { goneProducts } from "../insights/catalogue/gone";
import { defaultSettings } from "../insights/propose/defaults";
import { SearchRequest } from "../search/request";
import { search } from "../search/search";
import { Settings } from "../settings/schema";
import { prepare } from "./searcher";

const field = (key: string, role: Field["role"], type: Field["type"]): Field => ({
  key,
  label: key,
  role,
  type,
  unit: null,
  perOption: false,
  shown: true,
});

/** The garden with fields of the feed's own: by product, what they say. */
function garden(extra: Field[], said: Record<string, Record<string, string | number | boolean>>) {
  const catalogue = gardenCatalogue();
  const products = catalogue.products.map((product) => ({ ...product, values: { ...product.values, ...said[product.id] } }));
  const index = build({ ...catalogue, fields: [...catalogue.fields, ...extra], products });
  return prepare(index, defaultSettings(index));
}
const idsFor = (searcher: ReturnType<typeof garden>, query: string, why: string[] = []) =>
  search(searcher, SearchRequest.parse({ query, why, explain: true }), { at: 0, visible: () => true });

describe("what the feed itself says", () => {
  test("a boost multiplies, and one set by hand wins over it", () => {
    const searcher = garden([field("push", "boost", "number")], { P3: { push: 3 } });
    const hit = idsFor(searcher, "lavender").hits.find(({ id }) => id === "P3");
    expect(hit?.explain?.factors).toEqual([{ rule: "feed", label: "push", factor: 3 }]);
    const byHand = prepare(searcher.index, { ...searcher.settings, products: { P3: { set: {}, addTags: [], removeTags: [], boost: 2 } } });
    expect(idsFor(byHand, "lavender").hits.find(({ id }) => id === "P3")?.explain?.factors).toMatchObject([{ factor: 2 }]);
  });
  test("a hidden flag keeps a product out of every place, and says so", () => {
    const searcher = garden([field("off", "hidden", "flag")], { P1: { off: true }, P2: { off: false } });
    const found = idsFor(searcher, "lavender", ["P1"]);
    expect(found.hits.map(({ id }) => id)).not.toContain("P1");
    expect(found.hits.map(({ id }) => id)).toContain("P2");
    expect(found.why.P1).toEqual({ reason: "hidden", rule: "feed" });
  });
  test("a stock state counts where there is no figure, and an order can be placed at zero", () => {
    const catalogue = gardenCatalogue();
    const fields = [...catalogue.fields.filter((entry) => entry.role !== "stock"), field("state", "stockState", "keyword")];
    const states: Record<string, string> = { P1: "Sold out", P2: "To order", P3: "In stock" };
    const products = catalogue.products.map(({ options: _options, ...product }) => ({
      ...product,
      options: [],
      values: { ...product.values, state: states[product.id] ?? "In stock" },
    }));
    const index = build({ ...catalogue, fields, products });
    const { soldOut } = prepare(index, defaultSettings(index)).stock;
    expect([...soldOut.subarray(0, 3)]).toEqual([1, 0, 0]);
  });
});

test("products that rules name although they are gone are listed with the rules", () => {
  const settings = Settings.parse({
    products: { P1: { boost: 2 }, X: { boost: 2 } },
    hides: { h: { name: "Old", products: ["X", "P2"], places: ["searching"] } },
    shelves: { k: { name: "Week", searches: [], categories: [], on: true, rank: "a", pins: { Y: 1 }, add: ["Y"], strength: { P3: 2 } } },
  });
  expect(goneProducts(build(gardenCatalogue()), settings)).toEqual([
    { id: "X", uses: ["Values set by hand", "Hidden “Old”"] },
    { id: "Y", uses: ["Shelf “Week”"] },
  ]);
});
