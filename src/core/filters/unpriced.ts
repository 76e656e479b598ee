import { numberColumn } from "../index/numbers";
import type { Column, NumberColumn } from "../index/types";

/**
 * Products whose price is said in words ("Ask us"): they have none, or 0. They are no cheap ones, so they are beside the
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
