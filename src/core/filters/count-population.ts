import { type Bits, invert, listBits } from "../index/bits";
import type { Column, Index } from "../index/types";

/** Products to count over; where they are most of the catalogue, also those that are not among them. */
export interface CountPopulation {
  members: Uint32Array;
  others: Uint32Array | null;
  products: number;
}

export function populationOf({ products }: Index, bits: Bits, members = listBits(bits)): CountPopulation {
  return { members, others: members.length * 2 > products ? listBits(invert(bits, products)) : null, products };
}

/** Adds `sign` to the count of each value of some products. */
type Count = (products: Uint32Array, counts: Uint32Array, sign: number) => void;

const totals = new WeakMap<object, Uint32Array>();

/** Counts a column over a population: its members, or where they are fewer, all products once for all and those that are not in it off again. */
export function countPopulation(column: Column, size: number, { members, others, products }: CountPopulation, count: Count): Uint32Array {
  if (!others) {
    const counts = new Uint32Array(size);
    count(members, counts, 1);
    return counts;
  }
  let all = totals.get(column);
  if (!all) {
    all = new Uint32Array(size);
    count(
      Uint32Array.from({ length: products }, (_, product) => product),
      all,
      1,
    );
    totals.set(column, all);
  }
  const counts = all.slice();
  count(others, counts, -1);
  return counts;
}
