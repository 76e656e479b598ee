import { stringAt } from "../index/strings";
import type { Index } from "../index/types";

/** The titles of a catalogue as terms. */
export interface Titles {
  /** The terms of each product's title, in their order. */
  terms: readonly number[][];
  /** The products whose title holds a term, by their row. */
  holding: (term: number) => Uint32Array;
}

/** Terms or titles between two steps. */
const STEP = 1_000;

/** Reads the titles of a catalogue in steps; where there is no title, none holds anything. */
export function* titlesInSteps(index: Index): Generator<null, Titles> {
  const { products, positionStarts, positions, listStarts } = index.postings;
  const title = titleField(index);
  const starts = new Uint32Array(listStarts.length - 1);
  const ends = new Uint32Array(listStarts.length - 1);
  const places: { term: number; position: number }[][] = Array.from({ length: index.products }, () => []);
  for (let term = 0; term < starts.length; term++) {
    if (term % STEP === 0) yield null;
    [starts[term], ends[term]] = postingsIn(index, term, title);
    for (let p = starts[term]; p < ends[term]; p++)
      for (let i = positionStarts[p]; i < positionStarts[p + 1]; i++) places[products[p]].push({ term, position: positions[i] });
  }
  const terms: number[][] = [];
  for (const words of places) {
    if (terms.length % STEP === 0) yield null;
    terms.push(words.sort((a, b) => a.position - b.position).map(({ term }) => term));
  }
  return { terms, holding: (term) => products.subarray(starts[term], ends[term]) };
}

/** Number of titles that hold each term; zeros where there is no title. */
export function titlesHolding(index: Index): Uint32Array {
  const title = titleField(index);
  return Uint32Array.from({ length: index.postings.listStarts.length - 1 }, (_, term) => {
    const [from, to] = postingsIn(index, term, title);
    return to - from;
  });
}

/** Where the postings of a term in a field are; two zeros where there are none. */
function postingsIn(index: Index, term: number, field: number): [from: number, to: number] {
  const { listStarts, listFields, postingStarts } = index.postings;
  for (let list = listStarts[term]; list < listStarts[term + 1]; list++)
    if (listFields[list] === field) return [postingStarts[list], postingStarts[list + 1]];
  return [0, 0];
}

export const titleField = (index: Index): number => index.fields.findIndex((field) => field.role === "title");

/** Whether a title goes on with one term right after another. */
export function followsIn(words: readonly number[], a: number, b: number): boolean {
  return words.some((term, i) => term === a && words[i + 1] === b);
}

/**
 * The name that a word is part of: the word with the one that follows it in nearly all titles ("spring onion"), unless
 * that one is a word for all kinds of things ("seeds").
 */
export function nameOf(index: Index, { terms, holding }: Titles, term: number): string {
  const word = stringAt(index.lexicon.terms, term);
  const next = new Map<number, number>();
  const own = holding(term);
  for (const product of own) {
    const after = terms[product][terms[product].indexOf(term) + 1];
    if (after !== undefined) next.set(after, (next.get(after) ?? 0) + 1);
  }
  const [best] = [...next].sort(([, a], [, b]) => b - a);
  if (!best || best[1] < 0.9 * own.length || holding(best[0]).length > 12 * own.length) return word;
  return `${word} ${stringAt(index.lexicon.terms, best[0])}`;
}
