import { stringAt } from "../index/strings";
import type { Index } from "../index/types";

/** Number of titles that hold each term; zeros where there is no title. */
export function titlesHolding(index: Index): Uint32Array {
  const title = titleField(index);
  const counts = new Uint32Array(index.postings.listStarts.length - 1);
  visitLists(index, (term, field, from, to) => {
    if (field === title) counts[term] = to - from;
  });
  return counts;
}

/** The terms of each product's title, in their order. */
export function titleTerms(index: Index): number[][] {
  const title = titleField(index);
  const { products, positionStarts, positions } = index.postings;
  const places: { term: number; position: number }[][] = Array.from({ length: index.products }, () => []);
  visitLists(index, (term, field, from, to) => {
    if (field !== title) return;
    for (let p = from; p < to; p++)
      for (let i = positionStarts[p]; i < positionStarts[p + 1]; i++) places[products[p]].push({ term, position: positions[i] });
  });
  return places.map((words) => words.sort((a, b) => a.position - b.position).map(({ term }) => term));
}

/** Visits the postings of each term in each field. */
function visitLists(index: Index, visit: (term: number, field: number, from: number, to: number) => void): void {
  const { listStarts, listFields, postingStarts } = index.postings;
  for (let term = 0; term < listStarts.length - 1; term++)
    for (let list = listStarts[term]; list < listStarts[term + 1]; list++)
      visit(term, listFields[list], postingStarts[list], postingStarts[list + 1]);
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
export function nameOf(index: Index, titles: readonly number[][], holders: Uint32Array, term: number): string {
  const word = stringAt(index.lexicon.terms, term);
  const next = new Map<number, number>();
  let total = 0;
  for (const words of titles) {
    const at = words.indexOf(term);
    if (at < 0) continue;
    total++;
    if (at + 1 < words.length) next.set(words[at + 1], (next.get(words[at + 1]) ?? 0) + 1);
  }
  const [best] = [...next].sort(([, a], [, b]) => b - a);
  if (!best || best[1] < 0.9 * total || holders[best[0]] > 12 * holders[term]) return word;
  return `${word} ${stringAt(index.lexicon.terms, best[0])}`;
}
