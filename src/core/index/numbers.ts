import { MISSING, type NumberColumn } from "./types";

/** A column of numbers with their ranks, so that neither counting nor sorting ever sorts them again. */
export function numberColumn(numbers: Float64Array): NumberColumn {
  // NaN sorts behind all numbers.
  const sorted = numbers.slice().sort();
  let count = 0;
  for (let i = 0; i < sorted.length && !Number.isNaN(sorted[i]); i++)
    if (count === 0 || sorted[i] !== sorted[count - 1]) sorted[count++] = sorted[i];
  const distinct = sorted.slice(0, count);
  const ranks = new Uint32Array(numbers.length);
  for (let row = 0; row < numbers.length; row++) ranks[row] = Number.isNaN(numbers[row]) ? MISSING : placeOf(distinct, numbers[row]);
  return { kind: "numbers", numbers, distinct, ranks };
}

/** The first place whose number is at least the limit. */
export function placeOf(sorted: Float64Array, limit: number): number {
  let low = 0;
  let high = sorted.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (sorted[middle] < limit) low = middle + 1;
    else high = middle;
  }
  return low;
}
