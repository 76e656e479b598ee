import type { Field, Page, Product } from "@core/catalogue/types";
import { fieldsPerOption } from "@core/feed/assemble";
import { amend, type Change } from "@core/index/amend/amend";
import { build, buildPages } from "@core/index/build";
import { pagesOf, productsOf } from "@core/index/read";
import type { Index } from "@core/index/types";
import type { CatalogueFile } from "../db/catalogue-file";

/**
 * Puts products into a catalogue, in place of those with their ids, and takes others out: in its file, and in an index like the one
 * given.
 */
export function withProducts(file: CatalogueFile, before: Index, products: readonly Product[], removed: readonly string[]): Index {
  const changes: Change[] = [...removed.map((id) => ({ remove: id })), ...products.map((product) => ({ put: product }))];
  const fields = fieldsWith(before, products);
  const amended = amend(before, changes);
  // A field that options now have each for themselves has rows of another kind, so all is built anew.
  const index = fields ? build({ locale: before.locale, fields, products: [...productsOf(amended)], pages: pagesOf(amended) }) : amended;
  if (fields) file.setFields(fields);
  file.putProducts(products, removed);
  return index;
}

/** The fields where a product brings values of its options to a field that had none so far; null where nothing changes. */
function fieldsWith(index: Index, products: readonly Product[]): Field[] | null {
  const perOption = fieldsPerOption(products);
  const isNew = (field: Field) => !field.perOption && perOption.has(field.key);
  return index.fields.some(isNew) ? index.fields.map((field) => (isNew(field) ? { ...field, perOption: true } : field)) : null;
}

/** Puts pages into a catalogue, in place of those with their ids, and takes others out: in its file and in an index like the one given. */
export function withPages(file: CatalogueFile, before: Index, pages: readonly Page[], removed: readonly string[]): Index {
  const incoming = new Map(pages.map((page) => [page.id, page]));
  const gone = new Set(removed);
  const kept = pagesOf(before).flatMap((page) => (gone.has(page.id) ? [] : [incoming.get(page.id) ?? page]));
  const known = new Set(kept.map((page) => page.id));
  const all = [...kept, ...pages.filter((page) => !known.has(page.id))];
  file.putPages(pages, removed);
  return { ...before, pages: buildPages(before.locale, all) };
}
