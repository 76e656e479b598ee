import { type Bits, isEmpty } from "../index/bits";
import { stringAt } from "../index/strings";
import type { Searcher } from "../prepare/searcher";
import { replaceWord, sayWords } from "../query/clean";
import { corrections, expandForms, isHeld } from "../query/expand";
import { isKnownUnit } from "../query/interpret";
import type { QueryWord, Step, Unit } from "../query/types";
import { answerAll, matchUnit } from "./units";

/** How many corrections of one word are tried against the rest of the query. */
const MOST_TRIED = 12;

export interface Corrected {
  words: QueryWord[];
  steps: Step[];
  /** Whole queries that might have been meant. */
  alternatives: string[];
}

/**
 * Replaces each word that no searchable field holds by its likeliest correction with which the other words still find
 * something. Under the policy "ask" nothing is replaced; the corrections become proposals.
 */
export function correctWords(searcher: Searcher, words: readonly QueryWord[], units: readonly Unit[], among: Bits): Corrected {
  const { policy, proposals } = searcher.settings.misspelling;
  const unknown = units.filter((unit) => unit.words.length === 1 && !isKnownUnit(searcher, unit)).map((unit) => unit.words[0]);
  if (policy === "off" || unknown.length === 0) return { words: [...words], steps: [], alternatives: [] };

  const others = answerAll(
    units.filter((unit) => isKnownUnit(searcher, unit)).map((unit) => matchUnit(searcher, unit)),
    among,
  );
  let result = [...words];
  const steps: Step[] = [];
  const alternatives: string[] = [];
  for (const word of unknown) {
    const fitting = fittingCorrections(searcher, word, others);
    const [first, ...rest] = fitting;
    if (first === undefined) continue;
    const asTyped = result;
    const swap = (text: string) =>
      asTyped.flatMap((old) => (old === word ? replaceWord(old, text, searcher.stem, searcher.words.literal) : [old]));
    if (policy === "correct") {
      result = swap(first);
      steps.push({ kind: "correction", from: word.typed, to: first });
    } else {
      rest.unshift(first);
    }
    for (const other of rest) if (alternatives.length < proposals) alternatives.push(sayWords(swap(other)));
  }
  return { words: result, steps, alternatives };
}

function fittingCorrections(searcher: Searcher, word: QueryWord, others: Bits): string[] {
  const fitting: string[] = [];
  for (const { term } of corrections(searcher, word).slice(0, MOST_TRIED)) {
    const text = stringAt(searcher.index.lexicon.terms, term);
    const [replaced] = replaceWord(word, text, searcher.stem, searcher.words.literal);
    if (!isHeld(searcher, replaced)) continue;
    const match = matchUnit(searcher, { label: text, words: [replaced], expansions: expandForms(searcher, replaced) });
    if (!isEmpty(answerAll([match], others))) fitting.push(text);
  }
  return fitting;
}
