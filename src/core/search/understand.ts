import { type Bits, countBits, intersect, isEmpty, subtract } from "../index/bits";
import type { Searcher } from "../prepare/searcher";
import { sayWords } from "../query/clean";
import { type FilterIntent, findIntents, intentSteps } from "../query/intents";
import { interpret } from "../query/interpret";
import { correctWords } from "../query/match/correct";
import { tryFallbacks, widen } from "../query/match/fallbacks";
import { splitCompounds } from "../query/match/split";
import type { TermMatch } from "../query/match/term-match";
import { answerAll, matchTerm } from "../query/match/terms";
import type { QueryWord, Step } from "../query/types";
import type { ReadQuery } from "./read-query";

/** What the words of a query mean among the products of a place. What a shelf keeps out or brings changes no meaning. */
export interface Meaning {
  searched: string;
  stems: string[];
  /** Words that restrict the results to a part of the range, and those whose part comes before the rest. */
  intents: FilterIntent[];
  preferred: FilterIntent[];
  matches: TermMatch[];
  /** Products of the place that are in the parts meant. */
  within: Bits;
  steps: Step[];
  didYouMean: string[];
}

/** A query that is understood, with the products that answer it. */
export interface Understanding extends Meaning {
  products: Bits;
  /** Products found only because words were widened; null when nothing was. */
  onlyWidened: Bits | null;
  leftOut: string[];
}

/**
 * Understands the words of a query: words that stand for a part of the range, expansion, correction of unknown words.
 * @param among products that may be in the place asked for; words are corrected to what finds some of them.
 * @param typing whether the last word may be unfinished.
 * @param at the moment, in milliseconds since 1970 UTC, for conditions that depend on it.
 */
export function understandWords(searcher: Searcher, query: ReadQuery, among: Bits, typing: boolean, at: number): Meaning {
  const intents = findIntents(searcher, query.words, at);
  // Where nothing is left, intents are put back among the words one at a time, the last one first.
  for (let used = intents.length; used > 0; used--) {
    const meaning = withIntents(searcher, query, intents.slice(0, used), intents.slice(used), among, typing);
    if (!isEmpty(answerAll(meaning.matches, meaning.within))) return meaning;
  }
  return withIntents(searcher, query, [], intents, among, typing);
}

function withIntents(
  searcher: Searcher,
  query: ReadQuery,
  used: readonly FilterIntent[],
  back: readonly FilterIntent[],
  among: Bits,
  typing: boolean,
): Meaning {
  const taken = new Set(used.flatMap(({ words }) => words));
  const left = (words: readonly QueryWord[]) => words.filter((word) => !taken.has(word));
  // Words that only express a preference restrict nothing, unless they are all there is.
  const isAll =
    used.some((intent) => intent.as === "prefer") && interpret(searcher, left(query.words), [], false, true).queryTerms.length === 0;
  const restricting = used.filter((intent) => intent.as === "filter" || isAll);
  const within = restricting.reduce<Bits>((bits, { products }) => intersect(bits, products), among.slice());

  const split = splitCompounds(searcher, query.words, typing, taken);
  const first = interpret(searcher, left(split.words), query.numbers, typing, taken.size > 0);
  const corrected = correctWords(searcher, split.words, first.queryTerms, within, !typing);
  const hasChanged = corrected.steps.length > 0;
  const { queryTerms, steps } = hasChanged ? interpret(searcher, left(corrected.words), query.numbers, typing, taken.size > 0) : first;
  return {
    searched: sayWords(corrected.words),
    stems: corrected.words.map((word) => word.stem),
    intents: restricting,
    preferred: used.filter((intent) => !restricting.includes(intent)),
    matches: queryTerms.map((queryTerm) => matchTerm(searcher, queryTerm)),
    within,
    steps: [...intentSteps(used, back), ...split.steps, ...corrected.steps, ...steps],
    didYouMean: corrected.alternatives,
  };
}

/** The products that answer every word of a query, without anything that is tried where they are few. */
export function answersTo(searcher: Searcher, query: ReadQuery, among: Bits, at: number): Bits {
  const { matches, within } = understandWords(searcher, query, among, false, at);
  return answerAll(matches, within);
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
  const found = countBits(products);
  const understanding: Understanding = { ...meaning, within, products, onlyWidened: null, leftOut: [] };
  if (found > 0) return found < searcher.settings.misspelling.few ? withWidened(searcher, understanding) : understanding;
  const fallback = mayFallBack ? tryFallbacks(searcher, meaning.matches, within) : null;
  return fallback ? { ...understanding, ...fallback, steps: [...meaning.steps, ...fallback.steps] } : understanding;
}

/** When few products match, words close to those typed count too; what only they find comes after all else. */
function withWidened(searcher: Searcher, found: Understanding): Understanding {
  // A whole article number means its product and no other.
  const isNumber = found.matches.some(({ queryTerm }) =>
    queryTerm.expansions.some((expansion) => expansion.kind === "listed" && expansion.via === "exact"),
  );
  const wider = isNumber ? null : widen(searcher, found.matches, found.within);
  if (!wider) return found;
  const onlyWidened = subtract(wider.products.slice(), found.products);
  if (isEmpty(onlyWidened)) return found;
  return { ...found, matches: wider.matches, products: wider.products, onlyWidened, steps: [...found.steps, ...wider.steps] };
}
