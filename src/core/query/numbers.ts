import { findSorted, stringsOf } from "../index/strings";
import type { Index } from "../index/types";
import type { Searcher } from "../prepare/searcher";
import type { Sentence } from "../prepare/sentences";
import { sayNumber } from "../text/numerals";
import { isDigits } from "../text/tokens";
import { convert, isUnit, sameAmount, unitsLike } from "../text/units";
import { expandForms } from "./expand";
import { phraseAt, priceWordsOf } from "./limits/price-words";
import { type Expansion, QUALITY, type QueryTerm, type QueryWord } from "./types";

/** The number at a place of a query; null where none is. */
export function numberAt(words: readonly QueryWord[], at: number): number | null {
  const amount = words[at] && isDigits(words[at].word) ? Number(words[at].word) : Number.NaN;
  return Number.isNaN(amount) ? null : amount;
}

/** An amount in a query with its unit, or a range of amounts ("10-12 cm", "10 to 12 cm"). */
export interface SaidAmount {
  min: number;
  max: number;
  unit: string;
  /** How many words it takes. */
  words: number;
}

export function saidAmountAt({ index }: Searcher, words: readonly QueryWord[], at: number): SaidAmount | null {
  const min = numberAt(words, at);
  if (min === null) return null;
  const between = phraseAt(priceWordsOf(index.locale).and, words, at + 1)?.length ?? 0;
  const second = at + 1 + between;
  const max = numberAt(words, second);
  // "10-12" is one piece of the query, "10 - 12" three of which the middle one has no word.
  const isTied = between > 0 || (max !== null && words[second].chunk - words[at].chunk !== 1);
  const isRange = max !== null && isTied && max > min;
  const unit = words[isRange ? second + 1 : at + 1]?.word;
  if (!unit || !isUnit(unit)) return null;
  return isRange ? { min, max, unit, words: second + 2 - at } : { min, max: min, unit, words: 2 };
}

/**
 * A number that is said with words around it: in a sentence form of a field ("9 cm pot"), or with its unit. The words
 * are side by side in a text, or a number field holds the amount. Null where no such thing starts at a place.
 */
export function saidNumber(searcher: Searcher, words: readonly QueryWord[], at: number): (QueryTerm & { rule?: string }) | null {
  for (const sentence of searcher.sentences) {
    const unit = inSentence(searcher, sentence, words, at);
    if (unit) return unit;
  }
  const amount = saidAmountAt(searcher, words, at);
  if (!amount) return null;
  const part = words.slice(at, at + amount.words);
  return { label: labelOf(part), words: part, expansions: [...inTexts(searcher, amount), ...inFields(searcher, amount)] };
}

/** The longest sentence that is at a place, its number anywhere in it. */
function inSentence(searcher: Searcher, { field, before, after }: Sentence, words: readonly QueryWord[], at: number): QueryTerm | null {
  if (!before.every((stem, i) => words[at + i]?.stem === stem)) return null;
  const amount = numberAt(words, at + before.length);
  if (amount === null) return null;
  const rest = at + before.length + 1;
  if (!after.every((stem, i) => words[rest + i]?.stem === stem)) return null;
  const part = words.slice(at, rest + after.length);
  const slots = part.map((word) => expandForms(searcher, word).flatMap((expansion) => (expansion.kind === "term" ? [expansion.term] : [])));
  const label = labelOf(part);
  const expansions: Expansion[] = slots.every((slot) => slot.length > 0)
    ? [{ kind: "sequence", slots, via: "phrase", matched: label, quality: QUALITY.exact }]
    : [];
  const products = productsWithNumber(searcher, field, amount, amount);
  if (products.length > 0) expansions.push({ kind: "listed", field, products, via: "number", matched: label, quality: QUALITY.number });
  return { label, words: part, expansions };
}

const labelOf = (words: readonly QueryWord[]) => words.map(({ surface }) => surface).join(" ");

/** Numbers and a unit behind them, side by side in a text, whatever of the units is written that measure the same. */
function inTexts(searcher: Searcher, { min, max, unit }: SaidAmount): Expansion[] {
  return unitsLike(unit).flatMap((names): Expansion[] => {
    const units = termsOf(searcher.index, names);
    const [from, to] = [convert(min, unit, names[0]) ?? min, convert(max, unit, names[0]) ?? max];
    const amounts = numberTerms(searcher.index).filter(({ amount }) => isBetween(amount, from, to));
    if (units.length === 0 || amounts.length === 0) return [];
    const matched = `${sayNumber(from)}${to > from ? `–${sayNumber(to)}` : ""} ${names[0]}`;
    return [{ kind: "sequence", slots: [amounts.map(({ term }) => term), units], via: "phrase", matched, quality: QUALITY.exact }];
  });
}

/** The terms of an index among some words. */
export const termsOf = ({ lexicon }: Index, words: readonly string[]): number[] =>
  words.map((word) => findSorted(lexicon.terms, word)).filter((term) => term >= 0);

/** A term that is a number. */
export interface NumberTerm {
  term: number;
  amount: number;
}

const numbersOf = new WeakMap<Index, NumberTerm[]>();

/** The terms of an index that are numbers. */
export function numberTerms(index: Index): NumberTerm[] {
  let known = numbersOf.get(index);
  if (!known) {
    const terms = stringsOf(index.lexicon.terms);
    known = terms.flatMap((text, term) => (isDigits(text) && !Number.isNaN(Number(text)) ? [{ term, amount: Number(text) }] : []));
    numbersOf.set(index, known);
  }
  return known;
}

/** Whether an amount is in a range but for the rounding of a conversion. */
const isBetween = (amount: number, min: number, max: number) =>
  (amount >= min && amount <= max) || sameAmount(amount, min) || sameAmount(amount, max);

/** Number fields that hold an amount, with the unit in which they hold it; the unit of a bare number is the one in its sentence form. */
export function fieldsWithUnit(searcher: Searcher): { field: number; unit: string }[] {
  return searcher.index.fields.flatMap(({ unit, type }, field) => {
    const own = unit?.toLowerCase() ?? searcher.sentences.find((sentence) => sentence.field === field)?.unit;
    return searcher.attributes.weights[field] <= 0 || type !== "number" || !own ? [] : [{ field, unit: own }];
  });
}

function inFields(searcher: Searcher, { min, max, unit }: SaidAmount): Expansion[] {
  return fieldsWithUnit(searcher).flatMap(({ field, unit: own }): Expansion[] => {
    const [from, to] = [convert(min, unit, own), convert(max, unit, own)];
    const products = from === null || to === null ? [] : productsWithNumber(searcher, field, from, to);
    if (products.length === 0) return [];
    const matched = `${from}${to === from ? "" : `–${to}`} ${searcher.index.fields[field].unit ?? own}`;
    return [{ kind: "listed", field, products: Uint32Array.from(products), via: "number", matched, quality: QUALITY.number }];
  });
}

function productsWithNumber(searcher: Searcher, f: number, min: number, max: number): Uint32Array {
  const column = searcher.index.columns[f];
  if (column.kind !== "numbers") return new Uint32Array(0);
  const products: number[] = [];
  for (let row = 0; row < column.numbers.length; row++) {
    if (!isBetween(column.numbers[row], min, max)) continue;
    const product = column.perOption ? searcher.index.optionProducts[row] : row;
    if (products.at(-1) !== product) products.push(product);
  }
  return Uint32Array.from(products);
}
