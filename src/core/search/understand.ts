import { type Bits, intersect, isEmpty, unite } from "../index/bits";
import type { Searcher } from "../prepare/searcher";
import { sayWords } from "../query/clean";
import { type FilterIntent, findIntents, intentSteps } from "../query/intents";
import { interpret } from "../query/interpret";
import { fieldsOfLimit, type Limit } from "../query/limits/limit";
import { productsWithin, type Within } from "../query/limits/products-within";
import { categoryMeant } from "../query/match/category-meant";
import { correctWords } from "../query/match/correct";
import { splitCompounds } from "../query/match/split";
import type { TermMatch } from "../query/match/term-match";
import { answerAll, matchTerm } from "../query/match/terms";
import type { QueryWord, Step } from "../query/types";
import type { ReadQuery } from "./read-query";

/** What a factor is called that no rule gives: the category that the search is about. */
export const CATEGORY = "category";

/** What the words of a query mean among the products of a place. What a shelf keeps out or brings changes no meaning. */
export interface Meaning {
  searched: string;
  /** What was said of the price, and of what is not wanted. */
  read: ReadLimit[];
  stems: string[];
  /** Words that restrict the results to a part of the range, and those whose part comes before the rest. */
  intents: FilterIntent[];
  preferred: Pick<FilterIntent, "rule" | "label" | "products">[];
  matches: TermMatch[];
  /** Products of the place that are in the parts meant. */
  within: Bits;
  steps: Step[];
  didYouMean: string[];
}

/** A limit as it is read, with the products that it leaves. */
export type ReadLimit = Pick<Limit, "id" | "text"> & Within & { field: number | null };

/**
 * Understands the words of a query: words that stand for a part of the range, expansion, correction of unknown words.
 * @param among products that may be in the place asked for; words are corrected to what finds some of them.
 * @param typing whether the last word may be unfinished.
 * @param at the moment, in milliseconds since 1970 UTC, for conditions that depend on it.
 */
export function understandWords(searcher: Searcher, query: ReadQuery, among: Bits, typing: boolean, at: number): Meaning {
  const limits = query.limits.filter(({ isOff }) => !isOff);
  // Where nothing is left, limits are put back among the words, the last one first.
  for (let used = limits.length; used > 0; used--) {
    const meaning = withLimits(searcher, query, limits.slice(0, used), among, typing, at);
    if (!isEmpty(answersInAny(searcher, meaning))) return meaning;
  }
  return withLimits(searcher, query, [], among, typing, at);
}

/** What a query means within some of its limits. */
function withLimits(searcher: Searcher, query: ReadQuery, limits: readonly Limit[], among: Bits, typing: boolean, at: number): Meaning {
  const taken = new Set([...limits, ...query.limits.filter(({ isOff }) => isOff)].flatMap(({ words }) => words));
  const read = new Map<Limit, ReadLimit>();
  const limit = (bits: Bits, some: readonly Limit[], found: Bits) =>
    some.reduce<Bits>((left, one) => {
      const within = productsWithin(searcher, one, found);
      read.set(one, { id: one.id, text: one.text, field: fieldsOfLimit(one)[0] ?? null, ...within });
      return intersect(left, within.products);
    }, bits.slice());
  const isCheap = (one: Limit) => one.kind === "price" && one.isCheap;
  const fixed = limit(
    among,
    limits.filter((one) => !isCheap(one)),
    among,
  );
  const meaning = withFilterIntents(
    searcher,
    { ...query, words: query.words.filter((word) => !taken.has(word)) },
    fixed,
    typing,
    at,
    taken.size > 0,
  );
  // What is cheap is the lower part of what is found without it.
  const within = limit(meaning.within, limits.filter(isCheap), answersInAny(searcher, meaning));
  const said = limits.flatMap((one) => read.get(one) ?? []);
  const steps = said.map(
    ({ text, min, max, without }): Step =>
      min === null && max === null
        ? { kind: "without", from: text, to: without.join(", ") }
        : { kind: "price", from: text, to: sayRange(min, max) },
  );
  const searched = [meaning.searched, ...said.map(({ text }) => text)].filter((text) => text !== "").join(" ");
  return { ...meaning, within, read: said, searched, steps: [...steps, ...meaning.steps] };
}

