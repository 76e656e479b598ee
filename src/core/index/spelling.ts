import { spellUmlauts } from "../text/fold";
import { findSorted, stringAt, stringsOf } from "./strings";
import type { Lexicon } from "./types";

interface Spellings {
  /** By term: its commonest spelling with diacritics. */
  marked: Map<number, string>;
  /** By term: the spelling that it is of a word with umlauts, which is indexed as both. */
  spelt: Map<number, string>;
}

const remembered = new WeakMap<Lexicon, Spellings>();

function spellingsOf(lexicon: Lexicon): Spellings {
  const known = remembered.get(lexicon);
  if (known) return known;
  const made: Spellings = { marked: new Map(), spelt: new Map() };
  const most = new Map<number, number>();
  const { terms, spellings, counts } = lexicon.marked;
  stringsOf(spellings).forEach((spelling, i) => {
    if (counts[i] > (most.get(terms[i]) ?? 0)) {
      most.set(terms[i], counts[i]);
      made.marked.set(terms[i], spelling);
    }
    const spelt = spellUmlauts(spelling);
    const term = spelt === null ? -1 : findSorted(lexicon.terms, spelt);
    if (term >= 0) made.spelt.set(term, spelling);
  });
  // One that most products have without its marks is written without them.
  for (const [term, count] of most) if (2 * count < lexicon.termProducts[term]) made.marked.delete(term);
  remembered.set(lexicon, made);
  return made;
}

/** A word of the catalogue as it is mostly written: "Möhren", not "mohren" nor "moehren". Lower case. */
export function writtenAs(lexicon: Lexicon, term: number): string {
  const { marked, spelt } = spellingsOf(lexicon);
  return spelt.get(term) ?? marked.get(term) ?? stringAt(lexicon.terms, term);
}
