import { fullBits, isEmpty } from "../../index/bits";
import type { Searcher } from "../../prepare/searcher";
import { replaceWord } from "../clean";
import { expandCompounds, headOfCompound, joinsWords, splitCompound } from "../compounds";
import { corrections, expandForms, isHeld } from "../expand";
import type { QueryWord, Step } from "../types";
import { answerAll, matchTerm } from "./terms";

/** The head of a compound where nothing is known by the whole, unless a compound of that word, or a correction of it, is. */
function headAlone(searcher: Searcher, word: QueryWord): string[] | null {
  if (expandCompounds(searcher, word).length > 0 || corrections(searcher, word).length > 0) return null;
  const head = headOfCompound(searcher, word);
  return head === null ? null : [head];
}

/**
 * In languages that write words together: a word that no field holds becomes the two or three words of the catalogue
 * that it is made of, when a product holds them all ("Rosenschere" → Rosen Schere).
 * @param typing whether the last word may be unfinished; it is left alone then.
 * @param kept words that have a meaning already.
 */
export function splitCompounds(
  searcher: Searcher,
  words: readonly QueryWord[],
  typing: boolean,
  kept: ReadonlySet<QueryWord> = new Set(),
): { words: QueryWord[]; steps: Step[] } {
  if (!joinsWords(searcher.index.locale)) return { words: [...words], steps: [] };
  const steps: Step[] = [];
  const all = fullBits(searcher.index.products);
  const result = words.flatMap((word, i) => {
    if (word.literal || kept.has(word) || isHeld(searcher, word) || (typing && i === words.length - 1)) return [word];
    const partsAsWords = (parts: readonly string[]) => replaceWord(word, parts.join(" "), searcher.stem, searcher.words.literal);
    const isFound = (parts: readonly string[]) => {
      const matches = partsAsWords(parts).map((part) =>
        matchTerm(searcher, {
          label: part.surface,
          words: [part],
          expansions: [...expandForms(searcher, part), ...expandCompounds(searcher, part)],
        }),
      );
      return !isEmpty(answerAll(matches, all));
    };
    const parts = splitCompound(searcher, word.word, isFound) ?? headAlone(searcher, word);
    if (!parts) return [word];
    steps.push({ kind: "compound", from: word.surface, to: parts.join(" ") });
    return partsAsWords(parts);
  });
  return { words: result, steps };
}
