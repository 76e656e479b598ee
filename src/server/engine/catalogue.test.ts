import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import type { Catalogue, Product } from "@core/catalogue/types";
import { build } from "@core/index/build";
import { pagesOf, productsOf } from "@core/index/read";
import { openCatalogue, readCatalogue, writeCatalogue } from "../db/catalogue-file";
import { StoreCatalogue } from "./catalogue";

const product = (id: string, price: number): Product => ({ id, values: { title: `Rose ${id}`, price }, options: [] });
const page = (id: string) => ({ id, title: id, text: "On roses", link: "", picture: null });
const catalogueAt = (price: number): Catalogue => ({
  locale: "en",
  fields: [
    { key: "title", label: "Title", type: "text", role: "title", unit: null, perOption: false, shown: true },
    { key: "price", label: "Price", type: "number", role: "price", unit: null, perOption: false, shown: true },
  ],
  products: ["a", "b", "c"].map((id) => product(id, price)),
  pages: [page("care")],
});

describe("a catalogue that is changed while another one comes", () => {
  let folder: string;
  let catalogue: StoreCatalogue;
  let told = 0;
  beforeEach(async () => {
    folder = mkdtempSync(join(tmpdir(), "shelf-changes-"));
    catalogue = new StoreCatalogue(() => told++);
    await bring(1, catalogueAt(1));
    told = 0;
  });
  afterEach(() => {
    catalogue.close();
    rmSync(folder, { recursive: true, force: true });
  });

  const fileOf = (number: number) => join(folder, `catalogue-${number}.db`);
  /** Takes another catalogue into use as an import does. */
  function bring(number: number, next: Catalogue): Promise<void> {
    writeCatalogue(fileOf(number), next, number);
    return catalogue.inTurn(async () => {
      const file = openCatalogue(fileOf(number));
      catalogue.open(file, await catalogue.withJournal(file, build(next)));
    });
  }
  const prices = (products: Iterable<Product>) => Object.fromEntries([...products].map(({ id, values }) => [id, values.price]));

  it("keeps what was changed meanwhile, in memory and in the new one's file", async () => {
    catalogue.beginJournal();
    await catalogue.changeProducts(() => ({ put: [product("a", 7), product("d", 8)], remove: ["b"] }));
    await catalogue.changeFields((fields) => fields.map((field) => (field.key === "price" ? { ...field, label: "Costs" } : field)));
    await catalogue.changePages([page("soil")], ["care"]);
    await bring(2, catalogueAt(2));
    const written = readCatalogue(fileOf(2));
    for (const products of [productsOf(catalogue.index), written.products]) expect(prices(products)).toEqual({ a: 7, c: 2, d: 8 });
    for (const fields of [catalogue.index.fields, written.fields]) expect(fields[1].label).toBe("Costs");
    for (const pages of [pagesOf(catalogue.index), written.pages]) expect(pages.map(({ id }) => id)).toEqual(["soil"]);
  });

  it("makes one change after the other, each of what the one before left", async () => {
    catalogue.beginJournal();
    const dearer = () =>
      catalogue.changeProducts((index) => ({
        put: [...productsOf(index)].map(({ id, values }) => product(id, Number(values.price) + 10)),
      }));
    await Promise.all([dearer(), bring(2, catalogueAt(2)), dearer()]);
    expect(prices(productsOf(catalogue.index))).toEqual({ a: 21, b: 21, c: 21 });
    // One that is refused holds up none of the others.
    const refused = catalogue.changeProducts(() => {
      throw new Error("No.");
    });
    await Promise.all([expect(refused).rejects.toThrow("No."), dearer()]);
    expect(prices(productsOf(catalogue.index))).toEqual({ a: 31, b: 31, c: 31 });
    expect(told).toBe(4);
  });
});
