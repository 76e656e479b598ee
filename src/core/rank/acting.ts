import { type Bits, eachBit, emptyBits, hasBit, setBit, unite } from "../index/bits";
import { productNumbers } from "../index/read";
import { DAY } from "../prepare/conditions";
import { FEED } from "../prepare/feed-rules";
import type { Searcher } from "../prepare/searcher";
import { lookUp } from "../records";
import { blankHide } from "../settings/blank-hide";
import { momentsOf } from "../settings/moments";
import type { Place } from "../settings/parts";
import { actsAt } from "../settings/ranked";
import type { Boost, Hide } from "../settings/schema";

/** A rule that acts at a moment. */
export interface ActingRule<T> {
  id: string;
  rule: T;
  holds: (product: number) => boolean;
}

interface ActingHides {
  rules: ActingRule<Hide>[];
  /** Products that one of them hides. */
  hidden: Bits;
}

export interface ActingBoosts {
  rules: ActingRule<Boost>[];
  /** By product, all factors multiplied in the order of the rules; null without a rule. */
  factors: Float64Array | null;
}

type Subject = Pick<Boost, "condition" | "products">;

/** The products a rule names, by id or by condition. */
export function productsOf(searcher: Searcher, rule: Subject, at: number): Bits {
  if (rule.condition) return searcher.conditions.products(rule.condition, at);
  const bits = emptyBits(searcher.index.products);
  for (const product of namedProducts(searcher, rule)) setBit(bits, product);
  return bits;
}

export function actingBoosts(searcher: Searcher, at: number): ActingBoosts {
  return remembered(searcher, searcher.settings.boosts, "", at, () => {
    const rules = rulesAt(searcher, searcher.settings.boosts, at).filter(({ rule }) => rule.factor !== 1);
    if (rules.length === 0) return { rules, factors: null };
    const factors = new Float64Array(searcher.index.products).fill(1);
    for (const { rule } of rules) visit(searcher, rule, at, (product) => (factors[product] *= rule.factor));
    return { rules, factors };
  });
}

export function actingHides(searcher: Searcher, place: Place, at: number): ActingHides {
  return remembered(searcher, searcher.settings.hides, place, at, () => {
    const rules = rulesAt(searcher, searcher.settings.hides, at).filter(({ rule }) => rule.places.includes(place));
    const hidden = emptyBits(searcher.index.products);
    for (const { rule } of rules) visit(searcher, rule, at, (product) => setBit(hidden, product));
    const byFeed = searcher.feed.hidden;
    if (!byFeed) return { rules, hidden };
    const rule = blankHide(searcher.feed.hiddenLabel);
    return { rules: [...rules, { id: FEED, rule, holds: (product) => hasBit(byFeed, product) }], hidden: unite(hidden, byFeed) };
  });
}

function rulesAt<T extends Subject & { on: boolean; from: string | null; until: string | null }>(
  searcher: Searcher,
  rules: Readonly<Record<string, T>>,
  at: number,
): ActingRule<T>[] {
  const acting: ActingRule<T>[] = [];
  for (const id in rules) {
    const rule = lookUp(rules, id);
    if (!actsAt(rule, at)) continue;
    let bits: Bits | null = null;
    const holds = (product: number) => {
      if (!rule.condition) return namedProducts(searcher, rule).includes(product);
      bits ??= searcher.conditions.products(rule.condition, at);
      return hasBit(bits, product);
    };
    acting.push({ id, rule, holds });
  }
  return acting;
}

/** Visits each product of a rule once. */
function visit(searcher: Searcher, rule: Subject, at: number, act: (product: number) => void): void {
  if (!rule.condition) {
    for (const product of namedProducts(searcher, rule)) act(product);
    return;
  }
  eachBit(searcher.conditions.products(rule.condition, at), act);
}

const numbers = new WeakMap<readonly string[], { ids: Searcher["index"]["idRanks"]; products: number[] }>();

/** The numbers of the products that a rule names by id, looked up once for each state of the rule and the catalogue. */
function namedProducts(searcher: Searcher, { products: ids }: Subject): number[] {
  if (!ids) return [];
  const known = numbers.get(ids);
  if (known?.ids === searcher.index.idRanks) return known.products;
  const products = [...new Set(productNumbers(searcher.index, ids))].filter((product) => product >= 0);
  numbers.set(ids, { ids: searcher.index.idRanks, products });
  return products;
}

interface Remembered {
  conditions: Searcher["conditions"];
  from: number;
  until: number;
  value: unknown;
}

const memory = new WeakMap<object, Map<string, Remembered>>();

/** What rules come to, worked out once for as long as none of them begins or ends, and for no longer than a day: conditions count in days. */
function remembered<T>(
  searcher: Searcher,
  rules: Readonly<Record<string, { on: boolean; from: string | null; until: string | null }>>,
  key: string,
  at: number,
  make: () => T,
): T {
  const known = memory.get(rules)?.get(key);
  if (known && known.conditions === searcher.conditions && known.from <= at && at < known.until) return known.value as T;
  const value = make();
  const today = Math.floor(at / DAY) * DAY;
  let [from, until] = [today, today + DAY];
  for (const moment of momentsOf(rules)) {
    if (moment <= at) from = Math.max(from, moment);
    else until = Math.min(until, moment);
  }
  const byKey = memory.get(rules) ?? new Map<string, Remembered>();
  memory.set(rules, byKey.set(key, { conditions: searcher.conditions, from, until, value }));
  return value;
}
