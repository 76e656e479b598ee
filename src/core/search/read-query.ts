import type { Searcher } from "../prepare/searcher";
import { findArticleNumbers, type NumberMatch } from "../query/article-numbers";
import { chunksOf, cleanQuery, cutTyped } from "../query/clean";
import type { Limit } from "../query/limits/limit";
import { readLimits } from "../query/limits/read-limits";
import { readAs } from "../query/read-as";
import type { QueryWord, Step } from "../query/types";

/** A query read as far as it can be without knowing which products may stand where it is asked. */
export interface ReadQuery {
  /** What was typed, as far as it is read. */
  typed: string;
  words: QueryWord[];
  numbers: NumberMatch[];
  /** What the words say of the price, and of what is not wanted. */
  limits: Limit[];
  steps: Step[];
  typedStems: string[];
  readStems: string[];
}

export function readQuery(searcher: Searcher, typed: string): ReadQuery {
  const { words: cleaned, steps } = cleanQuery(typed, searcher.stem, searcher.words.literal);
  const words = readAs(searcher, cleaned, steps);
  const { read } = cutTyped(typed);
  return {
    typed: read,
    words,
    numbers: findArticleNumbers(searcher.index, read),
    limits: readLimits(searcher, words, chunksOf(read)),
    steps,
    typedStems: cleaned.map((word) => word.stem),
    readStems: words.map((word) => word.stem),
  };
}
