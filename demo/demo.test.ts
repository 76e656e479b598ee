import { Assembler } from "../src/core/feed/assemble";
import type { Row } from "../src/core/feed/flatten";
import { proposeMapping } from "../src/core/feed/mapping";
import { makeCatalogue } from "./catalogue";

describe("the demo shop", () => {
  const { products, pictures, pages } = makeCatalogue();

  test("is as large as promised, and no two titles are alike", () => {
    expect(products.length).toBeGreaterThanOrEqual(2400);
    expect(new Set(products.map((product) => product.title)).size).toBe(products.length);
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
    for (const product of products) expect(pictures.get(`${product.id}.svg`)).toMatch(/^<svg[^>]*>.*<\/svg>$/s);
    const broken = products.filter((product) => /NaN|undefined/.test(pictures.get(`${product.id}.svg`) ?? ""));
    expect(broken.map((product) => product.title)).toEqual([]);
  });

  test("is imported without a problem, with at least 25 attributes", () => {
    const rows = products.map((product) => JSON.parse(JSON.stringify(product)) as Row);
    const assembler = new Assembler(proposeMapping(rows));
    rows.forEach((row, i) => {
      assembler.add(row, i + 1);
    });
    const { fields, problems } = assembler.finish();
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
