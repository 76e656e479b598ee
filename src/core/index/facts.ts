import { textsOf } from "../catalogue/text-of";
import type { Field } from "../catalogue/types";
import { lookUp } from "../records";
import { productAt } from "./read";
import { rowsByKey } from "./rows";
import { countStrings, stringsOf } from "./strings";
import type { Index } from "./types";

/** What a field holds. */
export interface FieldFacts extends Field {
  /** Share of products that fill it, 0 to 1. */
  coverage: number;
  /** Distinct values. */
  distinct: number;
  /** Words on average, over the products that fill it. */
  averageLength: number;
  samples: string[];
}

const MOST_SAMPLES = 5;
const memory = new WeakMap<Index, FieldFacts[]>();

/** Facts of every field, counted once for each index. */
export function fieldFacts(index: Index): FieldFacts[] {
  let facts = memory.get(index);
  if (!facts) {
    facts = index.fields.map((field, f) => ({
      ...field,
      ...count(index, f),
      averageLength: index.averageLengths[f],
      samples: samplesOf(index, field),
    }));
    memory.set(index, facts);
  }
  return facts;
}

/**
 * The values of a field, the most frequent first.
 * @param wanted part of the value, in any case; empty for all.
 * @returns products for each value; where options differ, a product counts for each value that one of its options has.
 */
export function fieldValues(index: Index, f: number, wanted: string): { value: string; products: number }[] {
  const column = index.columns[f];
  if (column?.kind !== "keys") return [];
  const { starts, rows } = rowsByKey(column);
  const part = wanted.trim().toLowerCase();
  return stringsOf(column.keys)
    .flatMap((value, ordinal) => {
      if (part && !value.toLowerCase().includes(part)) return [];
      const own = rows.subarray(starts[ordinal], starts[ordinal + 1]);
      const products = column.perOption ? new Set(Array.from(own, (row) => index.optionProducts[row])).size : own.length;
      return [{ value, products }];
    })
    .sort((a, b) => b.products - a.products || (a.value < b.value ? -1 : 1));
}

function count(index: Index, f: number): { coverage: number; distinct: number } {
  const column = index.columns[f];
  const filled = new Uint8Array(index.products);
  const rows = column.perOption ? index.options : index.products;
  for (let row = 0; row < rows; row++) {
    const isFilled = column.kind === "numbers" ? !Number.isNaN(column.numbers[row]) : column.starts[row + 1] > column.starts[row];
    if (isFilled) filled[column.perOption ? index.optionProducts[row] : row] = 1;
  }
  if (index.fields[f].role === "description")
    for (let p = 0; p < index.products; p++) if (index.lengths[f * index.products + p] > 0) filled[p] = 1;
  const distinct = column.kind === "numbers" ? column.distinct.length : countStrings(column.keys);
  return { coverage: index.products === 0 ? 0 : filled.reduce((sum, one) => sum + one, 0) / index.products, distinct };
}

function samplesOf(index: Index, field: Field): string[] {
  const samples = new Set<string>();
  const step = Math.max(1, Math.floor(index.products / 200));
  for (let product = 0; product < index.products && samples.size < MOST_SAMPLES; product += step) {
    const { values, options } = productAt(index, product);
    const value = lookUp(values, field.key) ?? lookUp(options[0]?.values, field.key);
    for (const text of textsOf(field, value).slice(0, 1)) samples.add(text.length > 120 ? `${text.slice(0, 120)}…` : text);
  }
  return [...samples];
}
