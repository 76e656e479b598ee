import { type Bits, eachBit, emptyBits, hasBit, isEmpty, setBit } from "../../index/bits";
import { rowsByKey } from "../../index/rows";
import { stringAt } from "../../index/strings";
import type { Index } from "../../index/types";
import type { Searcher } from "../../prepare/searcher";
import type { Limit, PriceLimit, WithoutLimit } from "./limit";

/** The part of what is found that is cheap. */
const CHEAP_SHARE = 1 / 3;

/** What a limit comes to among some products. */
export interface Within {
  products: Bits;
  min: number | null;
  max: number | null;
  /** Values that are kept out; none for a price. */
  without: string[];
  /** Whether an option is within it. */
  keeps: (option: number) => boolean;
}

/** The products that a limit leaves, of those in a set. @param among what is found without it, of which "cheap" is the lower part. */
export function productsWithin(searcher: Searcher, limit: Limit, among: Bits): Within {
  return limit.kind === "price" ? withinPrice(searcher, limit, among) : withoutValues(searcher, limit, among);
}

function withinPrice({ index }: Searcher, limit: PriceLimit, among: Bits): Within {
  const column = index.columns[limit.field];
  const { min } = limit;
  if (column.kind !== "numbers" || isEmpty(among))
    return { products: emptyBits(index.products), min, max: limit.max, without: [], keeps: () => true };
  const priceOf = (option: number) => column.numbers[column.perOption ? option : index.optionProducts[option]];
  const max = limit.isCheap ? lowerPart(index, priceOf, among) : limit.max;
  const keeps = (option: number) =>
    priceOf(option) >= (min ?? Number.NEGATIVE_INFINITY) && priceOf(option) <= (max ?? Number.POSITIVE_INFINITY);
  return { products: keptBy(index, keeps, among), min, max, without: [], keeps };
}

/** A product is kept out by a value of its own, and by one of its options where all of them have one. */
function withoutValues({ index }: Searcher, { values }: WithoutLimit, among: Bits): Within {
  const out = emptyBits(index.options);
  for (const { field, ordinals } of values) {
    const column = index.columns[field];
    if (column.kind !== "keys") continue;
    const { starts, rows } = rowsByKey(column);
    for (const ordinal of ordinals)
      for (let i = starts[ordinal]; i < starts[ordinal + 1]; i++) markOptions(index, out, rows[i], column.perOption);
  }
  const keeps = (option: number) => !hasBit(out, option);
  const without = values.flatMap(({ field, ordinals, group, label }) => {
    const column = index.columns[field];
    return column.kind === "keys" && group === null ? ordinals.map((ordinal) => stringAt(column.keys, ordinal)) : [label];
  });
  return { products: keptBy(index, keeps, among), min: null, max: null, without: [...new Set(without)], keeps };
}

function markOptions(index: Index, options: Bits, row: number, isOption: boolean): void {
  if (isOption) setBit(options, row);
  else for (let option = index.optionStarts[row]; option < index.optionStarts[row + 1]; option++) setBit(options, option);
}

/** The products of which an option is kept. */
function keptBy({ products: size, optionStarts }: Index, keeps: (option: number) => boolean, among: Bits): Bits {
  const products = emptyBits(size);
  eachBit(among, (product) => {
    for (let option = optionStarts[product]; option < optionStarts[product + 1]; option++)
      if (keeps(option)) return setBit(products, product);
  });
  return products;
}

/** The price up to which the cheap part of some products reaches. */
function lowerPart({ optionStarts }: Index, priceOf: (option: number) => number, among: Bits): number {
  const prices: number[] = [];
  eachBit(among, (product) => {
    let least = Number.POSITIVE_INFINITY;
    for (let option = optionStarts[product]; option < optionStarts[product + 1]; option++)
      if (priceOf(option) < least) least = priceOf(option);
    if (Number.isFinite(least)) prices.push(least);
  });
  const sorted = Float64Array.from(prices).sort();
  return sorted[Math.max(0, Math.ceil(sorted.length * CHEAP_SHARE) - 1)] ?? 0;
}
