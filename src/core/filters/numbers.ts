import type { NumberColumn } from "../index/types";

/** The numbers of a column in order, and the place of each row's number among them. */
export interface RankedNumbers {
  /** Distinct numbers, ascending. */
  distinct: Float64Array;
  /** By row; `MISSING` where the row has no number. */
  ranks: Uint32Array;
}

export const MISSING = 0xffffffff;

const memory = new WeakMap<NumberColumn, RankedNumbers>();

/** Ranks a column once, so that counting it never sorts. */
export function rankNumbers(column: NumberColumn): RankedNumbers {
  let ranked = memory.get(column);
  if (!ranked) {
    const distinct = Float64Array.from(new Set(column.numbers.filter((number) => !Number.isNaN(number)))).sort();
    const ranks = Uint32Array.from(column.numbers, (number) => (Number.isNaN(number) ? MISSING : placeOf(distinct, number)));
    ranked = { distinct, ranks };
    memory.set(column, ranked);
  }
  return ranked;
}

/** The first place whose number is at least the limit. */
export function placeOf(sorted: Float64Array, limit: number): number {
  let low = 0;
  let high = sorted.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (sorted[middle] < limit) low = middle + 1;
    else high = middle;
  }
  return low;
}
