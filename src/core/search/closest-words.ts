import { writtenAs } from "../index/spelling";
import { findSorted, stringAt } from "../index/strings";
import type { Searcher } from "../prepare/searcher";
import { neighbours } from "../query/edits";
import { foldedFunctionWords } from "../text/function-words";
import type { ReadQuery } from "./read-query";

/** Words of the catalogue that are closest to those of a query that found nothing, the likeliest first. */
export function closestWords(searcher: Searcher, query: ReadQuery, count: number): string[] {
  const { lexicon } = searcher.index;
  const { held } = searcher.attributes;
  const small = foldedFunctionWords(searcher.index.locale);
  const found = new Map<string, number>();
  for (const word of query.words) {
    if (word.word.length < 3) continue;
    const most = word.word.length < 6 ? 1 : word.word.length < 9 ? 2 : 3;
    for (const { term, edits } of neighbours(lexicon, word.word, most)) {
      const text = stringAt(lexicon.terms, term);
      if (!held[term] || text.length < 3 || small.has(text) || searcher.words.neverOffered.has(text)) continue;
      // A word that is held by more products is the likelier one among those equally far.
      const distance = edits - Math.min(0.9, Math.log10(1 + lexicon.termProducts[term]) / 4);
      if (distance < (found.get(text) ?? Infinity)) found.set(text, distance);
    }
  }
  return [...found]
    .sort((a, b) => a[1] - b[1] || (a[0] < b[0] ? -1 : 1))
    .slice(0, count)
    .map(([text]) => writtenAs(lexicon, findSorted(lexicon.terms, text)));
}
