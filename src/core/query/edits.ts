import { ones } from "../index/bits";
import { letterMask } from "../index/lexicon";
import { stringsOf } from "../index/strings";
import type { Lexicon } from "../index/types";

/** How many edits a typed word may be away: none below 4 letters, one from 4, two from 8. */
export function editsAllowed(word: string): number {
  const letters = [...word].length;
  return letters < 4 ? 0 : letters < 8 ? 1 : 2;
}

interface Neighbour {
  term: number;
  edits: number;
}

/**
 * Terms within a number of edits: insertion, deletion, substitution, or a swap of neighbours, each one edit
 * (optimal string alignment). The word itself is not among them.
 */
export function neighbours(lexicon: Lexicon, word: string, most: number): Neighbour[] {
  if (most <= 0) return [];
  const terms = stringsOf(lexicon.terms);
  const mask = letterMask(word);
  const longest = Math.min(word.length + most, lexicon.lengthStarts.length - 2);
  const found: Neighbour[] = [];
  for (let length = Math.max(1, word.length - most); length <= longest; length++) {
    for (let i = lexicon.lengthStarts[length]; i < lexicon.lengthStarts[length + 1]; i++) {
      const term = lexicon.byLength[i];
      // One edit changes at most two letters of the set.
      if (ones(mask ^ lexicon.letterMasks[term]) > 2 * most) continue;
      const edits = distance(word, terms[term], most);
      if (edits > 0 && edits <= most) found.push({ term, edits });
    }
  }
  return found;
}

const rows = [new Uint8Array(256), new Uint8Array(256), new Uint8Array(256)];

/** Edits between two words, or `most + 1` when there are more. Words beyond 250 letters count as far apart. */
export function distance(a: string, b: string, most: number): number {
  if (a === b) return 0;
  if (Math.abs(a.length - b.length) > most || a.length > 250 || b.length > 250) return most + 1;
  let [before, last, row] = rows;
  for (let j = 0; j <= b.length; j++) last[j] = j;
  for (let i = 1; i <= a.length; i++) {
    row[0] = i;
    let best = i;
    const letter = a.charCodeAt(i - 1);
    for (let j = 1; j <= b.length; j++) {
      const other = b.charCodeAt(j - 1);
      let edits = Math.min(last[j] + 1, row[j - 1] + 1, last[j - 1] + (letter === other ? 0 : 1));
      if (i > 1 && j > 1 && letter === b.charCodeAt(j - 2) && a.charCodeAt(i - 2) === other) {
        edits = Math.min(edits, before[j - 2] + 1);
      }
      row[j] = edits;
      if (edits < best) best = edits;
    }
    if (best > most) return most + 1;
    [before, last, row] = [last, row, before];
  }
  return last[b.length];
}
