import { numberColumn } from "../index/numbers";
import { type Column, type Index, MISSING, type NumberColumn } from "../index/types";
import type { Narrowing } from "./narrow";

/**
 * Products whose price is said in words ("Ask us"): they have none, or 0. They are no cheap ones, so they stand beside the
 * range of prices under a name of their own.
 */

/** How a request names them. */
export const UNPRICED = "none";

type Numbers = NumberColumn & { perOption: boolean };

const memory = new WeakMap<Column, Numbers>();

/** A column of prices in which 0 is no price. */
export function withoutZeros(column: Numbers): Numbers {
  if (!column.distinct.includes(0)) return column;
  let made = memory.get(column);
  if (!made) {
    made = { ...numberColumn(column.numbers.map((price) => (price === 0 ? Number.NaN : price))), perOption: column.perOption };
    memory.set(column, made);
  }
  return made;
}

/** How many of some products lack a number. */
export function countMissing(index: Index, { ranks, perOption }: Numbers, others: Narrowing, among: Uint32Array): number {
  let count = 0;
  for (const product of among) {
    const end = perOption ? index.optionStarts[product + 1] : product + 1;
    for (let row = perOption ? index.optionStarts[product] : product; row < end; row++) {
      if (ranks[row] !== MISSING || (perOption && others.testsOptions && !others.optionMeets(row))) continue;
      count++;
      break;
    }
  }
  return count;
}
