import { configFrom } from "./config";
import { addressFor, pieceFrom } from "./piece";

const element = (attributes: Record<string, string>) => ({ getAttribute: (name: string) => attributes[name] ?? null });

describe("what a page says of its pieces", () => {
  test("the script says where the shop is, and which", () => {
    expect(configFrom(element({ "data-key": "pk_1", "data-product": "/p/{id}" }), "https://shelf.example")).toEqual({
      server: "https://shelf.example",
      key: "pk_1",
      language: null,
      product: "/p/{id}",
      category: null,
      guide: null,
    });
    expect(configFrom(null, "https://shelf.example").key).toBe("");
  });
  test("an element says for which part of the range, and where its results stand", () => {
    expect(pieceFrom(element({ category: "Books/Garden%20books", within: " s1 ", group: "b", results: "layer" }))).toEqual({
      group: "b",
      category: ["Books", "Garden books"],
      within: "s1",
      results: { kind: "layer" },
      product: null,
    });
    expect(pieceFrom(element({ results: "/search.html" })).results).toEqual({ kind: "page", address: "/search.html" });
    expect(pieceFrom(element({}))).toMatchObject({ group: "", category: null, results: { kind: "here" } });
  });
  test("addresses are those of the shop, or none", () => {
    expect(addressFor("/products/{id}.html", "P-1")).toBe("/products/P-1.html");
    expect(addressFor(null, "P-1")).toBeUndefined();
  });
});
