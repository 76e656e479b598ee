import { productNumber } from "../../index/read";
import type { Index, KeyColumn } from "../../index/types";

/** A part of the range: a value of a field, with the clicks on products that have it and the number of those products. */
export interface ClickedPart {
  ordinal: number;
  clicks: number;
  products: number;
}

/** The values that clicked products have, in no order. @param clicks by product id; ids that are gone are passed over. */
export function clickedParts(index: Index, column: KeyColumn, clicks: ReadonlyMap<string, number>): ClickedPart[] {
  const sums = new Map<number, number>();
  for (const [id, times] of clicks) {
    const product = productNumber(index, id);
    if (product < 0) continue;
    for (let i = column.starts[product]; i < column.starts[product + 1]; i++)
      sums.set(column.ordinals[i], (sums.get(column.ordinals[i]) ?? 0) + times);
  }
  const sizes = new Map<number, number>();
  for (const ordinal of column.ordinals) if (sums.has(ordinal)) sizes.set(ordinal, (sizes.get(ordinal) ?? 0) + 1);
  return [...sums].map(([ordinal, times]) => ({ ordinal, clicks: times, products: sizes.get(ordinal) ?? 0 }));
}
