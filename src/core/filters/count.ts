import { type Bits, listBits } from "../index/bits";
import { placeOf } from "../index/numbers";
import type { Index, KeyColumn, NumberColumn } from "../index/types";
import { barEdges } from "./bars";
import { Narrowing } from "./narrow";
import type { PreparedFilter, Selection } from "./prepare";

export interface Bar {
  from: number;
  to: number;
  count: number;
}

/** What a filter would leave: by value, or for numbers by bar. */
export interface FilterCounts {
  prepared: PreparedFilter;
  /** By slot: place in the column's keys, or group where values are grouped; empty for numbers. */
  counts: Uint32Array;
  /** For numbers; range and edges come from the base set, before any filter. */
  range: { min: number; max: number };
  bars: Bar[];
  /** Whether the base set holds more than one value, so that the filter could narrow it. */
  narrows: boolean;
}

const NO_RANGE = { min: 0, max: 0 };

/**
 * Counts every filter exactly: a value's count is the number of products there would be if the filter's selection were
 * that value alone. So each filter is counted over the products that meet all the others; filters without a selection
 * share one pass over the narrowed set.
 * @param inBase the products of the base set, for whoever has them listed.
 */
export function countFilters(
  index: Index,
  filters: readonly PreparedFilter[],
  selections: readonly Selection[],
  base: Bits,
  inBase = listBits(base),
): FilterCounts[] {
  const all = new Narrowing(index, selections);
  const narrowed = selections.length === 0 ? inBase : listBits(all.products(base));
  return filters.map((prepared) => {
    const isChosen = selections.some((selection) => selection.prepared === prepared);
    const others = isChosen
      ? new Narrowing(
          index,
          selections.filter((selection) => selection.prepared !== prepared),
        )
      : all;
    const among = isChosen ? listBits(others.products(base)) : narrowed;
    const { column } = prepared;
    return column.kind === "numbers"
      ? countNumbers(index, prepared, column, others, among, inBase)
      : countKeys(index, prepared, column, others, among, inBase);
  });
}

function countKeys(
  index: Index,
  prepared: PreparedFilter,
  column: KeyColumn & { perOption: boolean },
  others: Narrowing,
  among: Uint32Array,
  inBase: Uint32Array,
): FilterCounts {
  const { slots } = prepared;
  const counts = new Uint32Array(slots ? slots.entries.length : column.keys.offsets.length - 1);
  if (!column.perOption && !slots) countPlain(column, among, counts);
  else countOnce(index, column, slots, others, among, counts);
  return { prepared, counts, range: NO_RANGE, bars: [], narrows: holdsTwo(index, column, slots, inBase) };
}

/** A product's values differ, so that each is counted as it stands. */
function countPlain({ starts, ordinals }: KeyColumn, among: Uint32Array, counts: Uint32Array): void {
  for (let p = 0; p < among.length; p++) {
    const end = starts[among[p] + 1];
    for (let i = starts[among[p]]; i < end; i++) counts[ordinals[i]]++;
  }
}

/** A product counts once for a value or group, however many of its options or values have it. */
function countOnce(
  index: Index,
  { starts, ordinals, perOption }: KeyColumn & { perOption: boolean },
  slots: PreparedFilter["slots"],
  others: Narrowing,
  among: Uint32Array,
  counts: Uint32Array,
): void {
  const lastProduct = new Int32Array(counts.length).fill(-1);
  const isTested = perOption && others.testsOptions;
  for (let p = 0; p < among.length; p++) {
    const product = among[p];
    const end = perOption ? index.optionStarts[product + 1] : product + 1;
    for (let row = perOption ? index.optionStarts[product] : product; row < end; row++) {
      if (isTested && !others.optionMeets(row)) continue;
      for (let i = starts[row]; i < starts[row + 1]; i++) {
        const first = slots ? slots.starts[ordinals[i]] : ordinals[i];
        const last = slots ? slots.starts[ordinals[i] + 1] : first + 1;
        for (let s = first; s < last; s++) {
          const slot = slots ? slots.slots[s] : s;
          if (lastProduct[slot] === product) continue;
          lastProduct[slot] = product;
          counts[slot]++;
        }
      }
    }
  }
}

/** Whether some products hold more than one value, or values of more than one group. */
function holdsTwo(
  index: Index,
  { perOption, starts, ordinals }: KeyColumn & { perOption: boolean },
  slots: PreparedFilter["slots"],
  products: Uint32Array,
): boolean {
  let first = -1;
  for (let p = 0; p < products.length; p++) {
    const product = products[p];
    const from = perOption ? starts[index.optionStarts[product]] : starts[product];
    const to = perOption ? starts[index.optionStarts[product + 1]] : starts[product + 1];
    for (let i = from; i < to; i++) {
      const slot = slots ? slots.slots[slots.starts[ordinals[i]]] : ordinals[i];
      if (first < 0) first = slot;
      else if (slot !== first) return true;
    }
  }
  return false;
}

