import { type Bits, countBits, intersect, isEmpty, subtract, unite } from "../index/bits";
import type { Searcher } from "../prepare/searcher";
import { answersInPartOf, ENOUGH, type Weights, weighTerms } from "../query/match/coverage";
import type { FallbackResult } from "../query/match/fallback-result";
import { tryFallbacks, widen } from "../query/match/fallbacks";
import { nearAmounts } from "../query/match/near-amounts";
import { nearColours } from "../query/match/near-colours";
import type { TermMatch } from "../query/match/term-match";
import { answerAll } from "../query/match/terms";
import { CATEGORY, type Meaning } from "./understand";

/** A query that is understood, with the products that answer it. */
export interface Understanding extends Meaning {
  products: Bits;
  /** How many of them answer every word. */
  fullMatches: number;
  /** Those of them that come after the ones that answer every word as it is: found by words close to those typed, or answering a part. */
  behind: Bits | null;
  /** How much of what was meant each word carries, where products answer a part of it. */
  weights: Weights | null;
  leftOut: string[];
}

/**
 * Finds the products that answer a query: those that answer every word, with words close to those typed where they are few, and
 * by the fallbacks where there are none.
 * @param keptOut products that a shelf excludes.
 * @param mayFallBack whether fallbacks are tried; they are not where a shelf brings products.
 */
export function findAnswers(searcher: Searcher, meaning: Meaning, keptOut: Bits, mayFallBack: boolean): Understanding {
  const within = isEmpty(keptOut) ? meaning.within : subtract(meaning.within.slice(), keptOut);
  const products = answerAll(meaning.matches, within);
  const fullMatches = countBits(products);
  const understanding: Understanding = { ...meaning, within, products, fullMatches, behind: null, weights: null, leftOut: [] };
  if (fullMatches > 0) {
    if (meansNumber(understanding)) return understanding;
    const near = fullMatches < ENOUGH ? withNearValues(searcher, understanding) : understanding;
    const { few } = searcher.settings.misspelling;
    const widened = fullMatches < few ? withMore(near, widen(searcher, near.matches, within)) : near;
    return mayFallBack ? filledUp(searcher, widened) : widened;
  }
  const near = withNearValues(searcher, understanding);
  if (near.fullMatches > 0) return mayFallBack ? filledUp(searcher, near) : near;
  const fallback = mayFallBack ? tryFallbacks(searcher, meaning.matches, within, ofCategory(meaning, within)) : null;
  if (!fallback) return understanding;
  const found = { ...understanding, ...fallback, steps: [...meaning.steps, ...fallback.steps] };
  if (fallback.leftOut.length === 0) return filledUp(searcher, { ...found, fullMatches: countBits(found.products) });
  return { ...found, weights: weighTerms(searcher, found.matches) };
}

/** What is of nearly the colour or the amount that was named. */
function withNearValues(searcher: Searcher, found: Understanding): Understanding {
  const coloured = withMore(found, nearColours(searcher, found.matches, found.within));
  return withMore(coloured, nearAmounts(searcher, coloured.matches, found.within));
}

/** Where few products answer every word, those that answer most of what was meant come after them. */
function filledUp(searcher: Searcher, found: Understanding): Understanding {
  const { deadEnd } = searcher.settings;
  if (found.fullMatches >= ENOUGH || found.matches.length < 2 || !deadEnd.ladder.includes("partial")) return found;
  const weights = weighTerms(searcher, found.matches);
  const part = answersInPartOf(
    found.matches,
    weights,
    { among: found.within, meant: ofCategory(found, found.within) },
    found.products,
    deadEnd.least / 100,
  );
  if (!part) return found;
  const say = (terms: readonly TermMatch[]) => terms.map(({ queryTerm }) => queryTerm.label).join(" ");
  const to = say(found.matches.filter((_, i) => !part.left.includes(i)));
  return {
    ...found,
    products: unite(part.products.slice(), found.products),
    behind: found.behind ? unite(found.behind.slice(), part.products) : part.products,
    weights,
    steps: [...found.steps, { kind: "filled-up", from: say(found.matches), to }],
  };
}

/** The products of the category that a search is about; all where it is about none. */
function ofCategory({ preferred }: Meaning, within: Bits): Bits {
  const meant = preferred.find(({ rule }) => rule === CATEGORY);
  const inIt = meant ? intersect(meant.products.slice(), within) : within;
  return isEmpty(inIt) ? within : inIt;
}

/** A whole article number means its product and no other. */
function meansNumber({ matches }: Understanding): boolean {
  return matches.some(({ queryTerm }) => queryTerm.expansions.some(({ kind, via }) => kind === "listed" && via === "exact"));
}

/** When few products match, what is near to the words typed counts too; what only that finds comes after all else. */
function withMore(found: Understanding, wider: FallbackResult | null): Understanding {
  if (!wider) return found;
  const added = subtract(wider.products.slice(), found.products);
  if (isEmpty(added)) return found;
  const fullMatches = countBits(wider.products);
  const behind = found.fullMatches === 0 ? null : found.behind ? unite(added, found.behind) : added;
  return { ...found, matches: wider.matches, products: wider.products, fullMatches, behind, steps: [...found.steps, ...wider.steps] };
}
