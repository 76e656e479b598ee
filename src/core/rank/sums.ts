import type { Buffers } from "../index/buffers";
import type { Cell } from "./cells";

/** Sums over whole base sets, each in a loop of its own. */

/** Adds a cell's shares to their sum. @param clears whether they are zero afterwards, for the next cell in the same array. */
export function takeIn(total: Float64Array, { x, slots }: Cell, clears: boolean): void {
  if (slots) {
    for (const slot of slots) {
      total[slot] += x[slot];
      if (clears) x[slot] = 0;
    }
    return;
  }
  for (let slot = 0; slot < x.length; slot++) total[slot] += x[slot];
  if (clears) x.fill(0);
}

/** The sum of the shares of some cells, by slot. */
export function addUp(cells: readonly Cell[], size: number, buffers: Buffers): Float64Array {
  // One field's share is its sum.
  if (cells.length === 1) return cells[0].x;
  const total = buffers.floats(size);
  for (const { x, slots } of cells) {
    if (slots) for (const slot of slots) total[slot] += x[slot];
    else for (let slot = 0; slot < size; slot++) total[slot] += x[slot];
  }
  return total;
}

/** The points of some products, in their order. */
export function collectPoints(points: Float64Array, products: Uint32Array, into: Float64Array): Float64Array {
  for (let slot = 0; slot < products.length; slot++) into[slot] = points[products[slot]];
  return into;
}
