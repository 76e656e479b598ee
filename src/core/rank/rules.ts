import { type Bits, hasBit } from "../index/bits";
import { FEED } from "../prepare/feed-rules";
import type { Searcher } from "../prepare/searcher";
import type { ActingBoosts } from "./acting";

/** A factor on a product's score and where it comes from. */
export interface FactorOf {
  rule: string;
  label: string;
  factor: number;
}

/** The factor of products in the part of the range that a word prefers. */
export const PREFERENCE = 2;

/** The bounds within which all factors of a product, multiplied, are kept. */
const LEAST = 0.0001;
const GREATEST = 10_000;

/** The factors that act in a search: storewide boosts and burials, preferences, the product's own or its feed's, the shelf's. */
export interface Factors {
  boosts: ActingBoosts;
  /** On parts of the range: what words prefer, and what the shelf raises or lowers by condition. */
  parts: readonly (FactorOf & { products: Bits })[];
  /** By product. */
  strength: ReadonlyMap<number, FactorOf>;
}

/** All factors of a product multiplied, kept within bounds. */
export type Multiplied = (product: number) => number;

/** The factors of storewide boosts alone, by product, where nothing else has a factor. */
export function boostsAlone({ ownFactors, feed }: Searcher, { boosts, parts, strength }: Factors): Float64Array | null {
  const isAlone = parts.length === 0 && strength.size === 0 && ownFactors.size === 0 && feed.factors === null;
  return isAlone ? boosts.factors : null;
}

/** A product of factors within the bounds. */
export function keptWithin(factor: number): number {
  return Math.min(GREATEST, Math.max(LEAST, factor));
}

/** null when no product has a factor. */
export function multiplied(searcher: Searcher, { boosts, parts, strength }: Factors): Multiplied | null {
  const { ownFactors, feed } = searcher;
  const hasOwn = ownFactors.size > 0 || feed.factors !== null;
  if (!boosts.factors && parts.length === 0 && strength.size === 0 && !hasOwn) return null;
  return (product) => {
    let all = boosts.factors ? boosts.factors[product] : 1;
    for (const { products, factor } of parts) if (hasBit(products, product)) all *= factor;
    if (hasOwn) all *= ownFactor(searcher, product);
    if (strength.size > 0) all *= strength.get(product)?.factor ?? 1;
    return keptWithin(all);
  };
}

function ownFactor({ ownFactors, feed }: Searcher, product: number): number {
  const own = ownFactors.get(product);
  if (own !== undefined) return own;
  const fromFeed = feed.factors?.[product] ?? Number.NaN;
  return fromFeed > 0 ? fromFeed : 1;
}

/** The factors of a product one by one, in the order in which they are multiplied. */
export function factorsOf(searcher: Searcher, { boosts, parts, strength }: Factors, product: number): FactorOf[] {
  const factors: FactorOf[] = [];
  for (const { id, rule, holds } of boosts.rules) if (holds(product)) factors.push({ rule: id, label: rule.name, factor: rule.factor });
  for (const { products, ...factor } of parts) if (hasBit(products, product)) factors.push(factor);
  const own = ownFactor(searcher, product);
  if (searcher.ownFactors.has(product)) factors.push({ rule: "product", label: "Set for this product", factor: own });
  else if (own !== 1) factors.push({ rule: FEED, label: searcher.feed.factorLabel, factor: own });
  const shelf = strength.get(product);
  if (shelf) factors.push(shelf);
  const raw = factors.reduce((all, { factor }) => all * factor, 1);
  const kept = Math.min(GREATEST, Math.max(LEAST, raw));
  if (kept !== raw) factors.push({ rule: "bounds", label: "Kept within bounds", factor: kept / raw });
  return factors;
}
