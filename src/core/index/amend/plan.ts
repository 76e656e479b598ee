import type { Field, Product, Value } from "../../catalogue/types";
import { lookUp } from "../../records";
import { productAt, productNumbers } from "../read";
import type { Index } from "../types";

/**
 * A change to a catalogue: a product put in, in place of the one with its id or behind all others; or one taken out.
 * `before` is what the index has under the id, where the caller has read it already.
 */
export type Change = { put: Product; before?: Product } | { remove: string };

/** One product that is not what it was. */
export interface Changed {
  /** Number in the old index, -1 for a product that is new. */
  oldNumber: number;
  /** Number in the new index, -1 for a product that is gone. */
  newNumber: number;
  before: Product | null;
  after: Product | null;
}

/** What a row of changes comes to. */
export interface Plan {
  /** Products of the new index. */
  products: number;
  /** Old number of each new product, -1 for a new one. */
  origins: Int32Array;
  /** New number of each old product, -1 for one that is gone. */
  places: Int32Array;
  /** Whether products keep their numbers and options: nothing came, went or changed its options' ids. */
  keepsShape: boolean;
  /** Products that changed, by new number; those that are gone come last. */
  changed: Changed[];
  /** By field: whether a changed product has other values in it; all where products came, went or changed their options' ids. */
  touches: boolean[];
}

export function planChanges(index: Index, changes: readonly Change[]): Plan {
  const last = new Map<string, Product | null>();
  const appended = new Set<string>();
  const ids = [...new Set(changes.map((change) => ("put" in change ? change.put.id : change.remove)))];
  const found = productNumbers(index, ids);
  const numbers = new Map(ids.map((id, i) => [id, found[i]]));
  const numberOf = (id: string) => numbers.get(id) ?? -1;
  for (const change of changes) {
    if ("put" in change) {
      // A product that was taken out and put in again comes after all others.
      if ((last.get(change.put.id) === null || numberOf(change.put.id) < 0) && !appended.has(change.put.id)) appended.add(change.put.id);
      last.set(change.put.id, change.put);
    } else {
      last.set(change.remove, null);
      appended.delete(change.remove);
    }
  }
  const known = new Map(changes.flatMap((change) => ("put" in change && change.before ? [[change.put.id, change.before]] : [])));
  const after = new Map<number, Product | null>();
  for (const [id, product] of last) {
    const number = numberOf(id);
    if (number >= 0) after.set(number, appended.has(id) ? null : product);
  }
  const places = new Int32Array(index.products);
  let count = 0;
  for (let p = 0; p < index.products; p++) places[p] = after.get(p) === null ? -1 : count++;
  const additions = [...appended].flatMap((id) => last.get(id) ?? []);
  const origins = new Int32Array(count + additions.length).fill(-1);
  for (let p = 0; p < index.products; p++) if (places[p] >= 0) origins[places[p]] = p;

  const changed: Changed[] = [...after].map(([p, product]) => ({
    oldNumber: p,
    newNumber: places[p],
    before: (product && known.get(product.id)) ?? productAt(index, p),
    after: product,
  }));
  changed.push(...additions.map((product, i) => ({ oldNumber: -1, newNumber: count + i, before: null, after: product })));
  changed.sort(
    (a, b) => (a.newNumber < 0 ? Infinity : a.newNumber) - (b.newNumber < 0 ? Infinity : b.newNumber) || a.oldNumber - b.oldNumber,
  );
  const keepsShape = changed.every(keepsOptions);
  const touches = index.fields.map((field) => !keepsShape || changed.some((entry) => !saysTheSame(field, entry.before, entry.after)));
  return { products: origins.length, origins, places, keepsShape, changed, touches };
}

/** Whether two states of a product have the same values in a field, which is quicker to see than whether they have the same words. */
export function saysTheSame({ key, perOption }: Field, before: Product | null, after: Product | null): boolean {
  if (!before || !after || !isSame(lookUp(before.values, key), lookUp(after.values, key))) return false;
  if (!perOption) return true;
  const { length } = before.options;
  return (
    length === after.options.length &&
    before.options.every((option, i) => isSame(lookUp(option.values, key), lookUp(after.options[i].values, key)))
  );
}

function isSame(a: Value | undefined, b: Value | undefined): boolean {
  if (a === b) return true;
  if (!Array.isArray(a) || !Array.isArray(b) || a.length !== b.length) return false;
  return a.every((entry, i) => (Array.isArray(entry) ? isSame(entry, b[i] as string[]) : entry === b[i]));
}

function keepsOptions({ before, after }: Changed): boolean {
  if (!before || !after || before.options.length !== after.options.length) return false;
  return before.options.every((option, i) => option.id === after.options[i].id);
}
