import type { Page, Product } from "@core/catalogue/types";
import { fieldsPerOption } from "@core/feed/assemble";
import { amendInSteps, type Change } from "@core/index/amend/amend";
import { withPerOption } from "@core/index/amend/per-option";
import { buildPagesInSteps } from "@core/index/build";
import { pagesOf } from "@core/index/read";
import type { Index } from "@core/index/types";
import type { CatalogueFile } from "../db/catalogue-file";

/** Products to put into a catalogue, in place of those with their ids, and ids of those to take out. */
export interface ProductChange {
  put: readonly Product[];
  remove?: readonly string[];
}

/** What is changed of a catalogue: products, pages or both. */
export interface CatalogueChange {
  products?: ProductChange;
  pages?: { put: readonly Page[]; remove: readonly string[] };
}

/** Works out an index after a change, wherever that is done. */
export type ChangeIndex = (index: Index, change: CatalogueChange) => Promise<Index>;

/** An index like the one given after a change, in steps. */
export function* changedInSteps(before: Index, { products, pages }: CatalogueChange): Generator<void, Index> {
  const changed = products ? yield* withProductsInSteps(before, products) : before;
  if (!pages) return changed;
  return { ...changed, pages: yield* buildPagesInSteps(before.locale, pagesWith(changed, pages.put, pages.remove)) };
}

function* withProductsInSteps(before: Index, { put, remove = [] }: ProductChange): Generator<void, Index> {
  const changes: Change[] = [...remove.map((id) => ({ remove: id })), ...put.map((product) => ({ put: product }))];
  const fresh = new Set([...fieldsPerOption(put)].filter((key) => before.fields.some((field) => field.key === key && !field.perOption)));
  return yield* amendInSteps(fresh.size > 0 ? withPerOption(before, fresh) : before, changes);
}

/** Writes changed products to a catalogue's file, and its fields where they changed with them. */
export function writeProducts(file: CatalogueFile, before: Index, after: Index, { put, remove = [] }: ProductChange): void {
  if (after.fields !== before.fields) file.setFields(after.fields);
  file.putProducts(put, remove);
}

/** The pages of a catalogue after others are put in, in place of those with their ids, and some are taken out. */
function pagesWith(before: Index, pages: readonly Page[], removed: readonly string[]): Page[] {
  const incoming = new Map(pages.map((page) => [page.id, page]));
  const gone = new Set(removed);
  const kept = pagesOf(before).flatMap((page) => (gone.has(page.id) ? [] : [incoming.get(page.id) ?? page]));
  const known = new Set(kept.map((page) => page.id));
  return [...kept, ...pages.filter((page) => !known.has(page.id))];
}
