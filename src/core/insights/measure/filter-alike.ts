import type { PreparedFilter } from "../../filters/prepare";
import type { Index } from "../../index/types";

/** Products that are looked at to tell whether two filters split alike. */
const SAMPLE = 4000;
/** From this share on, to know a product's value in one filter is to know it in the other. */
const ALIKE = 0.97;

/** Pairs of filters that split the products in the same way, by their places in the list. */
export function alikeFilters(index: Index, filters: readonly PreparedFilter[]): [number, number][] {
  const step = Math.max(1, Math.floor(index.products / SAMPLE));
  const labels = filters.map((filter) => partsOf(index, filter, step));
  const alike: [number, number][] = [];
  for (let a = 0; a < labels.length; a++) for (let b = a + 1; b < labels.length; b++) if (isAlike(labels[a], labels[b])) alike.push([a, b]);
  return alike;
}

/** The part in which each product of the sample is, as a text; empty where it has no value. */
function partsOf({ products, optionStarts }: Index, { column, slots }: PreparedFilter, step: number): string[] {
  const parts: string[] = [];
  for (let product = 0; product < products; product += step) {
    const row = column.perOption ? optionStarts[product] : product;
    if (column.kind === "numbers") parts.push(Number.isNaN(column.numbers[row]) ? "" : String(column.numbers[row]));
    else {
      const own = [...column.ordinals.subarray(column.starts[row], column.starts[row + 1])];
      parts.push((slots ? [...new Set(own.map((ordinal) => slots.slots[slots.starts[ordinal]]))] : own).join());
    }
  }
  return parts;
}

/** Normalised mutual information of the two partitions, over the greater entropy. */
function isAlike(a: readonly string[], b: readonly string[]): boolean {
  const ofA = entropy(a);
  const ofB = entropy(b);
  const most = Math.max(ofA, ofB);
  if (most < 0.2) return false;
  const joint = entropy(a.map((part, i) => `${part}\n${b[i]}`));
  return (ofA + ofB - joint) / most >= ALIKE;
}

function entropy(parts: readonly string[]): number {
  const counts = new Map<string, number>();
  for (const part of parts) counts.set(part, (counts.get(part) ?? 0) + 1);
  let bits = 0;
  for (const count of counts.values()) bits -= (count / parts.length) * Math.log2(count / parts.length);
  return bits;
}
