import { type Bits, countBits, intersect, isEmpty } from "../index/bits";
import type { Searcher } from "../prepare/searcher";
import { findArticleNumbers, type NumberMatch } from "../query/article-numbers";
import { cleanQuery, sayWords } from "../query/clean";
import { interpret } from "../query/interpret";
import { correctWords } from "../query/match/correct";
import { climbLadder, widen } from "../query/match/ladder";
import { splitCompounds } from "../query/match/split";
import type { UnitMatch } from "../query/match/unit-match";
import { answerAll, matchUnit } from "../query/match/units";
import { findPointers, type Pointer, pointerSteps } from "../query/pointers";
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
  /** Words that restrict the results to a part of the range, and those whose part stands before the rest. */
  pointers: Pointer[];
  preferred: Pointer[];
  matches: UnitMatch[];
  /** Products that may stand in the place and are in the parts pointed to. */
  within: Bits;
  products: Bits;
  /** Products found only because words were widened; null when nothing was. */
  onlyWidened: Bits | null;
  steps: Step[];
  leftOut: string[];
  didYouMean: string[];
}

/**
 * Finds the products that answer a query: words that stand for a part of the range, expansion, correction of unknown
 * words, widening when few match, and the ladder when none does.
 * @param among products that may stand in the place asked for; all decisions are taken on them.
 * @param mayClimb whether the ladder is tried; it is not where the acting shelf brings products.
 * @param mayWiden whether words close to those typed are tried where few products match; not where it only counts that some do.
 * @param at the moment, for conditions that depend on it.
 */
export function understand(
  searcher: Searcher,
  query: ReadQuery,
  among: Bits,
  { typing, mayClimb, mayWiden = true, at }: { typing: boolean; mayClimb: boolean; mayWiden?: boolean; at: number },
): Understanding {
  const few = mayWiden ? searcher.settings.misspelling.few : 0;
  const pointers = findPointers(searcher, query.words, at);
  // Where nothing is left, pointers are put back among the words one at a time, the last one first.
  for (let used = pointers.length; used > 0; used--) {
    const result = withPointers(searcher, query, pointers.slice(0, used), pointers.slice(used), among, typing);
    if (!isEmpty(result.products)) return countBits(result.products) < few ? addWidened(searcher, result) : result;
  }
  const result = withPointers(searcher, query, [], pointers, among, typing);
  const found = countBits(result.products);
  if (found > 0) return found < few ? addWidened(searcher, result) : result;
  if (!mayClimb) return result;
  const rescue = climbLadder(searcher, result.matches, among);
  return rescue ? { ...result, ...rescue, steps: [...result.steps, ...rescue.steps] } : result;
}

function withPointers(
  searcher: Searcher,
  query: ReadQuery,
  used: readonly Pointer[],
  back: readonly Pointer[],
  among: Bits,
  typing: boolean,
): Understanding {
  const taken = new Set(used.flatMap(({ words }) => words));
  const left = (words: readonly QueryWord[]) => words.filter((word) => !taken.has(word));
  // Words that only express a preference restrict nothing, unless they are all there is.
  const isAll =
    used.some((pointer) => pointer.as === "prefer") && interpret(searcher, left(query.words), [], false, true).units.length === 0;
  const restricting = used.filter((pointer) => pointer.as === "filter" || isAll);
  const within = restricting.reduce<Bits>((bits, { products }) => intersect(bits, products), among.slice());

  const split = splitCompounds(searcher, query.words, typing, taken);
  const first = interpret(searcher, left(split.words), query.numbers, typing, taken.size > 0);
  const corrected = correctWords(searcher, split.words, first.units, within, !typing);
  const hasChanged = corrected.steps.length > 0;
  const { units, steps } = hasChanged ? interpret(searcher, left(corrected.words), query.numbers, typing, taken.size > 0) : first;
  const matches = units.map((unit) => matchUnit(searcher, unit));
  return {
    searched: sayWords(corrected.words),
    stems: corrected.words.map((word) => word.stem),
    pointers: restricting,
    preferred: used.filter((pointer) => !restricting.includes(pointer)),
    matches,
    within,
    products: answerAll(matches, within),
    onlyWidened: null,
    steps: [...pointerSteps(used, back), ...split.steps, ...corrected.steps, ...steps],
    leftOut: [],
    didYouMean: corrected.alternatives,
  };
}

/** When few products match, words close to those typed count too; what only they find stands after all else. */
function addWidened(searcher: Searcher, result: Understanding): Understanding {
  // A whole article number means its product and no other.
  if (result.matches.some(({ unit }) => unit.expansions.some((expansion) => expansion.kind === "listed" && expansion.via === "exact")))
    return result;
  const wider = widen(searcher, result.matches, result.within);
  if (!wider) return result;
  const onlyWidened = wider.products.slice();
  for (let i = 0; i < onlyWidened.length; i++) onlyWidened[i] &= ~result.products[i];
  if (isEmpty(onlyWidened)) return result;
  return { ...result, matches: wider.matches, products: wider.products, onlyWidened, steps: [...result.steps, ...wider.steps] };
}
