import { findSorted, prefixRun, stringAt, stringsOf } from "../index/strings";
import type { PhraseForms } from "../prepare/phrases";
import type { Searcher } from "../prepare/searcher";
import { hasDigit } from "../text/tokens";
import { editsAllowed, neighbours } from "./edits";
import { type Expansion, QUALITY, type QueryWord } from "./types";

const MOST_COMPLETIONS = 64;

/** The word itself and, unless it is literal, its other forms: terms of the same stem. */
export function expandForms(searcher: Searcher, word: QueryWord): Expansion[] {
  const { lexicon } = searcher.index;
  const own = findSorted(lexicon.terms, word.word);
  const expansions: Expansion[] = [];
  if (own >= 0) expansions.push({ kind: "term", term: own, via: "exact", matched: word.word, quality: QUALITY.exact });
  if (word.literal) return expansions;
  for (const term of termsOfStem(searcher, word.stem)) {
    if (term !== own) expansions.push({ kind: "term", term, via: "form", matched: stringAt(lexicon.terms, term), quality: QUALITY.form });
  }
  return expansions;
}

export function termsOfStem(searcher: Searcher, stem: string): Uint32Array {
  const { lexicon } = searcher.index;
  const place = findSorted(lexicon.stems, stem);
  return place < 0 ? new Uint32Array(0) : lexicon.stemTerms.subarray(lexicon.stemStarts[place], lexicon.stemStarts[place + 1]);
}

/** Whether a searchable field holds a word, in itself or as a form. */
export function isHeld(searcher: Searcher, word: QueryWord): boolean {
  const { held } = searcher.attributes;
  const own = findSorted(searcher.index.lexicon.terms, word.word);
  if (own >= 0 && held[own]) return true;
  return !word.literal && termsOfStem(searcher, word.stem).some((term) => held[term] === 1);
}

/** What a synonym adds: the words of its right side, in a row when there are several. */
export function expandSynonym(searcher: Searcher, right: PhraseForms, quality: number): Expansion[] {
  const { lexicon } = searcher.index;
  const slots = right.words.map((word, i) => {
    const terms = new Set<number>(termsOfStem(searcher, right.stems[i]));
    const own = findSorted(lexicon.terms, word);
    if (own >= 0) terms.add(own);
    return [...terms];
  });
  if (slots.some((slot) => slot.length === 0)) return [];
  if (slots.length > 1) return [{ kind: "sequence", slots, via: "synonym", matched: right.text, quality }];
  return slots[0].map((term) => {
    const matched = stringAt(lexicon.terms, term);
    const isForm = matched !== right.words[0];
    return { kind: "term", term, via: "synonym", matched, quality: quality * (isForm ? QUALITY.form : 1) };
  });
}

/** Longer words that a beginning leads to: at most 64, the most frequent first, then by alphabet. */
export function expandPrefix(searcher: Searcher, word: QueryWord): Expansion[] {
  if (hasDigit(word.word) || word.word === "") return [];
  const { lexicon } = searcher.index;
  const { held } = searcher.attributes;
  const { from, to } = prefixRun(lexicon.terms, word.word);
  const terms: number[] = [];
  for (let term = from; term < to; term++) if (held[term]) terms.push(term);
  // Terms are numbered by alphabet, so a stable sort by frequency is all it takes.
  terms.sort((a, b) => lexicon.termProducts[b] - lexicon.termProducts[a] || a - b);
  return terms
    .filter((term) => stringAt(lexicon.terms, term) !== word.word)
    .slice(0, MOST_COMPLETIONS)
    .map((term) => ({ kind: "term", term, via: "prefix", matched: stringAt(lexicon.terms, term), quality: QUALITY.prefix }));
}

/** Words close to a word, as far as typing allows. */
export function expandTypos(searcher: Searcher, word: QueryWord): Expansion[] {
  return corrections(searcher, word).map(({ term, edits }) => ({
    kind: "term",
    term,
    via: "typo",
    matched: stringAt(searcher.index.lexicon.terms, term),
    quality: edits === 1 ? QUALITY.oneEdit : QUALITY.twoEdits,
  }));
}

/**
 * Possible corrections of a word, the likeliest first: fewer edits, the same letters in another order (the commonest slip), first letter
 * kept, a letter left out rather than one too many, what something is called rather than a word of running text, in more products, alphabet.
 * @param most edits.
 */
export function corrections(searcher: Searcher, word: QueryWord, most = editsAllowed(word.word)): Correction[] {
  if (word.literal || hasDigit(word.word)) return [];
  const key = `${most} ${word.word}`;
  const known = remembered.get(searcher.attributes) ?? new Map<string, { words: Searcher["words"]; found: Correction[] }>();
  remembered.set(searcher.attributes, known);
  const last = known.get(key);
  if (last?.words === searcher.words) return last.found;
  const found = findCorrections(searcher, word.word, most);
  if (known.size >= MOST_REMEMBERED) known.clear();
  known.set(key, { words: searcher.words, found });
  return found;
}

interface Correction {
  term: number;
  edits: number;
}

/** One search asks for the same words' corrections several times. */
const MOST_REMEMBERED = 16;
const remembered = new WeakMap<Searcher["attributes"], Map<string, { words: Searcher["words"]; found: Correction[] }>>();

function findCorrections(searcher: Searcher, word: string, most: number): Correction[] {
  const { lexicon } = searcher.index;
  const { offered, named } = searcher.attributes;
  const { neverOffered } = searcher.words;
  const terms = stringsOf(lexicon.terms);
  const letters = sortedLetters(word);
  const fitting = neighbours(lexicon, word, most).filter(
    ({ term }) => offered[term] === 1 && !neverOffered.has(terms[term]) && !hasDigit(terms[term]),
  );
  const keepsLetters = new Map(fitting.map(({ term }) => [term, sortedLetters(terms[term]) === letters ? 0 : 1]));
  const lettersOf = (term: number) => keepsLetters.get(term) ?? 1;
  const isLonger = (term: number) => (terms[term].length > word.length ? 1 : 0);
  const keepsFirst = (term: number) => (terms[term][0] === word[0] ? 0 : 1);
  return fitting.sort(
    (a, b) =>
      a.edits - b.edits ||
      lettersOf(a.term) - lettersOf(b.term) ||
      keepsFirst(a.term) - keepsFirst(b.term) ||
      isLonger(b.term) - isLonger(a.term) ||
      named[b.term] - named[a.term] ||
      lexicon.termProducts[b.term] - lexicon.termProducts[a.term] ||
      a.term - b.term,
  );
}

/** The letters of a word in the order of the alphabet. */
export function sortedLetters(word: string): string {
  return [...word].sort().join("");
}

/** Two words in a row that a word is made of, where the catalogue has both. @param accepts terms that may be parts. */
export function splitWord(searcher: Searcher, word: string, accepts: (term: number) => boolean = () => true): Expansion | null {
  const { terms } = searcher.index.lexicon;
  for (let at = 3; at <= word.length - 3; at++) {
    const left = findSorted(terms, word.slice(0, at));
    const right = findSorted(terms, word.slice(at));
    if (left < 0 || right < 0 || !accepts(left) || !accepts(right)) continue;
    const matched = `${word.slice(0, at)} ${word.slice(at)}`;
    return { kind: "sequence", slots: [[left], [right]], via: "form", matched, quality: QUALITY.split };
  }
  return null;
}
