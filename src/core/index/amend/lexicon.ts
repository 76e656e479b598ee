import { stemmerOf } from "../../text/stem";
import { layOutLexicon, packMarked } from "../lexicon";
import { smallestSpelling } from "../postings";
import { type Piece, rememberStrings, spliceStrings, stringAt, stringsOf } from "../strings";
import type { Index, Lexicon, Postings } from "../types";
import type { NewTerm } from "./postings";

/** The lexicon of the terms that are left; words that were there before keep their stems unless their spellings changed. */
export function amendLexicon(index: Index, terms: readonly NewTerm[], postings: Postings): Lexicon {
  const { lexicon } = index;
  if (terms.every(({ edit }, i) => edit === null && terms[i].old === i) && terms.length === lexicon.termStems.length) return lexicon;
  const stem = stemmerOf(index.locale);
  const markedBefore = readMarked(lexicon);
  const oldStems = stringsOf(lexicon.stems);
  const termProducts = new Uint32Array(terms.length);
  const stems: string[] = [];
  const marked = terms.map(({ old, edit }) => (edit ? addCounts(markedBefore.get(old), edit.spellings) : (markedBefore.get(old) ?? null)));
  terms.forEach(({ word, old, edit }, term) => {
    if (edit === null) {
      termProducts[term] = lexicon.termProducts[old];
      stems.push(oldStems[lexicon.termStems[old]]);
      return;
    }
    termProducts[term] = countProductsOf(postings, term);
    stems.push(stem(smallestSpelling({ word, occurrences: countOccurrences(postings, term), marked: marked[term] })));
  });
  const keepsTerms = terms.length === lexicon.termStems.length && terms.every(({ old }, i) => old === i);
  const words = keepsTerms ? stringsOf(lexicon.terms) : terms.map(({ word }) => word);
  const blob = keepsTerms
    ? lexicon.terms
    : spliceStrings(
        lexicon.terms,
        terms.map(({ word, old }): Piece => (old < 0 ? word : old)),
      );
  rememberStrings(blob, words);
  const keepsStems = keepsTerms && terms.every(({ edit }, i) => edit === null || stems[i] === oldStems[lexicon.termStems[i]]);
  if (keepsStems) return { ...lexicon, termProducts, marked: packMarked(marked) };
  return layOutLexicon(blob, words, stems, termProducts, packMarked(marked));
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

function addCounts(before: ReadonlyMap<string, number> | undefined, changes: ReadonlyMap<string, number>): Map<string, number> | null {
  const counts = new Map(before ?? []);
  for (const [spelling, by] of changes) {
    const count = (counts.get(spelling) ?? 0) + by;
    if (count > 0) counts.set(spelling, count);
    else counts.delete(spelling);
  }
  return counts.size > 0 ? counts : null;
}

function countProductsOf({ listStarts, postingStarts, products }: Postings, term: number): number {
  const first = listStarts[term];
  const last = listStarts[term + 1];
  if (last - first === 1) return postingStarts[last] - postingStarts[first];
  const distinct = new Set<number>();
  for (let i = postingStarts[first]; i < postingStarts[last]; i++) distinct.add(products[i]);
  return distinct.size;
}

function countOccurrences({ listStarts, postingStarts, positionStarts }: Postings, term: number): number {
  return positionStarts[postingStarts[listStarts[term + 1]]] - positionStarts[postingStarts[listStarts[term]]];
}
