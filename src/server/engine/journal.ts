import type { Field, Page, Product } from "@core/catalogue/types";
import type { Index } from "@core/index/types";
import type { CatalogueFile } from "../db/catalogue-file";
import { type ChangeIndex, writeProducts } from "./change-catalogue";

/** What a shop decides of a field by hand. */
export type NamedField = Pick<Field, "label" | "shown">;

/** A catalogue with changes laid over it: its index, and what its file needs for that. */
interface Laid {
  index: Index;
  write: (file: CatalogueFile) => void;
}

/** What is changed of a catalogue while an import is under way, which the catalogue that it brings does not know. */
export class Journal {
  /** By id; null for those taken out. */
  private readonly products = new Map<string, Product | null>();
  private readonly pages = new Map<string, Page | null>();
  /** By key. */
  readonly fields = new Map<string, NamedField>();

  get isFilled(): boolean {
    return this.products.size + this.pages.size + this.fields.size > 0;
  }

  note(products: readonly Product[], removed: readonly string[]): void {
    for (const product of products) this.products.set(product.id, product);
    for (const id of removed) this.products.set(id, null);
  }

  notePages(pages: readonly Page[], removed: readonly string[]): void {
    for (const id of removed) this.pages.set(id, null);
    for (const page of pages) this.pages.set(page.id, page);
  }

  noteFields(before: readonly Field[], after: readonly Field[]): void {
    for (const field of after) if (!before.includes(field)) this.fields.set(field.key, { label: field.label, shown: field.shown });
  }

  /**
   * Lays the changes over the catalogue that an import wrote, before it is taken into use: whoever is stopped in between has the former
   * catalogue with all its changes, or the new one with all of them.
   */
  async layOver(index: Index, changed: ChangeIndex): Promise<Laid> {
    const fields = index.fields.map((field) => ({ ...field, ...this.fields.get(field.key) }));
    const isRenamed = index.fields.some(({ key }) => this.fields.has(key));
    const named: Index = isRenamed ? { ...index, fields } : index;
    const products = { put: this.fittingProducts(named), remove: removedOf(this.products) };
    const hasProducts = products.put.length + products.remove.length > 0;
    const pages = { put: keptOf(this.pages), remove: removedOf(this.pages) };
    const hasPages = pages.put.length + pages.remove.length > 0;
    const change = { ...(hasProducts ? { products } : {}), ...(hasPages ? { pages } : {}) };
    const laid = hasProducts || hasPages ? await changed(named, change) : named;
    return {
      index: laid,
      write: (file) => {
        if (isRenamed) file.setFields(fields);
        if (hasProducts) writeProducts(file, named, laid, products);
        if (hasPages) file.putPages(pages.put, pages.remove);
      },
    };
  }

  /** The products put in, with the values of fields that a catalogue has. */
  private fittingProducts({ fields }: Index): Product[] {
    const known = new Set(fields.map((field) => field.key));
    const fitting = (values: Product["values"]) => Object.fromEntries(Object.entries(values).filter(([key]) => known.has(key)));
    return keptOf(this.products).map((product) => ({
      ...product,
      values: fitting(product.values),
      options: product.options.map(({ id, values }) => ({ id, values: fitting(values) })),
    }));
  }
}

const keptOf = <T>(changes: ReadonlyMap<string, T | null>): T[] => [...changes.values()].filter((entry) => entry !== null);
const removedOf = (changes: ReadonlyMap<string, unknown>): string[] => [...changes].flatMap(([id, entry]) => (entry === null ? [id] : []));
