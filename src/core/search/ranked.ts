import { type Bits, hasBit, listBits } from "../index/bits";
import { fieldNumber } from "../index/read";
import { stringAt } from "../index/strings";
import type { Searcher } from "../prepare/searcher";
import { prepareSort } from "../prepare/sorts";
import { bestMatch, bySort, fillBands, orderSlots, type Standing } from "../rank/order";
import { actingBoosts, type FactorOf, factorsOf, multiply, PREFERENCE } from "../rank/rules";
import { Scores } from "../rank/score";
import type { Shelf } from "../settings/schema";
import { tokenise } from "../text/tokens";
import type { Stage } from "./place";
import type { Understanding } from "./understand";

/** The base set with all that decides its order. */
export interface Ranked {
  standing: Standing;
  scores: Scores;
  /** Slot of a product among those that match; −1 for what only the shelf brings. */
  matchSlots: Int32Array;
  /** Slot by product, −1 for products outside the base set. */
  slots: Int32Array;
  factors: (product: number) => FactorOf[];
}

export const WHOLE_NUMBER = 2;
export const WHOLE_TITLE = 1;

/** Scores the base set. Everything here is decided before the shopper's filters, so that they never change an order. */
export function rank(
  searcher: Searcher,
  stage: Stage,
  understanding: Understanding,
  typed: string,
  base: Bits,
  shelf: { id: string; shelf: Shelf } | null,
  at: number,
): Ranked {
  const products = listBits(base);
  const matching = products.filter((product) => hasBit(understanding.products, product));
  const scores = new Scores(searcher, understanding.matches, matching);
  const size = products.length;
  const standing: Standing = {
    products,
    scores: new Float64Array(size),
    tiers: new Uint8Array(size),
    stockGroups: new Uint8Array(size),
    widened: new Uint8Array(size),
    bands: new Float64Array(size),
  };
  const matchSlots = new Int32Array(size).fill(-1);
  const isMatching = new Uint8Array(size);
  const slots = new Int32Array(searcher.index.products).fill(-1);
  const boosts = actingBoosts(searcher, at);
  const strength = shelfStrength(searcher, shelf);
  const preferred = understanding.preferred.map(({ rule, label, products }) => ({
    rule,
    label: `“${label}”`,
    factor: PREFERENCE,
    products,
  }));
  const factors = (product: number) => factorsOf(searcher, boosts, strength, preferred, product);
  const hasFactors =
    boosts.length > 0 || preferred.length > 0 || strength.size > 0 || searcher.ownFactors.size > 0 || searcher.feed.factors !== null;
  const tierOf = tiers(searcher, understanding, typed);
  const behind = searcher.stock.behind[stage.place];

  for (let slot = 0, matched = 0; slot < size; slot++) {
    const product = products[slot];
    slots[product] = slot;
    standing.stockGroups[slot] = behind[product];
    if (matching[matched] !== product) continue;
    matchSlots[slot] = matched;
    isMatching[slot] = 1;
    const base = scores.base(matched);
    standing.scores[slot] = hasFactors ? base * multiply(factors(product)) : base;
    standing.tiers[slot] = tierOf(product);
    if (understanding.onlyWidened && hasBit(understanding.onlyWidened, product)) standing.widened[slot] = 1;
    matched++;
  }
  fillBands(standing, isMatching, searcher.settings.ranking.tieWidth);
  return { standing, scores, matchSlots, slots, factors };
}

/** 2 for a product whose whole article number was typed, 1 for a whole title, else 0. */
export function tiers(searcher: Searcher, understanding: Pick<Understanding, "matches">, typed: string): (product: number) => number {
  const words = tokenise(typed)
    .map((token) => token.word)
    .join(" ");
  if (words === "") return () => 0;
  const numbered = new Set<number>();
  if (understanding.matches.length > 0) {
    for (const { unit } of understanding.matches) {
      for (const expansion of unit.expansions) {
        if (expansion.kind === "listed" && expansion.via === "exact") for (const product of expansion.products) numbered.add(product);
      }
    }
  }
  return (product) => {
    if (numbered.has(product)) return WHOLE_NUMBER;
    return stringAt(searcher.index.titles, product) === words ? WHOLE_TITLE : 0;
  };
}

function shelfStrength(searcher: Searcher, acting: { id: string; shelf: Shelf } | null): Map<number, FactorOf> {
  const strength = new Map<number, FactorOf>();
  if (!acting || Object.keys(acting.shelf.strength).length === 0) return strength;
  for (let product = 0; product < searcher.index.products; product++) {
    const factor = acting.shelf.strength[stringAt(searcher.index.ids, product)];
    if (factor !== undefined) strength.set(product, { rule: acting.id, label: acting.shelf.name, factor });
  }
  return strength;
}

/** Sort orders besides best match: those a shopper expects, from the roles the catalogue has. */
export function sortsOf(searcher: Searcher): { id: string; label: string; field: string; direction: "asc" | "desc" }[] {
  const byRole = (role: string) => searcher.index.fields.find((field) => field.role === role)?.key;
  const sorts: { id: string; label: string; field: string | undefined; direction: "asc" | "desc" }[] = [
    { id: "price-asc", label: "Price, low to high", field: byRole("price"), direction: "asc" },
    { id: "price-desc", label: "Price, high to low", field: byRole("price"), direction: "desc" },
    { id: "bestselling", label: "Bestselling", field: byRole("sold"), direction: "desc" },
    { id: "newest", label: "Newest", field: byRole("added"), direction: "desc" },
    { id: "rating", label: "Best rated", field: byRole("rating"), direction: "desc" },
  ];
  return sorts.flatMap(({ field, ...sort }) => (field === undefined ? [] : [{ ...sort, field }]));
}

/**
 * The first `count` products of those that remain after the filters.
 * @param sortOption the option shown of a product, whose price counts where prices are sorted.
 */
export function orderProducts(
  searcher: Searcher,
  ranked: Ranked,
  remaining: Bits,
  pins: ReadonlyMap<number, number>,
  sort: string,
  count: number,
  sortOption: (product: number) => number,
): Uint32Array {
  const { standing, slots } = ranked;
  const members = Uint32Array.from(listBits(remaining), (product) => slots[product]);
  const chosen = sortsOf(searcher).find((entry) => entry.id === sort);
  let ordered: Uint32Array;
  if (chosen) {
    ordered = orderSlots(members, [], count, bySort(searcher, standing, sortValues(searcher, standing, members, chosen, sortOption)));
  } else {
    const placed = [...pins].filter(([product]) => hasBit(remaining, product)).map(([product, place]) => ({ slot: slots[product], place }));
    ordered = orderSlots(members, placed, count, bestMatch(searcher, standing));
  }
  return ordered.map((slot) => standing.products[slot]);
}

function sortValues(
  searcher: Searcher,
  standing: Standing,
  members: Uint32Array,
  sort: { field: string; direction: "asc" | "desc" },
  option: (product: number) => number,
): Float64Array {
  const f = fieldNumber(searcher.index, sort.field);
  const column = searcher.index.columns[f];
  const values = new Float64Array(standing.products.length).fill(Number.NaN);
  if (column.perOption && column.kind === "numbers") {
    const sign = sort.direction === "asc" ? 1 : -1;
    for (const slot of members) values[slot] = sign * column.numbers[option(standing.products[slot])];
    return values;
  }
  const prepared = prepareSort(searcher.index, f, sort.direction);
  for (const slot of members) values[slot] = prepared.values[standing.products[slot]];
  return values;
}
