import { FIELDS, field, gardenCatalogue } from "@tests/core/garden";
import type { Product, Value } from "../../catalogue/types";
import { build } from "../../index/build";
import { duplicateKey, findDuplicates } from "./duplicates";

const fields = [...FIELDS, field("picture", "keyword", "picture")];
const product = (id: string, title: string, more: Record<string, Value> = {}): Product => ({
  id,
  values: { title, price: 5, picture: "/a.png", brand: "Fernhollow", ...more },
  options: [],
});
const alike = (products: Product[], apart: string[] = []) =>
  findDuplicates(build({ ...gardenCatalogue(), fields, products }), new Set(apart));

describe("products that look the same to shoppers", () => {
  test("have title, picture and brand in common, and are shown with what differs", () => {
    const [group, ...others] = alike([product("b", "Spade", { price: 7 }), product("a", "Spade"), product("c", "Fork")]);
    expect(others).toEqual([]);
    expect(group).toMatchObject({ key: duplicateKey(["a", "b"]), title: "Spade" });
    expect(group.products).toEqual([
      { id: "b", picture: "/a.png" },
      { id: "a", picture: "/a.png" },
    ]);
    expect(group.differ).toEqual([{ key: "price", label: "Price", role: "price", values: ["7", "5"] }]);
  });
  test("are none where a shopper can tell them apart, or somebody said so", () => {
    expect(alike([product("a", "Spade"), product("b", "Spade", { picture: "/b.png" })])).toEqual([]);
    expect(alike([product("a", "Spade"), product("b", "Spade", { brand: "Lintel" })])).toEqual([]);
    expect(alike([product("a", "Spade"), product("b", "Spade")], [duplicateKey(["b", "a"])])).toEqual([]);
  });
  test("are found among several of one title, without titles never, and not by the dozen", () => {
    const several = [
      product("a", "Spade"),
      product("b", "Spade", { picture: "/b.png" }),
      product("c", "Spade"),
      product("d", "Spade", { picture: "/b.png" }),
    ];
    expect(alike(several).map(({ key }) => key)).toEqual([duplicateKey(["a", "c"]), duplicateKey(["b", "d"])]);
    expect(alike([product("a", ""), product("b", "")])).toEqual([]);
    expect(alike(Array.from({ length: 21 }, (_, i) => product(`s${i}`, "Spade")))).toEqual([]);
  });
  test("without pictures or titles of their own say what they have", () => {
    const bare = (id: string): Product => ({ id, values: { title: "Spade", sku: id }, options: [] });
    expect(alike([bare("a"), bare("b")])[0]).toMatchObject({
      products: [
        { id: "a", picture: null },
        { id: "b", picture: null },
      ],
      differ: [{ key: "sku", values: ["a", "b"] }],
    });
  });
});
