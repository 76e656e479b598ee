import { type Bits, countBits, eachBit, intersect, subtract } from "../index/bits";
import type { Searcher } from "../prepare/searcher";
import type { Asked } from "./asked";
import { baseSet, bringsProducts, type CandidateScope, type PlaceScope, scopeOfPlace, scopeWithShelf } from "./candidate-scope";
import { chooseShelves, type Shelves } from "./choose-shelves";
import { findAnswers, type Understanding } from "./find-answers";
import { guidesAlone } from "./pages";
import { tiers } from "./ranked";
import { type Meaning, understandWords } from "./understand";

/** What a search finds, before it is put in an order. */
export interface Found {
  shelves: Shelves;
  scope: CandidateScope;
  understanding: Understanding;
  /** What answers the query and may be in the place. */
  matching: Bits;
  /** The base set before the limit of the shelf cuts it, and how many of it that keeps; null for all. */
  uncut: Bits;
  end: number | null;
  /** Whether nothing stands but what the shelf brings. */
  endsAtOnce: boolean;
}

/** Understands a search, chooses its shelves and finds its products. */
export function findProducts(asked: Asked): Found {
  const { searcher, query, place, category, within, typing, circumstances } = asked;
  const scope = scopeOfPlace(searcher, place, category, circumstances.at, within);
  const meaning = understandWords(searcher, query, scope.open, typing, circumstances.at);
  return findFor(asked, scope, meaning, chooseShelves(asked, meaning));
}

/** The products of a search that is understood and whose shelves are chosen. */
function findFor(asked: Asked, place: PlaceScope, meaning: Meaning, shelves: Shelves): Found {
  const { searcher, query, within, circumstances } = asked;
  const shelf = shelves.finding?.shelf ?? null;
  const scope = scopeWithShelf(searcher, place, shelf, circumstances.at, within !== null);
  const answers = findAnswers(searcher, meaning, scope.excluded, !bringsProducts(scope));
  const isForGuides = answers.leftOut.length > 0 && mayBeGuides(asked) && guidesAlone(searcher, query.typed);
  const understanding = isForGuides ? findAnswers(searcher, meaning, scope.excluded, false) : answers;
  const matching = withoutAskedFor(searcher, scope, understanding, query.typed);
  const end = shelf?.after === "nothing" ? shelf.end : null;
  const brought = scope.pinned.size + scope.added.size;
  const endsAtOnce = end !== null && brought > 0 && end <= brought;
  return { shelves, scope, understanding, matching, uncut: baseSet(scope, matching, endsAtOnce), end: end || null, endsAtOnce };
}

/** Whether guides may be the result of a search: of the whole shop, where the shop shows guides. */
export function mayBeGuides({ searcher, category, within, typing }: Asked): boolean {
  return category === null && within === null && !typing && searcher.settings.page.content.results.includes("pages");
}

/** What a search finds, without putting it in an order, and the shelf that leads it elsewhere. */
export function countFound(asked: Asked) {
  const { uncut, end, shelves, understanding } = findProducts(asked);
  const count = countBits(uncut);
  return { count: end === null ? count : Math.min(count, end), products: uncut, redirecting: shelves.redirecting, understanding };
}

/** What answers the query, without what is sold out and comes only when asked for by name or number. */
function withoutAskedFor(searcher: Searcher, scope: CandidateScope, understanding: Understanding, typed: string): Bits {
  const matching = understanding.products.slice();
  const askedFor = searcher.stock.askedFor[scope.place];
  if (!askedFor) return matching;
  const tierOf = tiers(searcher, understanding, typed);
  const absent = intersect(matching.slice(), askedFor);
  eachBit(absent.slice(), (product) => {
    if (tierOf && tierOf(product) > 0) absent[product >>> 5] &= ~(1 << (product & 31));
  });
  return subtract(matching, absent);
}
