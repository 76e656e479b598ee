import type { Stem } from "../text/stem";
import { smallestSpelling, type TermSpellings } from "./postings";
import { packStrings, type StringBlob } from "./strings";
import type { Lexicon, MarkedSpellings, Postings } from "./types";

/** Which letters a folded word holds: bit 0 for a … bit 25 for z, bit 26 for all else. */
export function letterMask(word: string): number {
  let mask = 0;
  for (let i = 0; i < word.length; i++) {
    const letter = word.charCodeAt(i) - 97;
    mask |= 1 << (letter >= 0 && letter < 26 ? letter : 26);
  }
  return mask;
}

/** @param spellings of each term, terms sorted by code unit. */
export function buildLexicon(spellings: readonly TermSpellings[], postings: Postings, stem: Stem, products: number): Lexicon {
  const terms = spellings.map(({ word }) => word);
  return layOutLexicon(
    packStrings(terms),
    terms,
    spellings.map((entry) => stem(smallestSpelling(entry))),
    countProducts(postings, terms.length, products),
    packMarked(spellings.map(({ marked }) => marked)),
  );
}

/** Lays out the lexicon of terms whose stems and numbers of products are known. */
export function layOutLexicon(
  blob: StringBlob,
  terms: readonly string[],
  stemsOfTerms: readonly string[],
  termProducts: Uint32Array,
  marked: MarkedSpellings,
): Lexicon {
  const stems = [...new Set(stemsOfTerms)].sort((a, b) => (a < b ? -1 : 1));
  const stemPlaces = new Map(stems.map((text, i) => [text, i]));
  const termStems = Uint32Array.from(stemsOfTerms, (text) => stemPlaces.get(text) ?? 0);
  const { starts: stemStarts, members: stemTerms } = groupBy(termStems, stems.length);

  const lengths = Uint32Array.from(terms, (term) => Math.min(term.length, 255));
  const longest = lengths.reduce((most, length) => Math.max(most, length), 0);
  const { starts: lengthStarts, members: byLength } = groupBy(lengths, longest + 1);

  return {
    terms: blob,
    termProducts,
    stems: packStrings(stems),
    termStems,
    stemStarts,
    stemTerms,
    byLength,
    lengthStarts,
    letterMasks: Uint32Array.from(terms, letterMask),
    marked,
  };
}

export function packMarked(marked: readonly (ReadonlyMap<string, number> | null)[]): MarkedSpellings {
  const terms: number[] = [];
  const spellings: string[] = [];
  const counts: number[] = [];
  marked.forEach((entries, term) => {
    for (const [spelling, count] of [...(entries ?? [])].sort(([a], [b]) => (a < b ? -1 : 1))) {
      terms.push(term);
      spellings.push(spelling);
      counts.push(count);
    }
  });
  return { terms: Uint32Array.from(terms), spellings: packStrings(spellings), counts: Uint32Array.from(counts) };
}

/** Members of each group in ascending order: group g has `members[starts[g] .. starts[g + 1]]`. */
function groupBy(groups: Uint32Array, count: number): { starts: Uint32Array; members: Uint32Array } {
  const starts = new Uint32Array(count + 1);
  for (const group of groups) starts[group + 1]++;
  for (let i = 0; i < count; i++) starts[i + 1] += starts[i];
  const cursors = starts.slice(0, count);
  const members = new Uint32Array(groups.length);
  for (let i = 0; i < groups.length; i++) members[cursors[groups[i]]++] = i;
  return { starts, members };
}

function countProducts(postings: Postings, terms: number, products: number): Uint32Array {
  const counts = new Uint32Array(terms);
  const lastTerm = new Int32Array(products).fill(-1);
  for (let term = 0; term < terms; term++) {
    const from = postings.postingStarts[postings.listStarts[term]];
    const to = postings.postingStarts[postings.listStarts[term + 1]];
    for (let i = from; i < to; i++) {
      const product = postings.products[i];
      if (lastTerm[product] === term) continue;
      lastTerm[product] = term;
      counts[term]++;
    }
  }
  return counts;
}