const sayRange = (min: number | null, max: number | null) => `${min ?? ""}..${max ?? ""}`;

/** The products that answer every word, or where none does and the shop shows such, any of them. */
function answersInAny({ settings }: Searcher, { matches, within }: Meaning): Bits {
  const full = answerAll(matches, within);
  if (!isEmpty(full) || !settings.deadEnd.ladder.includes("partial")) return full;
  const any = within.slice().fill(0);
  for (const { products, queryTerm } of matches) if (!queryTerm.optional) unite(any, products);
  return intersect(any, within);
}

/** What a query means, with words that stand for a part of the range. */
function withFilterIntents(searcher: Searcher, query: ReadQuery, among: Bits, typing: boolean, at: number, isRest: boolean): Meaning {
  const intents = findIntents(searcher, query.words, at);
  // Where nothing is left, intents are put back among the words one at a time, the last one first.
  for (let used = intents.length; used > 0; used--) {
    const meaning = withIntents(searcher, query, intents.slice(0, used), intents.slice(used), among, typing, isRest);
    if (!isEmpty(answerAll(meaning.matches, meaning.within))) return meaning;
  }
  return withIntents(searcher, query, [], intents, among, typing, isRest);
}

function withIntents(
  searcher: Searcher,
  query: ReadQuery,
  used: readonly FilterIntent[],
  back: readonly FilterIntent[],
  among: Bits,
  typing: boolean,
  isRest: boolean,
): Meaning {
  const taken = new Set(used.flatMap(({ words }) => words));
  const left = (words: readonly QueryWord[]) => words.filter((word) => !taken.has(word));
  // Words that only express a preference restrict nothing, unless they are all there is.
  const isAll =
    used.some((intent) => intent.as === "prefer") && interpret(searcher, left(query.words), [], false, true).queryTerms.length === 0;
  const restricting = used.filter((intent) => intent.as === "filter" || isAll);
  const within = restricting.reduce<Bits>((bits, { products }) => intersect(bits, products), among.slice());

  const split = splitCompounds(searcher, query.words, typing, taken);
  const first = interpret(searcher, left(split.words), query.numbers, typing, isRest || taken.size > 0);
  const corrected = correctWords(searcher, split.words, first.queryTerms, within, !typing);
  const hasChanged = corrected.steps.length > 0;
  const { queryTerms, steps } = hasChanged
    ? interpret(searcher, left(corrected.words), query.numbers, typing, isRest || taken.size > 0)
    : first;
  const matches = queryTerms.map((queryTerm) => matchTerm(searcher, queryTerm));
  const category = categoryMeant(searcher, matches);
  const meant = category ? [{ rule: CATEGORY, label: category.label, products: category.products }] : [];
  const said: Step[] = category ? [{ kind: "category-first", from: category.label, to: category.name }] : [];
  return {
    searched: sayWords(corrected.words),
    stems: corrected.words.map((word) => word.stem),
    intents: restricting,
    preferred: [...used.filter((intent) => !restricting.includes(intent)), ...meant],
    matches,
    within,
    read: [],
    steps: [...intentSteps(used, back), ...split.steps, ...corrected.steps, ...steps, ...said],
    didYouMean: corrected.alternatives,
  };
}

/**
 * The products that answer every word of a query, without anything that is tried where they are few.
 * @param isPartEnough whether those that answer a part of it will do, in a shop that shows such.
 */
export function answersTo(searcher: Searcher, query: ReadQuery, among: Bits, at: number, isPartEnough = false): Bits {
  const meaning = understandWords(searcher, query, among, false, at);
  return isPartEnough ? answersInAny(searcher, meaning) : answerAll(meaning.matches, meaning.within);
}
