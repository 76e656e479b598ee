import { textsOf } from "@core/catalogue/text-of";
import type { Field, Product } from "@core/catalogue/types";
import { lookUp } from "@core/records";
import { readProductTexts } from "../db/catalogue-file";
import type { ChangeSample, ImportReport } from "./messages";

const MOST_SAMPLES = 5;

interface Compared {
  fields: Field[];
  products: Product[];
  /** Products of the catalogue in use. */
  before: number;
  counts: Pick<ImportReport, "added" | "changed" | "removed">;
  samples: ImportReport["changes"];
}

/** Lays incoming products beside the catalogue in use: what is added, changed, removed, and what the next catalogue holds. */
export function compareWithCurrent(
  current: string | null,
  currentFields: readonly Field[],
  fields: readonly Field[],
  incoming: Product[],
  mode: "replace" | "merge",
): Compared {
  const waiting = new Map(incoming.map((product) => [product.id, product]));
  // What was a product and now is an option of one is neither kept beside it nor lost.
  const options = new Set(incoming.flatMap((product) => product.options.map((option) => option.id)));
  const isMerge = mode === "merge" && current !== null;
  const all = isMerge ? joinFields(fields, currentFields) : [...fields];
  const products: Product[] = [];
  const samples: Compared["samples"] = { added: [], changed: [], removed: [] };
  let changed = 0;
  let removed = 0;
  let before = 0;
  for (const { id, product: text } of current ? readProductTexts(current) : []) {
    before++;
    const product = waiting.get(id);
    waiting.delete(id);
    if (!product) {
      if (options.has(id)) changed++;
      else if (isMerge) products.push(JSON.parse(text));
      else {
        removed++;
        if (samples.removed.length < MOST_SAMPLES) samples.removed.push(sampleOf(JSON.parse(text), currentFields));
      }
      continue;
    }
    if (isMerge) products.push(product);
    if (JSON.stringify(product) === text || isSame(product, JSON.parse(text))) continue;
    changed++;
    if (samples.changed.length < MOST_SAMPLES)
      samples.changed.push({ ...sampleOf(product, all), fields: differences(JSON.parse(text), product, all) });
  }
  for (const product of waiting.values()) {
    if (isMerge) products.push(product);
    if (samples.added.length < MOST_SAMPLES) samples.added.push(sampleOf(product, all));
  }
  return { fields: all, products: isMerge ? products : incoming, before, counts: { added: waiting.size, changed, removed }, samples };
}

/** Whether two products hold the same; the order in which a feed names its columns says nothing. */
function isSame(a: Product, b: Product): boolean {
  const plain = ({ values, options }: Product) => [sorted(values), options.map((option) => [option.id, sorted(option.values)])];
  return JSON.stringify(plain(a)) === JSON.stringify(plain(b));
}

function sorted(values: Product["values"]): [string, unknown][] {
  return Object.entries(values).sort(([a], [b]) => (a < b ? -1 : 1));
}

/** The fields of both; what options have for themselves in one, they have in all. */
function joinFields(fields: readonly Field[], others: readonly Field[]): Field[] {
  const known = new Map(others.map((field) => [field.key, field]));
  const joined = fields.map((field) => ({ ...field, perOption: field.perOption || (known.get(field.key)?.perOption ?? false) }));
  const taken = new Set(fields.map((field) => field.key));
  return [...joined, ...others.filter((field) => !taken.has(field.key))];
}

function sampleOf(product: Product, fields: readonly Field[]): ChangeSample {
  const title = fields.find((field) => field.role === "title")?.key;
  return { id: product.id, title: String((title && lookUp(product.values, title)) ?? product.id), fields: [] };
}

function differences(before: Product, after: Product, fields: readonly Field[]): ChangeSample["fields"] {
  const changed = fields.flatMap((field) => {
    const [old, now] = [before, after].map((product) => textsOf(field, lookUp(product.values, field.key)).join(", ").slice(0, 120));
    return old === now ? [] : [{ label: field.label, role: field.role, before: old, after: now }];
  });
  if (changed.length === 0)
    changed.push({ label: "Options", role: "attribute", before: String(before.options.length), after: String(after.options.length) });
  return changed;
}
