import type { Searcher } from "../../prepare/searcher";
import type { NamedValue } from "../../prepare/values";
import { lookUp } from "../../records";
import { expandForms } from "../expand";
import { listsOf } from "../match/lists";
import { QUALITY, type QueryWord } from "../types";
import type { LimitWords, WithoutLimit } from "./limit";

/** Words, folded, behind which stands what something must not have or be. */
interface Negations {
  /** Whatever stands behind them is not wanted. */
  without: string;
  /** Others mean it where a value stands behind them: "no thorns", but "no dig gardening". */
  not: string;
}

const NEGATIONS: Record<string, Negations> = {
  en: { without: "without", not: "no not non except excluding" },
  de: { without: "ohne", not: "kein keine keinen keiner keines nicht ausser" },
  fr: { without: "sans", not: "pas non sauf" },
  es: { without: "sin", not: "no excepto" },
  it: { without: "senza", not: "non tranne" },
  nl: { without: "zonder", not: "geen niet behalve" },
  pt: { without: "sem", not: "nao exceto" },
  sv: { without: "utan", not: "inte ingen inga" },
  da: { without: "uden", not: "ikke ingen" },
  nb: { without: "uten", not: "ikke ingen" },
  no: { without: "uten", not: "ikke ingen" },
  fi: { without: "ilman", not: "ei" },
  pl: { without: "bez", not: "nie" },
};

/**
 * What a search says that something must not have or be, where a value says what does ("roses without thorns"). Where none does, what is
 * behind a plain "without" is read all the same, since it is surely not wanted, unless texts say "without" it themselves.
 * @param taken words that mean something else.
 */
export function readWithout(searcher: Searcher, words: readonly QueryWord[], taken: ReadonlySet<QueryWord>): (LimitWords & WithoutLimit)[] {
  const negations = lookUp(NEGATIONS, searcher.index.locale.toLowerCase().split("-")[0]);
  if (!negations) return [];
  const [surely, perhaps] = [negations.without.split(" "), negations.not.split(" ")];
  const stems = words.map(({ stem }) => stem);
  const limits: (LimitWords & WithoutLimit)[] = [];
  for (let i = 0; i + 1 < words.length; i++) {
    const isSure = surely.includes(words[i].word);
    if (taken.has(words[i + 1]) || !(isSure || perhaps.includes(words[i].word))) continue;
    const { values, length } = valuesAt(searcher, stems, i + 1);
    if (length === 0 && (!isSure || isSaid(searcher, words.slice(i, i + 2)))) continue;
    limits.push({ kind: "without", values, words: words.slice(i, i + 1 + Math.max(1, length)) });
    i += Math.max(1, length);
  }
  // What nothing else is said of has nothing to be without.
  return limits.reduce((sum, limit) => sum + limit.words.length, taken.size) < words.length ? limits : [];
}

/** What is named at a place, the label of the field before it or not ("size 42"), and how many words that takes. */
function valuesAt(searcher: Searcher, stems: readonly string[], at: number): { values: NamedValue[]; length: number } {
  const plain = namedAt(searcher, stems, at);
  if (plain.length > 0) return plain;
  const labelled = namedAt(searcher, stems, at + 1);
  const ofField = labelled.values.filter(({ beside }) => beside.has(stems[at]));
  return ofField.length > 0 ? { values: ofField, length: labelled.length + 1 } : plain;
}

/** What the longest name at a place stands for in any field. */
function namedAt({ values }: Searcher, stems: readonly string[], at: number): { values: NamedValue[]; length: number } {
  const uses = [...values.tables, ...values.others].flatMap((table) => table.longestAt(stems, at));
  const length = Math.max(0, ...uses.map((use) => use.stems.length));
  return { values: uses.filter((use) => use.stems.length === length).map(({ does }) => does), length };
}

/** Whether texts say some words in a row. */
function isSaid(searcher: Searcher, words: readonly QueryWord[]): boolean {
  const slots = words.map((word) => expandForms(searcher, word).flatMap((way) => (way.kind === "term" ? [way.term] : [])));
  if (slots.some((slot) => slot.length === 0)) return false;
  return listsOf(searcher, { kind: "sequence", slots, via: "phrase", matched: "", quality: QUALITY.exact }).length > 0;
}
