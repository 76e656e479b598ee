import { stemmerOf } from "../../text/stem";
import { layOutLexicon, packMarked } from "../lexicon";
import { smallestSpelling } from "../postings";
import { type Piece, rememberStrings, spliceStrings, stringAt, stringsOf } from "../strings";
import type { Index, Lexicon, Postings } from "../types";
import type { NewTerms } from "./postings";

/** The lexicon of the terms that are left; words that were there before keep their stems unless their spellings changed. */
export function amendLexicon(index: Index, { olds, edited }: NewTerms, postings: Postings, products: number): Lexicon {
  const { lexicon } = index;
  const keepsTerms = olds.length === lexicon.termStems.length && olds.every((old, i) => old === i);
  if (keepsTerms && edited.size === 0) return lexicon;
  const stem = stemmerOf(index.locale);
  const markedBefore = readMarked(lexicon);
  const oldStems = stringsOf(lexicon.stems);
  const countProducts = productCounter(postings, products);
  const termProducts = Uint32Array.from(olds, (old) => (old < 0 ? 0 : lexicon.termProducts[old]));
  const marked = Array.from(olds, (old) => markedBefore.get(old) ?? null);
  const freshStems = new Map<number, string>();
  for (const [term, { word, edit }] of edited) {
    marked[term] = addCounts(marked[term], edit.spellings);
    termProducts[term] = countProducts(term);
    freshStems.set(term, stem(smallestSpelling({ word, occurrences: countOccurrences(postings, term), marked: marked[term] })));
  }
  const packed = packMarked(marked);
  if (keepsTerms && [...freshStems].every(([term, text]) => text === oldStems[lexicon.termStems[term]]))
    return { ...lexicon, termProducts, marked: packed };
  const stems = Array.from(olds, (old, term) => freshStems.get(term) ?? oldStems[lexicon.termStems[old]]);
  if (keepsTerms) return layOutLexicon(lexicon.terms, stringsOf(lexicon.terms), stems, termProducts, packed);
  const before = stringsOf(lexicon.terms);
  const words = Array.from(olds, (old, term) => (old < 0 ? (edited.get(term)?.word ?? "") : before[old]));
  const pieces = Array.from(olds, (old, term): Piece => (old < 0 ? words[term] : old));
  const blob = spliceStrings(lexicon.terms, pieces);
  rememberStrings(blob, words);
  return layOutLexicon(blob, words, stems, termProducts, packed);
}

function readMarked({ marked }: Lexicon): Map<number, Map<string, number>> {
  const known = new Map<number, Map<string, number>>();
  for (let i = 0; i < marked.terms.length; i++) {
    const spellings = known.get(marked.terms[i]) ?? new Map<string, number>();
    spellings.set(stringAt(marked.spellings, i), marked.counts[i]);
    known.set(marked.terms[i], spellings);
  }
  return known;
}

function addCounts(before: ReadonlyMap<string, number> | null, changes: ReadonlyMap<string, number>): Map<string, number> | null {
  const counts = new Map(before ?? []);
  for (const [spelling, by] of changes) {
    const count = (counts.get(spelling) ?? 0) + by;
    if (count > 0) counts.set(spelling, count);
    else counts.delete(spelling);
  }
  return counts.size > 0 ? counts : null;
}

/** Counts the products that hold a term in any field. */
function productCounter({ listStarts, postingStarts, products }: Postings, count: number): (term: number) => number {
  const lastTerm = new Int32Array(count).fill(-1);
  return (term) => {
    const first = listStarts[term];
    const last = listStarts[term + 1];
    if (last - first === 1) return postingStarts[last] - postingStarts[first];
    let distinct = 0;
    for (let i = postingStarts[first]; i < postingStarts[last]; i++) {
      if (lastTerm[products[i]] === term) continue;
      lastTerm[products[i]] = term;
      distinct++;
    }
    return distinct;
  };
}

function countOccurrences({ listStarts, postingStarts, positionStarts }: Postings, term: number): number {
  return positionStarts[postingStarts[listStarts[term + 1]]] - positionStarts[postingStarts[listStarts[term]]];
}
