import type { Field, Product } from "../catalogue/types";
import { findGroups, groupOptions, proposeGroupings } from "./group-options";

const field = (key: string, role: Field["role"], type: Field["type"] = "keyword"): Field => ({
  key,
  label: key,
  role,
  type,
  unit: null,
  perOption: false,
  shown: true,
});
const FIELDS = [
  field("title", "title", "text"),
  field("brand", "brand"),
  field("sku", "articleNumber"),
  field("size", "attribute"),
  field("price", "price", "number"),
  field("picture", "picture"),
];
const product = (id: string, title: string, size: string | null, more: Product["values"] = {}): Product => ({
  id,
  values: { title, sku: id, price: 5, ...(size ? { size } : {}), ...more },
  options: [],
});
const NONE = new Set<string>();

describe("options among products", () => {
  test("have one title and differ in what tells them apart", () => {
    const products = [product("a1", "Glove", "S"), product("a2", "Glove", "M", { price: 6, picture: "m.png" }), product("b", "Hat", null)];
    const { products: grouped, fields } = groupOptions(products, FIELDS, ["title"], NONE);
    expect(grouped.map(({ id }) => id)).toEqual(["a1", "b"]);
    expect(grouped[0].options.map(({ id, values }) => [id, values.size, values.price])).toEqual([
      ["a1", "S", 5],
      ["a2", "M", 6],
    ]);
    // The second has a picture of its own; the first takes the product's.
    expect(grouped[0].values.picture).toBe("m.png");
    expect(fields.filter((entry) => entry.perOption).map(({ key }) => key)).toEqual(["sku", "size", "price"]);
  });
  test("are none where nothing tells them apart, the brand differs, or somebody said so", () => {
    const alike = [product("a", "Glove", "S"), product("b", "Glove", "S")];
    const brands = [product("a", "Glove", "S", { brand: "X" }), product("b", "Glove", "M", { brand: "Y" })];
    expect(findGroups(alike, FIELDS, "title", NONE)).toEqual([]);
    expect(findGroups(brands, FIELDS, "title", NONE)).toEqual([]);
    const [group] = findGroups([product("a", "Glove", "S"), product("b", "Glove", "M")], FIELDS, "title", NONE);
    expect(findGroups([product("a", "Glove", "S"), product("b", "Glove", "M")], FIELDS, "title", new Set([group.key]))).toEqual([]);
  });
  test("have article numbers that begin alike, and titles that do", () => {
    const products = [
      product("QG-2041-A", "Lavender small", "9 cm"),
      product("QG-2041-B", "Lavender large", "2 litre"),
      product("QG-2042-A", "Rose", "9 cm"),
    ];
    expect(findGroups(products, FIELDS, "number", NONE).map((group) => group.products.map(({ id }) => id))).toEqual([
      ["QG-2041-A", "QG-2041-B"],
    ]);
    const strangers = [product("QG-2041-A", "Lavender", "9 cm"), product("QG-2041-B", "Spade", "2 litre")];
    expect(findGroups(strangers, FIELDS, "number", NONE)).toEqual([]);
  });
  test("are proposed with samples of what differs", () => {
    const [proposal] = proposeGroupings([product("a", "Glove", "S"), product("b", "Glove", "M", { price: 7 })], FIELDS, NONE);
    expect(proposal).toMatchObject({
      way: "title",
      groups: 1,
      products: 2,
      samples: [
        {
          title: "Glove",
          ids: ["a", "b"],
          differ: [
            { label: "size", role: "attribute", values: ["S", "M"] },
            { label: "price", role: "price", values: ["5", "7"] },
          ],
        },
      ],
    });
  });
});
