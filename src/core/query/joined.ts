import { findSorted } from "../index/strings";
import type { Searcher } from "../prepare/searcher";
import { hasDigit } from "../text/tokens";
import { splitWord } from "./expand";
import { listsOf } from "./match/lists";
import type { PlacedTerm } from "./named-values";
import { QUALITY, type QueryWord, type Step } from "./types";

/** "green-house" also finds "greenhouse": the joined form answers each of the words. */
export function addHyphenForms(searcher: Searcher, words: readonly QueryWord[], drafts: PlacedTerm[]): void {
  for (let i = 0; i < words.length; i++) {
    if (words[i].hyphened || !words[i + 1]?.hyphened) continue;
    let end = i + 1;
    while (words[end]?.hyphened) end++;
    const joined = words
      .slice(i, end)
      .map((word) => word.word)
      .join("");
    const term = findSorted(searcher.index.lexicon.terms, joined);
    if (term < 0) continue;
    for (const draft of drafts) {
      if (draft.at >= i && draft.at < end)
        draft.expansions.push({ kind: "term", term, via: "form", matched: joined, quality: QUALITY.joined });
    }
  }
}

/**
 * Words that are written together in what something is called, or apart, as well as they were typed: "green house" also finds
 * "greenhouse", and "gardenglove", which no product holds, "garden glove". Tried before any letter is changed.
 */
export function addJoined(searcher: Searcher, drafts: PlacedTerm[], typing: boolean, steps: Step[]): void {
  const { terms } = searcher.index.lexicon;
  const { named } = searcher.attributes;
  const isPlain = ({ words }: PlacedTerm) => words.length === 1 && !words[0].literal && !hasDigit(words[0].word);
  for (let i = 0; i + 1 < drafts.length; i++) {
    const pair = drafts.slice(i, i + 2);
    if (!pair.every(isPlain) || pair[1].words[0].hyphened) continue;
    const joined = pair.map(({ words }) => words[0].word).join("");
    const term = findSorted(terms, joined);
    if (term < 0 || named[term] !== 1) continue;
    for (const draft of pair) draft.expansions.push({ kind: "term", term, via: "form", matched: joined, quality: QUALITY.joined });
    steps.push({ kind: "joined", from: pair.map(({ label }) => label).join(" "), to: joined });
  }
  drafts.forEach((draft, i) => {
    if (!isPlain(draft) || draft.expansions.length > 0 || (typing && i === drafts.length - 1)) return;
    const split = splitWord(searcher, draft.words[0].word, (term) => named[term] === 1);
    if (!split || listsOf(searcher, split).length === 0) return;
    draft.expansions.push(split);
    steps.push({ kind: "joined", from: draft.label, to: split.matched });
  });
}
