import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import type { Catalogue } from "@core/catalogue/types";
import { finish } from "@core/steps";
import SQLite from "better-sqlite3";
import { openCatalogue, readCatalogue, readProductTexts, writeCatalogue } from "./catalogue-file";

const product = (i: number, price = i) => ({ id: `P${i}`, values: { price }, options: [] });
const catalogue: Catalogue = {
  locale: "en",
  fields: [],
  products: Array.from({ length: 900 }, (_, i) => product(i)),
  pages: [{ id: "g", title: "Guide", text: "", link: "", picture: null }],
};

describe("a catalogue in its file", () => {
  const folder = mkdtempSync(join(tmpdir(), "shelf-catalogue-"));
  const path = join(folder, "catalogue-1.db");
  beforeEach(() => writeCatalogue(path, catalogue, 1));
  afterAll(() => rmSync(folder, { recursive: true }));

  /** Changes rows as damage would. */
  function damage(...statements: string[]): void {
    const db = new SQLite(path);
    for (const statement of statements) db.exec(statement);
    db.close();
  }

  it("is what was written", () => {
    expect(readCatalogue(path)).toEqual(catalogue);
    const file = openCatalogue(path);
    expect([file.number(), finish(file.damagedRows())]).toEqual([1, { products: [], pages: [] }]);
    expect(() => file.check()).not.toThrow();
    file.close();
  });

  it("names the rows that are not what was written, and reads the others", () => {
    damage("UPDATE products SET product = replace(product, '7', '8') WHERE id IN ('P7', 'P700')", "UPDATE pages SET page = '{'");
    const file = openCatalogue(path);
    expect(finish(file.damagedRows())).toEqual({ products: ["P7", "P700"], pages: ["g"] });
    const { catalogue: read, damaged } = file.read();
    expect([read.products.length, damaged]).toEqual([898, ["P7", "P700", "g"]]);
    file.close();
    expect([...readProductTexts(path)]).toHaveLength(898);
    expect(() => readCatalogue(path)).toThrow("3 rows of");
  });

  it("takes changes while its rows are looked at", () => {
    const file = openCatalogue(path);
    const looking = file.damagedRows();
    let steps = 0;
    for (let step = looking.next(); !step.done; step = looking.next()) file.putProducts([product(steps, ++steps + 5_000)], ["P899"]);
    expect(steps).toBeGreaterThan(4);
    expect(finish(file.damagedRows())).toEqual({ products: [], pages: [] });
    file.close();
    expect(readCatalogue(path).products[0]).toEqual(product(0, 5_001));
  });

  it("of a former version has no checksums, is believed, and gets them as it changes", () => {
    damage(...["products", "pages", "facts"].map((table) => `ALTER TABLE ${table} DROP COLUMN sum`));
    const file = openCatalogue(path);
    file.putProducts([product(1, 9)], []);
    expect(file.read().catalogue.products[1]).toEqual(product(1, 9));
    file.close();
    damage("UPDATE products SET product = replace(product, '9', '8') WHERE id = 'P1'", "UPDATE products SET product = '{' WHERE id = 'P2'");
    const again = openCatalogue(path);
    expect(again.read().damaged).toEqual(["P1", "P2"]);
    again.close();
  });

  it("that says nonsense of itself is damaged", () => {
    damage("UPDATE facts SET value = '[' WHERE name = 'fields'");
    const file = openCatalogue(path);
    expect(() => file.read()).toThrow("What the catalogue says of itself is damaged (fields).");
    file.close();
  });
});
