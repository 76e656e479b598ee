import { type Bits, countBits, emptyBits, listBits, setBit } from "../index/bits";
import type { Index } from "../index/types";
import { Narrowing } from "./narrow";
import type { PreparedFilter, Selection } from "./prepare";

/** How often each value of a filter would leave a product, and for numbers all the numbers that remain. */
export interface FilterCounts {
  prepared: PreparedFilter;
  /** By place in the column's keys; empty for numbers. */
  counts: Uint32Array;
  /** For numbers: one entry for each product and distinct number, sorted. */
  numbers: { number: number; product: number }[];
  /** The same for the base set, before any filter, from which shape and range come. */
  baseNumbers: number[];
  /** Values that the base set holds. */
  inBase: number;
}

/**
 * Counts every filter exactly: a value's count is the number of products there would be if the filter's selection were
 * that value alone. So each filter is counted over the products that meet all the others; filters without a selection
 * share one pass over the narrowed set.
 */
export function countFilters(
  index: Index,
  filters: readonly PreparedFilter[],
  selections: readonly Selection[],
  base: Bits,
): FilterCounts[] {
  const all = new Narrowing(index, selections);
  const narrowed = all.products(base);
  return filters.map((prepared) => {
    const isChosen = selections.some((selection) => selection.prepared === prepared);
    const others = isChosen
      ? new Narrowing(
          index,
          selections.filter((selection) => selection.prepared !== prepared),
        )
      : all;
    const among = isChosen ? others.products(base) : narrowed;
    return countFilter(index, prepared, others, among, base);
  });
}

function countFilter(index: Index, prepared: PreparedFilter, others: Narrowing, among: Bits, base: Bits): FilterCounts {
  const { column } = prepared;
  if (column.kind === "numbers") {
    const numbers = collectNumbers(index, prepared, among, (option) => others.optionMeets(option)).sort((a, b) => a.number - b.number);
    const baseNumbers = collectNumbers(index, prepared, base, () => true)
      .map((entry) => entry.number)
      .sort((a, b) => a - b);
    return {
      prepared,
      counts: new Uint32Array(0),
      numbers,
      baseNumbers,
      inBase: baseNumbers.length > 1 && baseNumbers[0] < baseNumbers[baseNumbers.length - 1] ? 2 : baseNumbers.length > 0 ? 1 : 0,
    };
  }
  const counts = countKeys(index, prepared, among, (option) => others.optionMeets(option));
  const inBase = countKeys(index, prepared, base, () => true).reduce((sum, count) => sum + (count > 0 ? 1 : 0), 0);
  return { prepared, counts, numbers: [], baseNumbers: [], inBase };
}

function countKeys(index: Index, { column }: PreparedFilter, among: Bits, optionMeets: (option: number) => boolean): Uint32Array {
  if (column.kind !== "keys") return new Uint32Array(0);
  const { starts, ordinals, perOption, keys } = column;
  const counts = new Uint32Array(keys.offsets.length - 1);
  if (!perOption) {
    for (const product of listBits(among)) for (let i = starts[product]; i < starts[product + 1]; i++) counts[ordinals[i]]++;
    return counts;
  }
  // A product counts once for a value, however many of its options have it.
  const lastProduct = new Int32Array(counts.length).fill(-1);
  for (const product of listBits(among)) {
    for (let option = index.optionStarts[product]; option < index.optionStarts[product + 1]; option++) {
      if (!optionMeets(option)) continue;
      for (let i = starts[option]; i < starts[option + 1]; i++) {
        if (lastProduct[ordinals[i]] === product) continue;
        lastProduct[ordinals[i]] = product;
        counts[ordinals[i]]++;
      }
    }
  }
  return counts;
}

function collectNumbers(
  index: Index,
  { column }: PreparedFilter,
  among: Bits,
  optionMeets: (option: number) => boolean,
): { number: number; product: number }[] {
  if (column.kind !== "numbers") return [];
  const found: { number: number; product: number }[] = [];
  for (const product of listBits(among)) {
    if (!column.perOption) {
      if (!Number.isNaN(column.numbers[product])) found.push({ number: column.numbers[product], product });
      continue;
    }
    const distinct = new Set<number>();
    for (let option = index.optionStarts[product]; option < index.optionStarts[product + 1]; option++) {
      const number = column.numbers[option];
      if (Number.isNaN(number) || distinct.has(number) || !optionMeets(option)) continue;
      distinct.add(number);
      found.push({ number, product });
    }
  }
  return found;
}

/**
 * Products with a number in [from, to), or [from, to] for the last bar.
 * @param numbers sorted by number.
 */
export function countBetween(index: Index, counts: FilterCounts, from: number, to: number, closed: boolean): number {
  const { numbers, prepared } = counts;
  const first = lowerBound(numbers, from, false);
  const end = lowerBound(numbers, to, closed);
  // Without options each product stands once, and the run is the count.
  if (!prepared.column.perOption) return Math.max(0, end - first);
  const found = emptyBits(index.products);
  for (let i = first; i < end; i++) setBit(found, numbers[i].product);
  return countBits(found);
}

/** The first place whose number is at least the limit; with `after`, greater than it. */
function lowerBound(numbers: FilterCounts["numbers"], limit: number, after: boolean): number {
  let low = 0;
  let high = numbers.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (numbers[middle].number < limit || (after && numbers[middle].number === limit)) low = middle + 1;
    else high = middle;
  }
  return low;
}
