import type { Field, Page, Product } from "@core/catalogue/types";
import { pagesOf } from "@core/index/read";
import type { Index } from "@core/index/types";
import { finish } from "@core/steps";
import type { CatalogueFile } from "../db/catalogue-file";
import { type ProductChange, withPages, withProductsInSteps, writeProducts } from "./change-catalogue";

/** What a shop decides of a field by hand. */
export type NamedField = Pick<Field, "label" | "shown">;

/** What is changed of a catalogue while an import is under way, which the catalogue that it brings does not know. */
export class Journal {
  /** By id; null for those taken out. */
  private readonly products = new Map<string, Product | null>();
  /** By key. */
  readonly fields = new Map<string, NamedField>();

  /** @param pages those of the catalogue when the import began. */
  constructor(private readonly pages: Index["pages"]) {}

  note(products: readonly Product[], removed: readonly string[]): void {
    for (const product of products) this.products.set(product.id, product);
    for (const id of removed) this.products.set(id, null);
  }

  noteFields(before: readonly Field[], after: readonly Field[]): void {
    for (const field of after) if (!before.includes(field)) this.fields.set(field.key, { label: field.label, shown: field.shown });
  }

  /**
   * Lays the changes over the catalogue that an import wrote, in its file and its index, before it is taken into use: whoever is
   * stopped in between has the former catalogue with all its changes, or the new one with all of them.
   * @param now the index in use. @returns the index given where nothing was changed.
   */
  layOver(file: CatalogueFile, index: Index, now: Index): Index {
    const known = new Set(index.fields.map((field) => field.key));
    const fitting = (values: Product["values"]) => Object.fromEntries(Object.entries(values).filter(([key]) => known.has(key)));
    const changed = [...this.products.values()].filter((product) => product !== null);
    const put = changed.map((product) => ({
      ...product,
      values: fitting(product.values),
      options: product.options.map(({ id, values }) => ({ id, values: fitting(values) })),
    }));
    const removed = [...this.products].flatMap(([id, product]) => (product ? [] : [id]));
    let laid = this.withFields(file, index);
    if (put.length + removed.length > 0) laid = withChange(file, laid, { put, remove: removed });
    if (now.pages !== this.pages) laid = withPagesOf(file, laid, pagesOf(now));
    return laid;
  }

  private withFields(file: CatalogueFile, index: Index): Index {
    const fields = index.fields.map((field) => ({ ...field, ...this.fields.get(field.key) }));
    if (!index.fields.some(({ key }) => this.fields.has(key))) return index;
    file.setFields(fields);
    return { ...index, fields };
  }
}

function withChange(file: CatalogueFile, index: Index, change: ProductChange): Index {
  const after = finish(withProductsInSteps(index, change));
  writeProducts(file, index, after, change);
  return after;
}

/** The pages of a catalogue replaced by others. */
function withPagesOf(file: CatalogueFile, index: Index, pages: readonly Page[]): Index {
  const kept = new Set(pages.map((page) => page.id));
  const gone = pagesOf(index).flatMap((page) => (kept.has(page.id) ? [] : [page.id]));
  return withPages(file, index, pages, gone);
}
