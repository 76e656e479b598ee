import { type Bits, hasBit } from "../index/bits";
import { Buffers } from "../index/buffers";
import { Places } from "../index/places";
import { fieldNumber } from "../index/read";
import { findSorted, isString } from "../index/strings";
import type { Searcher } from "../prepare/searcher";
import { prepareSort } from "../prepare/sorts";
import { coverageFactor, type Weights } from "../query/match/coverage";
import { actingBoosts } from "../rank/acting";
import { bestMatch, byMatch, bySort, findTops, orderSlots, type Standing } from "../rank/order";
import { makeRows, type RowPlan } from "../rank/rows";
import { boostsAlone, type FactorOf, type Factors, factorsOf, keptWithin, type Multiplied, multiplied, PREFERENCE } from "../rank/rules";
import { Scores } from "../rank/score";
import { type SortChoice, sortChoices } from "../settings/page/sort";
import { type Arrangement, NO_ARRANGEMENT } from "../shelves/arrangement";
import { tokenise } from "../text/tokens";
import type { CandidateScope, PinnedRun } from "./candidate-scope";
import type { Understanding } from "./find-answers";
import { CATEGORY } from "./understand";

export { NO_ARRANGEMENT };

/** The base set with all that decides its order. */
export interface Ranked {
  standing: Standing;
  scores: Scores;
  /** Each product's place in the standing, its slot. */
  places: Places;
  /** Whether a product answers the query; false for what only the shelf brings. */
  matching: (product: number) => boolean;
  factors: (product: number) => FactorOf[];
  /** How much of what was asked a product answers: a factor too. */
  coverage: (product: number) => number;
}

/** Products of the category that a search is about come before others that have its words in their titles. */
const CATEGORY_FIRST = 4;
const WHOLE_NUMBER = 2;
const WHOLE_TITLE = 1;

/**
 * Scores the base set. Everything here is decided before the shopper's filters, so that they never change an order.
 * @param buffers lends the arrays; the order holds as long as it does.
 */
export function rank(
  searcher: Searcher,
  scope: CandidateScope,
  understanding: Understanding,
  typed: string,
  base: Bits,
  arrangement: Arrangement,
  at: number,
  buffers = new Buffers(),
): Ranked {
  const places = new Places(base, buffers);
  const scores = new Scores(searcher, understanding.matches, places, buffers);
  const products = places.members;
  const size = products.length;
  const acting: Factors = {
    boosts: actingBoosts(searcher, at),
    strength: arrangement.strength,
    parts: [
      ...understanding.preferred.map(({ rule, label, products }) => ({
        rule,
        label: `“${label}”`,
        factor: rule === CATEGORY ? CATEGORY_FIRST : PREFERENCE,
        products,
      })),
      ...arrangement.parts,
    ],
  };
  const matching = (product: number) => hasBit(understanding.products, product);
  const standing = {
    products,
    scores: finalScores(
      covered(scores.sums, understanding, products, buffers),
      products,
      boostsAlone(searcher, acting) ?? multiplied(searcher, acting),
      buffers,
    ),
    tiers: markTiers(searcher, understanding, typed, places, buffers.bytes(size)),
    stockGroups: pick(searcher.stock.behind[scope.place], products, buffers.bytes(size)),
    widened: markMembers(understanding.behind, products, buffers.bytes(size)),
  };
  // What only the shelf brings has neither score nor tier.
  for (const product of [...scope.pinned, ...scope.added]) {
    const slot = places.of(product);
    if (slot >= 0 && !matching(product)) standing.scores[slot] = standing.tiers[slot] = 0;
  }
  return {
    standing: withRows(searcher, findTops(standing), places, scope, arrangement.plan),
    scores,
    places,
    matching,
    factors: (product) => factorsOf(searcher, acting, product),
    coverage: (product) => (isPart(understanding, product) ? coverageFactor(understanding.matches, understanding.weights, product) : 1),
  };
}

/** Whether a product answers a part of what was asked. */
function isPart(understanding: Understanding, product: number): understanding is Understanding & { weights: Weights } {
  if (!understanding.weights) return false;
  return understanding.behind === null || hasBit(understanding.behind, product);
}

/** What answers a part counts by how much of it that is. */
function covered(sums: Float64Array, understanding: Understanding, products: Uint32Array, buffers: Buffers): Float64Array {
  const { weights, matches } = understanding;
  if (!weights) return sums;
  const scores = buffers.floats(sums.length);
  for (let slot = 0; slot < sums.length; slot++)
    scores[slot] = sums[slot] * (isPart(understanding, products[slot]) ? coverageFactor(matches, weights, products[slot]) : 1);
  return scores;
}

/** The standing with what the shelf puts first and last. */
function withRows(searcher: Searcher, standing: Standing, places: Places, scope: CandidateScope, plan: RowPlan): Standing {
  const isFree = (slot: number) => !scope.pinned.has(standing.products[slot]);
  const isReady = (slot: number) => isFree(slot) && standing.stockGroups[slot] === 0;
  return { ...standing, rows: makeRows(places, plan, { isFree, isReady }, byMatch(searcher, standing)) };
}

function finalScores(sums: Float64Array, products: Uint32Array, factor: Float64Array | Multiplied | null, buffers: Buffers): Float64Array {
  if (!factor) return sums;
  const scores = buffers.floats(sums.length);
  if (typeof factor === "function") for (let slot = 0; slot < sums.length; slot++) scores[slot] = sums[slot] * factor(products[slot]);
  else for (let slot = 0; slot < sums.length; slot++) scores[slot] = sums[slot] * keptWithin(factor[products[slot]]);
  return scores;
}

