import { type Bits, countBits, emptyBits, intersect, setBit } from "../index/bits";
import { type KeyRows, rowsByKey } from "../index/rows";
import type { KeyColumn } from "../index/types";

/**
 * What stays of a set of products. Rows are the products themselves, or their options where `optionStarts` is given: then
 * one option that meets the test is enough. Each test has a loop of its own, for these run over whole departments.
 */

/** Keeps products with a number within a range, both ends in it. */
export function keepInRange(bits: Bits, numbers: Float64Array, least: number, most: number, optionStarts: Uint32Array | null): void {
  for (let word = 0; word < bits.length; word++) {
    let kept = 0;
    for (let left = bits[word]; left !== 0; left &= left - 1) {
      const bit = left & -left;
      const product = (word << 5) + (31 - Math.clz32(bit));
      const end = optionStarts ? optionStarts[product + 1] : product + 1;
      for (let row = optionStarts ? optionStarts[product] : product; row < end; row++) {
        const number = numbers[row];
        if (number >= least && number <= most) {
          kept |= bit;
          break;
        }
      }
    }
    bits[word] = kept;
  }
}

/** Keeps products with one of the wanted numbers. @param wanted 1 for each rank that is wanted. */
export function keepRanks(bits: Bits, ranks: Uint32Array, wanted: Uint8Array, optionStarts: Uint32Array | null): void {
  for (let word = 0; word < bits.length; word++) {
    let kept = 0;
    for (let left = bits[word]; left !== 0; left &= left - 1) {
      const bit = left & -left;
      const product = (word << 5) + (31 - Math.clz32(bit));
      const end = optionStarts ? optionStarts[product + 1] : product + 1;
      for (let row = optionStarts ? optionStarts[product] : product; row < end; row++) {
        if (wanted[ranks[row]] === 1) {
          kept |= bit;
          break;
        }
      }
    }
    bits[word] = kept;
  }
}

/** Noting the holder of a value is so many times as fast as looking through a product's values. */
const FASTER = 4;

/** Keeps products that hold one of the wanted values. @param wanted 1 for each key of the column that is wanted. */
export function keepWanted(bits: Bits, column: KeyColumn, wanted: Uint8Array, optionStarts: Uint32Array | null): void {
  if (!optionStarts && countHolders(rowsByKey(column), wanted) < FASTER * countBits(bits)) keepHolders(bits, rowsByKey(column), wanted);
  else keepHolding(bits, column, wanted, optionStarts);
}

function countHolders({ starts }: KeyRows, wanted: Uint8Array): number {
  let count = 0;
  for (let key = 0; key < wanted.length; key++) if (wanted[key] === 1) count += starts[key + 1] - starts[key];
  return count;
}

/** From the values to their products, where these are fewer than those to look through. */
function keepHolders(bits: Bits, { starts, rows }: KeyRows, wanted: Uint8Array): void {
  const holders = emptyBits(bits.length * 32);
  for (let key = 0; key < wanted.length; key++)
    if (wanted[key] === 1) for (let i = starts[key]; i < starts[key + 1]; i++) setBit(holders, rows[i]);
  intersect(bits, holders);
}

/** From the products to their values. */
function keepHolding(bits: Bits, { starts, ordinals }: KeyColumn, wanted: Uint8Array, optionStarts: Uint32Array | null): void {
  for (let word = 0; word < bits.length; word++) {
    let kept = 0;
    for (let left = bits[word]; left !== 0; left &= left - 1) {
      const bit = left & -left;
      const product = (word << 5) + (31 - Math.clz32(bit));
      // The values of all options of a product are in a row.
      const end = starts[optionStarts ? optionStarts[product + 1] : product + 1];
      for (let i = starts[optionStarts ? optionStarts[product] : product]; i < end; i++) {
        if (wanted[ordinals[i]] === 1) {
          kept |= bit;
          break;
        }
      }
    }
    bits[word] = kept;
  }
}

/** Keeps products of which a row meets a test of any kind. */
export function keepMeeting(bits: Bits, optionStarts: Uint32Array | null, meets: (row: number) => boolean): void {
  for (let word = 0; word < bits.length; word++) {
    let kept = 0;
    for (let left = bits[word]; left !== 0; left &= left - 1) {
      const bit = left & -left;
      const product = (word << 5) + (31 - Math.clz32(bit));
      const end = optionStarts ? optionStarts[product + 1] : product + 1;
      for (let row = optionStarts ? optionStarts[product] : product; row < end; row++) {
        if (meets(row)) {
          kept |= bit;
          break;
        }
      }
    }
    bits[word] = kept;
  }
}
