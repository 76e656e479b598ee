import { foldMarks } from "./fold";

/** Gives the words of a language, one a line in lower case; null for a language without a list. */
type ReadWords = (language: string) => string | null;

let readWords: ReadWords = () => null;
const lists = new Map<string, ReadonlySet<string> | null>();

/** Says where lists of words come from; each is read when it is first asked for. */
export function readKnownWordsBy(read: ReadWords): void {
  readWords = read;
  lists.clear();
}

function listOf(locale: string): ReadonlySet<string> | null {
  const language = locale.toLowerCase().split("-")[0];
  const known = lists.get(language);
  if (known !== undefined) return known;
  const text = readWords(language);
  const list = text === null ? null : new Set(text.split("\n").map(foldMarks));
  lists.set(language, list);
  return list;
}

/** Whether there is a list of the words of a language. */
export const hasKnownWords = (locale: string) => listOf(locale) !== null;

/** Whether a language knows a word, in any of its forms. @param word folded. */
export const isKnownWord = (locale: string, word: string): boolean => listOf(locale)?.has(word) ?? false;
