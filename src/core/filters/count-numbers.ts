import { placeOf } from "../index/numbers";
import type { Index, NumberColumn } from "../index/types";
import { barEdges } from "./bars";
import { type FilterCounts, NO_RANGE } from "./counts";
import { type Crowd, countCrowd } from "./crowd";
import type { Narrowing } from "./narrow";
import type { PreparedFilter } from "./prepare";

/** A filter on numbers: its range in the base set, and how many products each bar would leave. */
export function countNumbers(
  index: Index,
  prepared: PreparedFilter,
  column: NumberColumn & { perOption: boolean },
  others: Narrowing,
  among: Crowd,
  whole: Crowd,
): FilterCounts {
  const { distinct } = column;
  const spread = column.perOption
    ? spreadOptions(index, column, whole.members)
    : countCrowd(column, distinct.length, whole, (products, into, sign) => spreadProducts(column, products, into, sign));
  const filled = spread.reduce((sum, count) => sum + count, 0);
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
  if (column.perOption) countBarsOnce(index, column, barOf, others, among.members, counts);
  else if (among === whole) for (let rank = 0; rank < spread.length; rank++) counts[barOf[rank]] += spread[rank];
  else countBars(column, barOf, among.members, counts);
  return {
    prepared,
    counts: spread.subarray(0, 0),
    range: { min: distinct[least], max: distinct[greatest] },
    bars: Array.from(counts, (count, bar) => ({ from: edges[bar], to: edges[bar + 1], count })),
    narrows: greatest > least,
  };
}

/** Options by the rank of their number. */
function spreadOptions({ optionStarts }: Index, column: NumberColumn, products: Uint32Array): Uint32Array {
  const spread = new Uint32Array(column.distinct.length);
  const ranks = signedRanks(column);
  for (let p = 0; p < products.length; p++) {
    const end = optionStarts[products[p] + 1];
    for (let row = optionStarts[products[p]]; row < end; row++) if (ranks[row] >= 0) spread[ranks[row]]++;
  }
  return spread;
}

/** Products by the rank of their number. */
function spreadProducts(column: NumberColumn, products: Uint32Array, spread: Uint32Array, sign: number): void {
  const ranks = signedRanks(column);
  for (let p = 0; p < products.length; p++) {
    const rank = ranks[products[p]];
    if (rank >= 0) spread[rank] += sign;
  }
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
