import { distance, editsAllowed } from "../query/edits";
import { hasDigit } from "../text/tokens";
import { type LogStats, queryKey } from "./tally";

/** Searches of the log, laid out to find what else a shopper may have meant. */
export interface Asked {
  /** What was tried next, and clicked, by the search before it. */
  followed: ReadonlyMap<string, readonly string[]>;
  /** Searches by what is left when one word is taken out, with that word; the most asked first. */
  gaps: ReadonlyMap<string, readonly { word: string; text: string }[]>;
}

const LEAST_ASKED = 3;
const LEAST_FOLLOWED = 2;
const LONGEST = 6;

export function prepareAsked({ queries, followed }: Pick<LogStats, "queries" | "followed">): Asked {
  const next = new Map<string, string[]>();
  for (const { from, to, times } of followed) {
    if (times < LEAST_FOLLOWED) continue;
    next.set(from, [...(next.get(from) ?? []), to]);
  }
  const gaps = new Map<string, { word: string; text: string }[]>();
  for (const { text, asked, found } of queries) {
    const words = text.split(" ");
    if (asked < LEAST_ASKED || found === 0 || words.length > LONGEST) continue;
    words.forEach((word, i) => {
      const rest = words.with(i, "").join(" ");
      const own = gaps.get(rest);
      if (own) own.push({ word, text });
      else gaps.set(rest, [{ word, text }]);
    });
  }
  return { followed: next, gaps };
}

/** Searches of the log that may have been meant by one, the likeliest first: what others took next, then what differs by a slip. */
export function likeSearches({ followed, gaps }: Asked, query: string): string[] {
  const text = queryKey(query);
  const words = text.split(" ");
  const near =
    words.length > LONGEST
      ? []
      : words.flatMap((word, i) => {
          const most = editsAllowed(word);
          if (most === 0 || hasDigit(word)) return [];
          return (gaps.get(words.with(i, "").join(" ")) ?? [])
            .map((entry) => ({ text: entry.text, edits: entry.word === word ? 99 : distance(word, entry.word, most) }))
            .filter(({ edits }) => edits <= most);
        });
  const byEdits = near.sort((a, b) => a.edits - b.edits).map((entry) => entry.text);
  return [...new Set([...(followed.get(text) ?? []), ...byEdits])].filter((other) => other !== text);
}