function pick(marks: Uint8Array, products: Uint32Array, into: Uint8Array): Uint8Array {
  for (let slot = 0; slot < products.length; slot++) into[slot] = marks[products[slot]];
  return into;
}

function markMembers(members: Bits | null, products: Uint32Array, into: Uint8Array): Uint8Array {
  if (members) for (let slot = 0; slot < products.length; slot++) if (hasBit(members, products[slot])) into[slot] = 1;
  return into;
}

/** Few products can have a tier: those whose number was typed, and those whose title begins as what was typed does. */
function markTiers(searcher: Searcher, understanding: Understanding, typed: string, places: Places, into: Uint8Array): Uint8Array {
  const tierOf = tiers(searcher, understanding, typed);
  if (!tierOf) return into;
  const mark = (product: number) => {
    const slot = places.of(product);
    if (slot >= 0) into[slot] = tierOf(product);
  };
  for (const product of numberedProducts(understanding)) mark(product);
  const { postings, lexicon, fields } = searcher.index;
  const title = fields.findIndex(({ role }) => role === "title");
  const term = findSorted(lexicon.terms, tokenise(typed)[0]?.word ?? "");
  for (let list = term < 0 ? 0 : postings.listStarts[term]; list < (term < 0 ? 0 : postings.listStarts[term + 1]); list++) {
    if (postings.listFields[list] !== title) continue;
    for (let i = postings.postingStarts[list]; i < postings.postingStarts[list + 1]; i++) mark(postings.products[i]);
  }
  return into;
}

function numberedProducts({ matches }: Pick<Understanding, "matches">): Set<number> {
  const numbered = new Set<number>();
  for (const { queryTerm } of matches) {
    for (const expansion of queryTerm.expansions) {
      if (expansion.kind === "listed" && expansion.via === "exact") for (const product of expansion.products) numbered.add(product);
    }
  }
  return numbered;
}

/** 2 for a product whose whole article number was typed, 1 for a whole title, else 0; null where nothing was typed. */
export function tiers(
  searcher: Searcher,
  understanding: Pick<Understanding, "matches">,
  typed: string,
): ((product: number) => number) | null {
  const words = tokenise(typed)
    .map((token) => token.word)
    .join(" ");
  if (words === "") return null;
  const numbered = numberedProducts(understanding);
  const isTitle = isString(searcher.index.titles, words);
  if (numbered.size === 0) return (product) => (isTitle(product) ? WHOLE_TITLE : 0);
  return (product) => (numbered.has(product) ? WHOLE_NUMBER : isTitle(product) ? WHOLE_TITLE : 0);
}

/** Sort orders besides best match: those set up, else what shoppers expect of the fields the catalogue has. */
export function sortsOf({ index, settings }: Searcher, language: string): SortChoice[] {
  return sortChoices(settings.page.sorts, index.fields, language);
}

/**
 * The first `count` products of those that remain after the filters.
 * @param sortOption the option shown of a product, whose price counts where prices are sorted.
 */
export function orderProducts(
  searcher: Searcher,
  ranked: Ranked,
  remaining: Bits,
  pins: readonly PinnedRun[],
  sort: string,
  count: number,
  sortOption: (product: number) => number,
): Uint32Array {
  const { standing, places } = ranked;
  const { index } = searcher;
  const members = slotsOf(standing.products, remaining);
  const chosen = sortsOf(searcher, index.locale).find((entry) => entry.id === sort);
  let ordered: Uint32Array;
  if (chosen) {
    ordered = orderSlots(members, [], count, bySort(searcher, standing, sortValues(searcher, standing, members, chosen, sortOption)));
  } else {
    const placed = pins
      .map(({ products, place }) => ({
        slots: products.filter((product) => hasBit(remaining, product)).map((product) => places.of(product)),
        place,
      }))
      .filter(({ slots }) => slots.length > 0);
    ordered = orderSlots(members, placed, count, bestMatch(searcher, standing));
  }
  return ordered.map((slot) => standing.products[slot]);
}

/** The slots of the products that remain. */
function slotsOf(products: Uint32Array, remaining: Bits): Uint32Array {
  const slots = new Uint32Array(products.length);
  let count = 0;
  for (let slot = 0; slot < products.length; slot++) if (hasBit(remaining, products[slot])) slots[count++] = slot;
  return slots.subarray(0, count);
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
  const isOnRequest = onRequest(searcher, f);
  if (column.perOption && column.kind === "numbers") {
    const sign = sort.direction === "asc" ? 1 : -1;
    for (const slot of members) values[slot] = worth(sign * column.numbers[option(standing.products[slot])]);
    return values;
  }
  const prepared = prepareSort(searcher.index, f, sort.direction);
  for (const slot of members) values[slot] = worth(prepared.values[standing.products[slot]]);
  return values;

  function worth(value: number): number {
    return isOnRequest && value === 0 ? Number.NaN : value;
  }
}

/** Whether a price of 0 is said in words: such products stand behind all prices, as those without one do. */
function onRequest({ index, settings }: Searcher, f: number): boolean {
  return index.fields[f].role === "price" && Object.keys(settings.page.prices.none).length > 0;
}
