import { type Bits, hasBit, isEmpty } from "../../index/bits";
import type { Searcher } from "../../prepare/searcher";
import { sayNumber } from "../../text/numerals";
import { convert, unitsLike } from "../../text/units";
import { fieldsWithUnit, numberTerms, type SaidAmount, saidAmountAt, termsOf } from "../numbers";
import { type Expansion, QUALITY, type Step } from "../types";
import { type FallbackResult, rematch } from "./fallback-result";
import { termLists } from "./lists";
import type { TermMatch } from "./term-match";
import { answerAll } from "./terms";

/** Amounts that differ by no more than this factor pass for the one that was meant; the nearest may differ by more, where none does. */
const ABOUT = 1.25;
const FARTHEST = 2;
/** More than any position. */
const PLACES = 0x10000;

/** An amount that products hold, in the unit that was typed, with what finds them. */
interface Held {
  amount: number;
  expansion: Expansion;
}

/**
 * Amounts near those that a query names, of what answers the rest of it: a watering can of 10 l may be one of 9 l where none is of ten.
 * Null where the query names no amount, or nothing is near.
 */
export function nearAmounts(searcher: Searcher, matches: readonly TermMatch[], among: Bits): FallbackResult | null {
  const steps: Step[] = [];
  const required = matches.filter(({ queryTerm }) => !queryTerm.optional);
  if (required.length < 2 || !isEmpty(answerAll(matches, among))) return null;
  const extra = matches.map((match): Expansion[] => {
    const { words, optional, label } = match.queryTerm;
    const said = optional ? null : saidAmountAt(searcher, words, 0);
    if (!said || said.words !== words.length) return [];
    const others = required.filter((other) => other !== match);
    const rest = answerAll(others, among);
    if (isEmpty(rest)) return [];
    const near = nearest(said, [...inTexts(searcher, said, rest), ...inFields(searcher, said, rest)]);
    if (near.length > 0) steps.push({ kind: "amount", from: label, to: [...new Set(near.map(({ matched }) => matched))].join(", ") });
    return near;
  });
  return steps.length === 0 ? null : rematch(searcher, matches, extra, among, steps);
}

/** By how much an amount is beside what was said, as a factor from 1. */
function distance({ min, max }: SaidAmount, amount: number): number {
  if (amount >= min && amount <= max) return 1;
  return amount < min ? min / amount : amount / max;
}

function nearest(said: SaidAmount, held: readonly Held[]): Expansion[] {
  const byDistance = held
    .map((entry) => ({ ...entry, off: distance(said, entry.amount) }))
    .filter(({ off }) => off > 1 && off <= FARTHEST)
    .sort((a, b) => a.off - b.off);
  const [first] = byDistance;
  const limit = first ? Math.max(first.off, ABOUT) : 0;
  return byDistance
    .filter(({ off }) => off <= limit + 1e-9)
    .map(({ expansion, off }) => ({ ...expansion, quality: off <= first.off ? QUALITY.nearAmount : QUALITY.otherAmount }));
}

/** Numbers in front of a unit in the texts of some products. */
function inTexts(searcher: Searcher, said: SaidAmount, rest: Bits): Held[] {
  const numbers = numberTerms(searcher.index);
  return unitsLike(said.unit).flatMap((names): Held[] => {
    const units = termsOf(searcher.index, names);
    const places = placesOf(searcher, units, rest);
    if (places.size === 0) return [];
    return numbers.flatMap(({ term, amount: written }): Held[] => {
      const amount = convert(written, names[0], said.unit);
      if (amount === null || distance(said, amount) > FARTHEST || !isBefore(searcher, term, places, rest)) return [];
      const matched = `${sayNumber(written)} ${names[0]}`;
      return [{ amount, expansion: { kind: "sequence", slots: [[term], units], via: "number", matched, quality: 1 } }];
    });
  });
}

type Places = Map<number, Set<number>>;

/** Where terms are in the texts of some products, by field. */
function placesOf(searcher: Searcher, terms: readonly number[], rest: Bits): Places {
  const places: Places = new Map();
  for (const term of terms) {
    for (const { field, from, to, products, positionStarts, positions } of termLists(searcher, term)) {
      const known = places.get(field) ?? new Set();
      places.set(field, known);
      for (let i = from; positionStarts && i < to; i++) {
        if (!hasBit(rest, products[i])) continue;
        for (let p = positionStarts[i]; p < positionStarts[i + 1]; p++) known.add(products[i] * PLACES + positions[p]);
      }
    }
  }
  return places;
}

function isBefore(searcher: Searcher, term: number, places: Places, rest: Bits): boolean {
  return termLists(searcher, term).some(({ field, from, to, products, positionStarts, positions }) => {
    const known = places.get(field);
    if (!known || !positionStarts) return false;
    for (let i = from; i < to; i++) {
      if (!hasBit(rest, products[i])) continue;
      for (let p = positionStarts[i]; p < positionStarts[i + 1]; p++) if (known.has(products[i] * PLACES + positions[p] + 1)) return true;
    }
    return false;
  });
}

/** Amounts that number fields hold for some products. */
function inFields(searcher: Searcher, said: SaidAmount, rest: Bits): Held[] {
  const { index } = searcher;
  return fieldsWithUnit(searcher).flatMap(({ field, unit }): Held[] => {
    const column = index.columns[field];
    if (column.kind !== "numbers") return [];
    const holders = new Map<number, Set<number>>();
    for (let row = 0; row < column.numbers.length; row++) {
      const product = column.perOption ? index.optionProducts[row] : row;
      const amount = convert(column.numbers[row], unit, said.unit);
      if (amount === null || Number.isNaN(amount) || !hasBit(rest, product) || distance(said, amount) > FARTHEST) continue;
      holders.set(column.numbers[row], (holders.get(column.numbers[row]) ?? new Set()).add(product));
    }
    return [...holders].map(([written, products]) => ({
      amount: convert(written, unit, said.unit) ?? written,
      expansion: {
        kind: "listed",
        field,
        products: Uint32Array.from(products).sort(),
        via: "number",
        matched: `${written} ${index.fields[field].unit ?? unit}`,
        quality: 1,
      },
    }));
  });
}
