import { type Bits, countBits, isEmpty } from "../index/bits";
import { correctWords } from "../match/correct";
import { climbLadder, widen } from "../match/ladder";
import { splitCompounds } from "../match/split";
import { answerAll, matchUnit, type UnitMatch } from "../match/units";
import type { Searcher } from "../prepare/searcher";
import { findArticleNumbers, type NumberMatch } from "../query/article-numbers";
import { cleanQuery, sayWords } from "../query/clean";
import { interpret } from "../query/interpret";
import { readAs } from "../query/read-as";
import type { QueryWord, Step } from "../query/types";

/** A query read as far as it can be without knowing which products may stand where it is asked. */
export interface ReadQuery {
  typed: string;
  words: QueryWord[];
  numbers: NumberMatch[];
  steps: Step[];
  typedStems: string[];
  readStems: string[];
}

export function readQuery(searcher: Searcher, typed: string): ReadQuery {
  const { words: cleaned, steps } = cleanQuery(typed, searcher.stem, searcher.words.literal);
  const words = readAs(searcher, cleaned, steps);
  return {
    typed,
    words,
    numbers: findArticleNumbers(searcher.index, typed),
    steps,
    typedStems: cleaned.map((word) => word.stem),
    readStems: words.map((word) => word.stem),
  };
}

/** What a query came to mean, and the products that answer it. */
export interface Understanding {
  searched: string;
  stems: string[];
  matches: UnitMatch[];
  products: Bits;
  /** Products found only because words were widened; null when nothing was. */
  onlyWidened: Bits | null;
  steps: Step[];
  leftOut: string[];
  didYouMean: string[];
}

/**
 * Finds the products that answer a query: expansion, correction of unknown words, widening when few match, and the
 * ladder when none does.
 * @param among products that may stand in the place asked for; all decisions are taken on them.
 * @param mayClimb whether the ladder is tried; it is not where the acting shelf brings products.
 */
export function understand(searcher: Searcher, query: ReadQuery, among: Bits, typing: boolean, mayClimb: boolean): Understanding {
  const split = splitCompounds(searcher, query.words, typing);
  const first = interpret(searcher, split.words, query.numbers, typing);
  const corrected = correctWords(searcher, split.words, first.units, among);
  const hasChanged = corrected.steps.length > 0;
  const { units, steps } = hasChanged ? interpret(searcher, corrected.words, query.numbers, typing) : first;
  const matches = units.map((unit) => matchUnit(searcher, unit));
  const result: Understanding = {
    searched: sayWords(corrected.words),
    stems: corrected.words.map((word) => word.stem),
    matches,
    products: answerAll(matches, among),
    onlyWidened: null,
    steps: [...split.steps, ...corrected.steps, ...steps],
    leftOut: [],
    didYouMean: corrected.alternatives,
  };
  const found = countBits(result.products);
  if (found > 0) return found < searcher.settings.misspelling.few ? addWidened(searcher, result, among) : result;
  if (!mayClimb) return result;
  const rescue = climbLadder(searcher, matches, among);
  return rescue ? { ...result, ...rescue, steps: [...result.steps, ...rescue.steps] } : result;
}

/** When few products match, words close to those typed count too; what only they find stands after all else. */
function addWidened(searcher: Searcher, result: Understanding, among: Bits): Understanding {
  // A whole article number means its product and no other.
  if (result.matches.some(({ unit }) => unit.expansions.some((expansion) => expansion.kind === "listed" && expansion.via === "exact")))
    return result;
  const wider = widen(searcher, result.matches, among);
  if (!wider) return result;
  const onlyWidened = wider.products.slice();
  for (let i = 0; i < onlyWidened.length; i++) onlyWidened[i] &= ~result.products[i];
  if (isEmpty(onlyWidened)) return result;
  return { ...result, matches: wider.matches, products: wider.products, onlyWidened, steps: [...result.steps, ...wider.steps] };
}
