import type { Searcher } from "../../prepare/searcher";
import type { QueryWord } from "../types";
import type { Limit } from "./limit";
import { readPrices } from "./price";
import { readWithout } from "./without";

/** Limits in the words of a query, from left to right. @param chunks the query in pieces without blanks. */
export function readLimits(searcher: Searcher, words: readonly QueryWord[], chunks: readonly string[]): Limit[] {
  const prices = readPrices(searcher, words, chunks);
  const isPrice = new Set(prices.flatMap((limit) => limit.words));
  const without = readWithout(searcher, words, isPrice);
  const numbers = { price: 0, without: 0 };
  return [...prices, ...without]
    .sort((a, b) => words.indexOf(a.words[0]) - words.indexOf(b.words[0]))
    .map((limit) => ({ ...limit, id: `${limit.kind}-${++numbers[limit.kind]}`, text: textOf(limit.words, chunks), isOff: false }));
}

function textOf(words: readonly QueryWord[], chunks: readonly string[]): string {
  const first = words[0].chunk;
  const last = words.at(-1)?.chunk ?? first;
  const end = /^\p{Sc}$/u.test(chunks[last + 1] ?? "") ? last + 1 : last;
  return chunks.slice(first, end + 1).join(" ");
}
