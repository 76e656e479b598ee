import type { Searcher } from "../prepare/searcher";
import { foldedFunctionWords } from "../text/function-words";
import type { PlacedTerm } from "./named-values";

/**
 * Function words of the language beside other words: what answers the others need not answer them, though it earns more where it does.
 * A word that stands for something in this shop is none.
 */
export function optionalTerms({ index }: Searcher, drafts: readonly PlacedTerm[], typing: boolean): ReadonlySet<number> {
  const small = foldedFunctionWords(index.locale);
  const optional = drafts.flatMap(({ words, expansions, optional: saysNothing }, i) => {
    const [word] = words;
    if (saysNothing) return [i];
    const isUnfinished = typing && i === drafts.length - 1;
    const isMeant = expansions.some(({ kind, via }) => kind === "listed" || via === "synonym");
    return words.length === 1 && !word.literal && !isUnfinished && !isMeant && small.has(word.word) ? [i] : [];
  });
  return new Set(optional.length === drafts.length ? [] : optional);
}