function countNumbers(
  index: Index,
  prepared: PreparedFilter,
  column: NumberColumn & { perOption: boolean },
  others: Narrowing,
  among: Uint32Array,
  inBase: Uint32Array,
): FilterCounts {
  const { distinct } = column;
  const spread = new Uint32Array(distinct.length);
  const filled = spreadOf(index, column, inBase, spread);
  if (filled === 0)
    return { prepared, counts: spread.subarray(0, 0), range: NO_RANGE, bars: [{ from: 0, to: 0, count: 0 }], narrows: false };
  const least = spread.findIndex((count) => count > 0);
  const greatest = spread.findLastIndex((count) => count > 0);
  const edges = barEdges(distinct[least], distinct[quantileRank(spread, filled, 0.95)], distinct[greatest]);

  // The bar of each rank: half-open, the last one closed.
  const barOf = new Uint8Array(distinct.length);
  const last = edges.length - 2;
  for (let bar = 0; bar <= last; bar++) {
    const end = bar === last ? distinct.length : placeOf(distinct, edges[bar + 1]);
    barOf.fill(bar, placeOf(distinct, edges[bar]), end);
  }
  const counts = new Uint32Array(last + 1);
  if (column.perOption) countBarsOnce(index, column, barOf, others, among, counts);
  else if (among === inBase) for (let rank = 0; rank < spread.length; rank++) counts[barOf[rank]] += spread[rank];
  else countBars(column, barOf, among, counts);
  return {
    prepared,
    counts: spread.subarray(0, 0),
    range: { min: distinct[least], max: distinct[greatest] },
    bars: Array.from(counts, (count, bar) => ({ from: edges[bar], to: edges[bar + 1], count })),
    narrows: greatest > least,
  };
}

/** Counts the rows of products by the rank of their number; returns how many rows have one. */
function spreadOf(index: Index, column: NumberColumn & { perOption: boolean }, products: Uint32Array, spread: Uint32Array): number {
  const ranks = signedRanks(column);
  let filled = 0;
  if (column.perOption) {
    const { optionStarts } = index;
    for (let p = 0; p < products.length; p++) {
      const end = optionStarts[products[p] + 1];
      for (let row = optionStarts[products[p]]; row < end; row++) {
        const rank = ranks[row];
        if (rank < 0) continue;
        spread[rank]++;
        filled++;
      }
    }
  } else {
    for (let p = 0; p < products.length; p++) {
      const rank = ranks[products[p]];
      if (rank < 0) continue;
      spread[rank]++;
      filled++;
    }
  }
  return filled;
}

function countBars(column: NumberColumn, barOf: Uint8Array, among: Uint32Array, counts: Uint32Array): void {
  const ranks = signedRanks(column);
  for (let p = 0; p < among.length; p++) {
    const rank = ranks[among[p]];
    if (rank >= 0) counts[barOf[rank]]++;
  }
}

/** A product counts once for a bar, however many of its options are in it. */
function countBarsOnce(
  index: Index,
  column: NumberColumn,
  barOf: Uint8Array,
  others: Narrowing,
  among: Uint32Array,
  counts: Uint32Array,
): void {
  const ranks = signedRanks(column);
  const { optionStarts } = index;
  const lastProduct = new Int32Array(counts.length).fill(-1);
  const isTested = others.testsOptions;
  for (let p = 0; p < among.length; p++) {
    const product = among[p];
    const end = optionStarts[product + 1];
    for (let row = optionStarts[product]; row < end; row++) {
      const rank = ranks[row];
      if (rank < 0 || (isTested && !others.optionMeets(row))) continue;
      const bar = barOf[rank];
      if (lastProduct[bar] === product) continue;
      lastProduct[bar] = product;
      counts[bar]++;
    }
  }
}

/** Ranks as signed numbers, which loops test faster: `MISSING` is −1. */
function signedRanks({ ranks }: NumberColumn): Int32Array {
  return new Int32Array(ranks.buffer, ranks.byteOffset, ranks.length);
}

/** The rank below which a share of all numbers lies. */
function quantileRank(spread: Uint32Array, filled: number, share: number): number {
  let seen = 0;
  for (let rank = 0; rank < spread.length; rank++) {
    seen += spread[rank];
    if (seen > (filled - 1) * share) return rank;
  }
  return spread.length - 1;
}
