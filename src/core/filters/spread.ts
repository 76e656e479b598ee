import type { Index, NumberColumn } from "../index/types";
import { type CountPopulation, countPopulation } from "./count-population";

/** How often each distinct number of a column is in a population: by its rank, options counted one by one. */
export function spreadOf(index: Index, column: NumberColumn & { perOption: boolean }, population: CountPopulation): Uint32Array {
  return countPopulation(column, column.distinct.length, population, (products, into, sign) =>
    column.perOption ? spreadOptions(index, column, products, into, sign) : spreadProducts(column, products, into, sign),
  );
}

function spreadOptions({ optionStarts }: Index, column: NumberColumn, products: Uint32Array, spread: Uint32Array, sign: number): void {
  const ranks = signedRanks(column);
  for (let p = 0; p < products.length; p++) {
    const end = optionStarts[products[p] + 1];
    for (let row = optionStarts[products[p]]; row < end; row++) if (ranks[row] >= 0) spread[ranks[row]] += sign;
  }
}

function spreadProducts(column: NumberColumn, products: Uint32Array, spread: Uint32Array, sign: number): void {
  const ranks = signedRanks(column);
  for (let p = 0; p < products.length; p++) {
    const rank = ranks[products[p]];
    if (rank >= 0) spread[rank] += sign;
  }
}

/** Ranks as signed numbers, which loops test faster: `MISSING` is −1. */
export function signedRanks({ ranks }: NumberColumn): Int32Array {
  return new Int32Array(ranks.buffer, ranks.byteOffset, ranks.length);
}

/** How the numbers of a population lie, by their ranks, options counted one by one. */
export interface Spread {
  /** How many there are. */
  filled: number;
  /** The first and the last rank that is there; 0 where none is. */
  least: number;
  greatest: number;
  /** The rank below which a share of them lies. */
  rankAt: (share: number) => number;
  /** How often each rank is there; null where so few are there that nobody counted. */
  counts: Uint32Array | null;
}

/** Of so many ranks for each product, most are in none of the products: those that are there are put in order. */
const FEW = 4;

export function spreadIn(index: Index, column: NumberColumn & { perOption: boolean }, population: CountPopulation): Spread {
  return population.members.length * FEW < column.distinct.length
    ? orderedSpread(ranksIn(index, column, population.members))
    : countedSpread(spreadOf(index, column, population));
}

function ranksIn({ optionStarts }: Index, column: NumberColumn & { perOption: boolean }, products: Uint32Array): Uint32Array {
  const ranks = signedRanks(column);
  let rows = products.length;
  if (column.perOption) {
    rows = 0;
    for (let p = 0; p < products.length; p++) rows += optionStarts[products[p] + 1] - optionStarts[products[p]];
  }
  const found = new Uint32Array(rows);
  let filled = 0;
  for (let p = 0; p < products.length; p++) {
    const product = products[p];
    const end = column.perOption ? optionStarts[product + 1] : product + 1;
    for (let row = column.perOption ? optionStarts[product] : product; row < end; row++) if (ranks[row] >= 0) found[filled++] = ranks[row];
  }
  return found.subarray(0, filled);
}

function orderedSpread(ranks: Uint32Array): Spread {
  ranks.sort();
  const filled = ranks.length;
  return {
    filled,
    least: filled > 0 ? ranks[0] : 0,
    greatest: filled > 0 ? ranks[filled - 1] : 0,
    rankAt: (share) => ranks[Math.floor((filled - 1) * share)],
    counts: null,
  };
}

function countedSpread(counts: Uint32Array): Spread {
  let filled = 0;
  let least = -1;
  let greatest = 0;
  for (let rank = 0; rank < counts.length; rank++) {
    if (counts[rank] === 0) continue;
    filled += counts[rank];
    if (least < 0) least = rank;
    greatest = rank;
  }
  return { filled, least: Math.max(0, least), greatest, counts, rankAt: (share) => quantileRank(counts, filled, share) };
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
