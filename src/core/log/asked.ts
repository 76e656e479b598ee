import { editsAllowed } from "../query/edits";
import { Gaps } from "./gaps";
import { type LogStats, queryKey } from "./tally";

/** Searches of the log, laid out to find what else a shopper may have meant. */
export interface Asked {
  /** What was tried next, and clicked, by the search before it. */
  followed: ReadonlyMap<string, readonly string[]>;
  /** Searches that found something, the most asked first. */
  gaps: Gaps<string>;
}

const LEAST_ASKED = 3;
const LEAST_FOLLOWED = 2;

export function prepareAsked({ queries, followed }: Pick<LogStats, "queries" | "followed">): Asked {
  const next = new Map<string, string[]>();
  for (const { from, to, times } of followed) {
    if (times < LEAST_FOLLOWED) continue;
    next.set(from, [...(next.get(from) ?? []), to]);
  }
  const gaps = new Gaps<string>();
  for (const { text, asked, found } of queries) if (asked >= LEAST_ASKED && found > 0) gaps.add(text, text);
  return { followed: next, gaps };
}

/** Searches of the log that may have been meant by one, the likeliest first: what others took next, then what differs by a slip. */
export function likeSearches({ followed, gaps }: Asked, query: string): string[] {
  const text = queryKey(query);
  const byEdits = gaps
    .near(text, editsAllowed)
    .sort((a, b) => a.edits - b.edits)
    .map(({ entry }) => entry);
  return [...new Set([...(followed.get(text) ?? []), ...byEdits])].filter((other) => other !== text);
}
