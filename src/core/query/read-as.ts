import type { Searcher } from "../prepare/searcher";
import { replaceWord } from "./clean";
import type { QueryWord, Step } from "./types";

/** Corrections that the merchandiser gave: wrong words are read as the right ones. */
export function readAs(searcher: Searcher, words: readonly QueryWord[], steps: Step[]): QueryWord[] {
  const { rewrites, literal } = searcher.words;
  if (rewrites.isEmpty) return [...words];
  const plain = words.map((word) => word.word);
  const result: QueryWord[] = [];
  for (let i = 0; i < words.length; ) {
    const use = rewrites.longestAt(plain, i)[0];
    if (!use) {
      result.push(words[i++]);
      continue;
    }
    result.push(...replaceWord(words[i], use.does, searcher.stem, literal));
    steps.push({ kind: "read-as", from: use.stems.join(" "), to: use.does, rule: use.id });
    i += use.stems.length;
  }
  return result;
}
