import { parse } from "csv-parse/sync";
import { assembleRows } from "../src/core/feed/assemble";
import type { Row } from "../src/core/feed/flatten";
import { proposeMapping } from "../src/core/feed/mapping";
import { makeCatalogue } from "./catalogue";
import { makeGermanFeed } from "./german/catalogue";

describe("the demo shop", () => {
  const { products, pictures, pages } = makeCatalogue();

  test("is as large as promised, and no two titles are alike but those of the duplicates", () => {
    expect(products.length).toBeGreaterThanOrEqual(2400);
    const duplicates = products.filter((product) => product.id.endsWith("-X"));
    expect(duplicates).toHaveLength(4);
    expect(new Set(products.map((product) => product.title)).size).toBe(products.length - duplicates.length);
    expect(new Set(products.map((product) => product.category.join(" › "))).size).toBeGreaterThanOrEqual(40);
    expect(pages).toHaveLength(40);
  });

  test("is the same each time", () => {
    expect(JSON.stringify(makeCatalogue().products.slice(0, 200))).toBe(JSON.stringify(products.slice(0, 200)));
  });

  test("has several sentences to each product, cleanly put together", () => {
    for (const { description, title } of products) {
      expect(description.split(/[.!?](?:\s|$)/).length).toBeGreaterThan(
        3 - (title.includes("guide") ? 1 : 0) - (description.includes("bound in cloth") ? 1 : 0),
      );
      expect(description).not.toMatch(/undefined|NaN| {2}|\.\.|\s[.,;]|\ba [aeiou]\w*(?<!one|use|uni\w*)\s/i);
      expect(description).toMatch(/^[A-Z].*\.$/s);
    }
  });

  test("draws every product", () => {
    const drawing = (product: { picture: string }) => pictures.get(product.picture.split("/").at(-1) ?? "") ?? "";
    for (const product of products) expect(drawing(product)).toMatch(/^<svg[^>]*>.*<\/svg>$/s);
    const broken = products.filter((product) => /NaN|undefined/.test(drawing(product)));
    expect(broken.map((product) => product.title)).toEqual([]);
  });

  test("is imported without a problem, with at least 25 attributes", () => {
    const rows = products.map((product) => JSON.parse(JSON.stringify(product)) as Row);
    const { fields, problems } = assembleRows(rows, proposeMapping(rows));
    expect(problems.first).toEqual([]);
    expect(fields.length).toBeGreaterThanOrEqual(25);
    expect(fields.find((field) => field.key === "margin")?.shown).toBe(false);
  });

  test("has the troubles it says it has", () => {
    const titles = products.map((product) => product.title).join("\n");
    expect(titles).toMatch(/Eggplant/);
    expect(titles).toMatch(/Aubergine/);
    expect(titles).toMatch(/Fuschia/);
    const eggplants = products.filter((product) => /eggplant/i.test(product.title));
    expect(eggplants.some((product) => /aubergine/i.test(product.description))).toBe(false);
    const best = [...products].sort((a, b) => b.sold - a.sold).slice(0, 100);
    expect(best.some((product) => product.stock === 0)).toBe(true);
  });
});

test("the German shop's feed is read without a problem: options, decimal commas, dates with points, what shoppers never see", () => {
  const rows: Row[] = parse(makeGermanFeed().table, { columns: true, delimiter: ";" });
  const { fields, products, problems } = assembleRows(rows, proposeMapping(rows, "de-DE"), 2);
  expect(problems.first).toEqual([]);
  expect(products.length).toBeGreaterThanOrEqual(200);
  expect(products.filter((product) => product.options.length > 1).length).toBeGreaterThan(60);
  expect(products.every((product) => typeof product.values.preis === "number" && product.values.preis < 500)).toBe(true);
  expect(products[0].values["angelegt-am"]).toMatch(/^\d{4}-\d{2}-\d{2}$/);
  expect(fields.find((field) => field.key === "einkaufspreis")?.shown).toBe(false);
});
