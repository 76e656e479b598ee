import { titlesOf } from "../index/read";
import { findSorted, stringAt } from "../index/strings";
import type { Index } from "../index/types";
import type { Searcher } from "../prepare/searcher";
import { selectFirst } from "../rank/select";
import { tokenise } from "../text/tokens";
import { titleField } from "./titles";

/** How many titles tell which words follow one. */
const MOST_TITLES = 60;
const LEAST_TITLES = 2;
const MOST_PHRASES = 4;
const LEAST_LETTERS = 3;

const remembered = new WeakMap<Index, Map<string, string[]>>();

/** A word with those that follow it in titles of several products, the most frequent first: "hardy" → "hardy geranium". */
export function phrasesAfter({ index }: Pick<Searcher, "index">, word: string): string[] {
  const memory = remembered.get(index) ?? new Map<string, string[]>();
  remembered.set(index, memory);
  const known = memory.get(word);
  if (known) return known;
  const phrases = readPhrases(index, word);
  memory.set(word, phrases);
  return phrases;
}

function readPhrases(index: Index, word: string): string[] {
  const term = findSorted(index.lexicon.terms, word);
  const title = titleField(index);
  if (term < 0 || title < 0) return [];
  const followers = new Map<string, number>();
  for (const text of titlesOf(index, holdersOf(index, term, title))) {
    const words = tokenise(text);
    words.forEach((token, i) => {
      const next = words[i + 1];
      if (token.word !== word || !next || next.surface.length < LEAST_LETTERS) return;
      followers.set(next.surface, (followers.get(next.surface) ?? 0) + 1);
    });
  }
  return [...followers]
    .filter(([, titles]) => titles >= LEAST_TITLES)
    .sort((a, b) => b[1] - a[1] || (a[0] < b[0] ? -1 : 1))
    .slice(0, MOST_PHRASES)
    .map(([next]) => `${word} ${next}`);
}

/** Ids of the first products whose title holds a term. */
function holdersOf(index: Index, term: number, title: number): string[] {
  const { listStarts, listFields, postingStarts, products } = index.postings;
  for (let list = listStarts[term]; list < listStarts[term + 1]; list++) {
    if (listFields[list] !== title) continue;
    const held = products.subarray(postingStarts[list], postingStarts[list + 1]);
    // The first by id, so that the order of the feed changes nothing.
    const first = selectFirst(held, MOST_TITLES, (a, b) => index.idRanks[a] - index.idRanks[b]);
    return [...first].map((product) => stringAt(index.ids, product));
  }
  return [];
}
