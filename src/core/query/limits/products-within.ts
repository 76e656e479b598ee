import { type Bits, emptyBits, isEmpty, listBits, setBit, subtract } from "../../index/bits";
import { stringAt } from "../../index/strings";
import type { Searcher } from "../../prepare/searcher";
import { productsWithValue } from "../../prepare/values";
import type { Limit, PriceLimit } from "./limit";

/** The part of what is found that is cheap. */
const CHEAP_SHARE = 1 / 3;

/** What a limit comes to among some products. */
export interface Within {
  products: Bits;
  min: number | null;
  max: number | null;
  /** Values that are kept out; none for a price. */
  without: string[];
}

/** The products that a limit leaves, of those in a set. @param among what is found without it, of which "cheap" is the lower part. */
export function productsWithin(searcher: Searcher, limit: Limit, among: Bits): Within {
  if (limit.kind === "price") return { ...withinPrice(searcher, limit, among), min: limit.min, without: [] };
  const products = among.slice();
  const without = limit.values.flatMap((value) => {
    const column = searcher.index.columns[value.field];
    const having = emptyBits(searcher.index.products);
    for (const product of productsWithValue(searcher.index, value)) setBit(having, product);
    subtract(products, having);
    return column.kind === "keys" && value.group === null ? value.ordinals.map((ordinal) => stringAt(column.keys, ordinal)) : [value.label];
  });
  return { products, min: null, max: null, without: [...new Set(without)] };
}

function withinPrice({ index }: Searcher, limit: PriceLimit, among: Bits): Pick<Within, "products" | "max"> {
  const column = index.columns[limit.field];
  const products = emptyBits(index.products);
  if (column.kind !== "numbers" || isEmpty(among)) return { products, max: limit.max };
  const pricesOf = (product: number) => {
    if (!column.perOption) return [column.numbers[product]];
    return [...column.numbers.subarray(index.optionStarts[product], index.optionStarts[product + 1])];
  };
  const members = listBits(among);
  const max = limit.isCheap ? quantile(members, pricesOf) : limit.max;
  for (const product of members)
    if (pricesOf(product).some((price) => price >= (limit.min ?? Number.NEGATIVE_INFINITY) && price <= (max ?? Number.POSITIVE_INFINITY)))
      setBit(products, product);
  return { products, max };
}

function quantile(members: Uint32Array, pricesOf: (product: number) => number[]): number {
  const prices = Float64Array.from(members, (product) => Math.min(...pricesOf(product).filter((price) => !Number.isNaN(price)))).sort();
  const known = prices.filter((price) => Number.isFinite(price));
  return known[Math.max(0, Math.ceil(known.length * CHEAP_SHARE) - 1)] ?? 0;
}
