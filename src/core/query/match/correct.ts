import { type Bits, isEmpty } from "../../index/bits";
import { writtenAs } from "../../index/spelling";
import { findSorted, stringAt } from "../../index/strings";
import type { Searcher } from "../../prepare/searcher";
import { foldMarks } from "../../text/fold";
import { hasKnownWords, isKnownWord } from "../../text/known-words";
import { replaceWord, sayWords } from "../clean";
import { editsAllowed } from "../edits";
import { corrections, expandForms, isHeld } from "../expand";
import { isKnownTerm } from "../interpret";
import type { QueryTerm, QueryWord, Step } from "../types";
import { answerAll, matchTerm } from "./terms";

/** How many corrections of one word are tried against the rest of the query. */
const MOST_TRIED = 12;
/** From this many letters a word may be meant that is two edits away: far enough to ask, too far to correct. */
const ASKED_FROM = 5;
/** More unsure words than this are no slip of the hand. */
const MOST_UNSURE = 4;

export interface Corrected {
  words: QueryWord[];
  steps: Step[];
  /** Whole queries that might have been meant. */
  alternatives: string[];
}

/**
 * Replaces each word that no searchable field holds by its likeliest correction with which the other words still find
 * something. Under the policy "ask" nothing is replaced; the corrections become proposals.
 * @param mayAsk whether words a little further away are proposed for what is left unknown, or is only the beginning of words.
 */
export function correctWords(
  searcher: Searcher,
  words: readonly QueryWord[],
  queryTerms: readonly QueryTerm[],
  among: Bits,
  mayAsk: boolean,
): Corrected {
  const { policy, proposals } = searcher.settings.misspelling;
  const unknown = queryTerms
    .filter((queryTerm) => queryTerm.words.length === 1 && !queryTerm.optional && !isKnownTerm(searcher, queryTerm))
    .map((queryTerm) => queryTerm.words[0]);
  const begun = mayAsk ? queryTerms.filter((queryTerm) => isOnlyBegun(searcher, queryTerm)).map((queryTerm) => queryTerm.words[0]) : [];
  if (policy === "off" || unknown.length + begun.length === 0) return { words: [...words], steps: [], alternatives: [] };

  const others = answerAll(
    queryTerms.filter((queryTerm) => isKnownTerm(searcher, queryTerm)).map((queryTerm) => matchTerm(searcher, queryTerm)),
    among,
  );
  // A correction fits where the other words still find something; where a part of the words is enough, any that is sold will do.
  const settles = searcher.settings.deadEnd.ladder.includes("partial");
  const correctionsOf = (word: QueryWord, most?: number) => {
    const fitting = fittingCorrections(searcher, word, others, most);
    return fitting.length > 0 || !settles ? fitting : fittingCorrections(searcher, word, among, most);
  };
  let result = [...words];
  const steps: Step[] = [];
  const alternatives: string[] = [];
  for (const word of unknown) {
    const fitting = correctionsOf(word);
    const [first, ...rest] = fitting;
    if (first === undefined) {
      begun.push(word);
      continue;
    }
    const mayReplace = policy === "correct" && isSurelyMeant(searcher, word, first);
    const asTyped = result;
    const swap = (text: string) =>
      asTyped.flatMap((old) => (old === word ? replaceWord(old, text, searcher.stem, searcher.words.literal) : [old]));
    if (mayReplace) {
      result = swap(first);
      steps.push({ kind: "correction", from: word.typed, to: first });
    } else {
      rest.unshift(first);
    }
    for (const other of rest) if (alternatives.length < proposals) alternatives.push(sayWords(swap(other)));
  }
  if (mayAsk && begun.length <= MOST_UNSURE) {
    for (const word of begun) {
      if (alternatives.length >= proposals) break;
      const most = word.word.length < ASKED_FROM ? editsAllowed(word.word) : 2;
      for (const text of correctionsOf(word, most)) {
        if (alternatives.length >= proposals) break;
        const swapped = result.flatMap((old) => (old === word ? replaceWord(old, text, searcher.stem, searcher.words.literal) : [old]));
        alternatives.push(sayWords(swapped));
      }
    }
  }
  return { words: result, steps, alternatives };
}

/** From this many letters a word is read as another; shorter ones are too near to too many words. */
const REPLACED_FROM = 6;

/**
 * Whether an unknown word is so surely a slip of another that this is searched in its place: it is long enough, no word of the language,
 * and the other is what something is called; or, where the words of the language are known, in any text.
 */
export function isSurelyMeant(searcher: Searcher, word: QueryWord, correction: string): boolean {
  return [...word.word].length >= REPLACED_FROM && isNoWord(searcher, word, correction);
}

/** Whether a word is so little one of the language that another may stand for it: one that something is called by, or any where that is known. */
export function isNoWord({ index, attributes }: Searcher, { word }: QueryWord, correction: string): boolean {
  if (isKnownWord(index.locale, word)) return false;
  return hasKnownWords(index.locale) || attributes.named[findSorted(index.lexicon.terms, foldMarks(correction))] === 1;
}

/** Whether a term is answered by nothing but words that it begins. */
function isOnlyBegun(searcher: Searcher, { words, expansions }: QueryTerm): boolean {
  return words.length === 1 && !isHeld(searcher, words[0]) && expansions.length > 0 && expansions.every(({ via }) => via === "prefix");
}

function fittingCorrections(searcher: Searcher, word: QueryWord, others: Bits, most = editsAllowed(word.word)): string[] {
  const fitting: string[] = [];
  for (const { term } of corrections(searcher, word, most).slice(0, MOST_TRIED)) {
    const text = stringAt(searcher.index.lexicon.terms, term);
    const [replaced] = replaceWord(word, text, searcher.stem, searcher.words.literal);
    if (!isHeld(searcher, replaced)) continue;
    const match = matchTerm(searcher, { label: text, words: [replaced], expansions: expandForms(searcher, replaced) });
    if (!isEmpty(answerAll([match], others))) fitting.push(writtenAs(searcher.index.lexicon, term));
  }
  return fitting;
}
