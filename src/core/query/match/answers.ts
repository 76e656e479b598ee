import { type Bits, emptyBits, fullBits } from "../../index/bits";
import type { Searcher } from "../../prepare/searcher";
import { cleanQuery } from "../clean";
import { interpret } from "../interpret";
import { answerAll, matchTerm } from "./terms";

/** The products that answer a word or phrase as a search for it would, without completions and corrections. */
export function answersOf(searcher: Searcher, text: string): Bits {
  const { words } = cleanQuery(text, searcher.stem, searcher.words.literal);
  const { queryTerms } = interpret(searcher, words, [], false);
  if (queryTerms.length === 0) return emptyBits(searcher.index.products);
  return answerAll(
    queryTerms.map((queryTerm) => matchTerm(searcher, queryTerm)),
    fullBits(searcher.index.products),
  );
}
