import { type Bits, hasBit } from "../index/bits";
import type { Places } from "../index/places";
import { selectFirst } from "./select";

/**
 * Rows: what an arrangement by hand puts before or behind all that the score decides. A product is in the row of a lower
 * number first; within a row the order is as ever.
 */
export interface Rows {
  /** By slot. */
  of: Uint16Array;
  /** By row, the rule that made it; products added one by one have none. */
  rules: Map<number, string>;
}

export const ORDINARY_ROW = 40_000;

/** What is lifted into the first rows, in this order, and what goes into the last ones. */
export interface RowPlan {
  /** Products one by one, then groups of which the best are taken; all of them together at most `room`. */
  lifted: { products: readonly number[]; groups: readonly Bits[]; room: number } | null;
  first: readonly { rule: string; products: Bits; most: number | null }[];
  last: readonly { rule: string; products: Bits }[];
}

/**
 * @param places the products of the base set.
 * @param isFree whether a slot may be moved: a pinned product has its place already.
 * @param isReady whether a rule may put it first: it is free, and not sold out where that stands behind.
 * @param compare the order of slots without rows.
 * @returns null where nothing is moved.
 */
export function makeRows(
  places: Places,
  { lifted, first, last }: RowPlan,
  { isFree, isReady }: { isFree: (slot: number) => boolean; isReady: (slot: number) => boolean },
  compare: (a: number, b: number) => number,
): Rows | null {
  if (!lifted && first.length === 0 && last.length === 0) return null;
  const of = new Uint16Array(places.members.length).fill(ORDINARY_ROW);
  const rules = new Map<number, string>();
  let row = 0;
  const slotsOf = (products: Bits, isOpen: (slot: number) => boolean) => {
    const slots: number[] = [];
    for (let slot = 0; slot < of.length; slot++)
      if (of[slot] === ORDINARY_ROW && hasBit(products, places.members[slot]) && isOpen(slot)) slots.push(slot);
    return Uint32Array.from(slots);
  };
  if (lifted) {
    let { room } = lifted;
    for (const product of lifted.products) {
      const slot = places.of(product);
      if (room <= 0) break;
      if (slot < 0 || of[slot] !== ORDINARY_ROW || !isFree(slot)) continue;
      of[slot] = row++;
      room--;
    }
    for (const products of lifted.groups) {
      const best = selectFirst(slotsOf(products, isFree), Math.max(0, room), compare);
      for (const slot of best) of[slot] = row;
      room -= best.length;
      row++;
    }
  }
  for (const { rule, products, most } of first) {
    const slots = slotsOf(products, isReady);
    for (const slot of most === null ? slots : selectFirst(slots, most, compare)) of[slot] = row;
    rules.set(row++, rule);
  }
  last.forEach(({ rule, products }, i) => {
    for (const slot of slotsOf(products, isFree)) of[slot] = ORDINARY_ROW + 1 + i;
    rules.set(ORDINARY_ROW + 1 + i, rule);
  });
  return { of, rules };
}
