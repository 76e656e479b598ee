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

/** The rank below which a share of all numbers lies. */
export function quantileRank(spread: Uint32Array, filled: number, share: number): number {
  let seen = 0;
  for (let rank = 0; rank < spread.length; rank++) {
    seen += spread[rank];
    if (seen > (filled - 1) * share) return rank;
  }
  return spread.length - 1;
}
