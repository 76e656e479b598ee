import { type Bits, emptyBits, hasBit, setBit, unite } from "../index/bits";
import { productNumber } from "../index/read";
import type { Searcher } from "../prepare/searcher";
import { PLACES, type Place } from "../settings/parts";
import { actsAt } from "../settings/ranked";
import type { Boost, Hide } from "../settings/schema";

/** A rule with the products it names. */
export interface ActingRule<T> {
  id: string;
  rule: T;
  products: Bits;
}

export function actingBoosts(searcher: Searcher, at: number): ActingRule<Boost>[] {
  return Object.entries(searcher.settings.boosts).flatMap(([id, rule]) =>
    actsAt(rule, at) && rule.factor !== 1 ? [{ id, rule, products: productsOf(searcher, rule, at) }] : [],
  );
}

export function actingHides(searcher: Searcher, place: Place, at: number): ActingRule<Hide>[] {
  const { hidden, hiddenLabel } = searcher.feed;
  const byFeed: ActingRule<Hide>[] = hidden
    ? [{ id: FEED, rule: { name: hiddenLabel, places: [...PLACES], on: true, from: null, until: null }, products: hidden }]
    : [];
  return Object.entries(searcher.settings.hides)
    .flatMap(([id, rule]) =>
      actsAt(rule, at) && rule.places.includes(place) ? [{ id, rule, products: productsOf(searcher, rule, at) }] : [],
    )
    .concat(byFeed);
}

/** Stands for the feed where a rule is named. */
export const FEED = "feed";

/** The products a rule names, by id or by condition. */
export function productsOf(searcher: Searcher, rule: Pick<Boost, "condition" | "products">, at: number): Bits {
  if (rule.condition) return searcher.conditions.products(rule.condition, at);
  const bits = emptyBits(searcher.index.products);
  for (const id of rule.products ?? []) {
    const product = productNumber(searcher.index, id);
    if (product >= 0) setBit(bits, product);
  }
  return bits;
}

export function hiddenBy(hides: readonly ActingRule<Hide>[], size: number): Bits {
  return hides.reduce((bits, hide) => unite(bits, hide.products), emptyBits(size));
}

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

/** The factors of a product: storewide boosts and burials, its own, the shelf's. */
export function factorsOf(
  searcher: Searcher,
  boosts: readonly ActingRule<Boost>[],
  strength: ReadonlyMap<number, FactorOf>,
  preferred: readonly (FactorOf & { products: Bits })[],
  product: number,
): FactorOf[] {
  const factors: FactorOf[] = [];
  for (const { id, rule, products } of boosts)
    if (hasBit(products, product)) factors.push({ rule: id, label: rule.name, factor: rule.factor });
  for (const { products, ...factor } of preferred) if (hasBit(products, product)) factors.push(factor);
  const own = searcher.ownFactors.get(product);
  if (own !== undefined) factors.push({ rule: "product", label: "Set for this product", factor: own });
  const fromFeed = searcher.feed.factors?.[product] ?? Number.NaN;
  if (own === undefined && fromFeed > 0 && fromFeed !== 1) factors.push({ rule: FEED, label: searcher.feed.factorLabel, factor: fromFeed });
  const shelf = strength.get(product);
  if (shelf) factors.push(shelf);
  const raw = factors.reduce((all, { factor }) => all * factor, 1);
  const kept = Math.min(GREATEST, Math.max(LEAST, raw));
  if (kept !== raw) factors.push({ rule: "bounds", label: "Kept within bounds", factor: kept / raw });
  return factors;
}

export function multiply(factors: readonly FactorOf[]): number {
  return factors.reduce((all, { factor }) => all * factor, 1);
}
