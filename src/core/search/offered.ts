import type { Searcher } from "../prepare/searcher";

/** Whether a search, as its words, holds none of the words that are never to be offered. */
export function mayBeOffered({ words }: Pick<Searcher, "words">, key: string): boolean {
  return words.neverOffered.size === 0 || !key.split(" ").some((word) => words.neverOffered.has(word));
}
