import type { Searcher } from "../prepare/searcher";
import { foldedFunctionWords } from "../text/function-words";
import type { PlacedTerm } from "./named-values";

/**
 * Function words of the language beside other words: what answers the others need not answer them, though it earns more where it does.
 * A word that stands for something in this shop is none. A word that is said again says nothing more.
 */
export function optionalTerms({ index }: Searcher, drafts: readonly PlacedTerm[], typing: boolean): ReadonlySet<number> {
  const small = foldedFunctionWords(index.locale);
  const said = new Set<string>();
  const optional = drafts.flatMap(({ words, expansions, optional: saysNothing }, i) => {
    const [word] = words;
    const stems = words.map(({ stem }) => stem).join(" ");
    const isAgain = said.has(stems);
    said.add(stems);
    if (saysNothing || isAgain) return [i];
    const isUnfinished = typing && i === drafts.length - 1;
    const isMeant = expansions.some(({ kind, via }) => kind === "listed" || via === "synonym");
    return words.length === 1 && !word.literal && !isUnfinished && !isMeant && small.has(word.word) ? [i] : [];
  });
  return new Set(optional.length === drafts.length ? [] : optional);
}
