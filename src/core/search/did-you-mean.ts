import { type Bits, isEmpty } from "../index/bits";
import { type Asked, likeSearches } from "../log/asked";
import { queryKey } from "../log/tally";
import type { Searcher } from "../prepare/searcher";
import type { Understanding } from "./find-answers";
import { mayBeOffered } from "./offered";
import { readQuery } from "./read-query";
import { answersTo } from "./understand";

/**
 * Whole searches that may have been meant: corrections from the catalogue's words, and what shoppers of the log took
 * instead. None that finds nothing, none that says what was searched anyway.
 * @param found how many products the search came to by itself.
 */
export function didYouMean(
  searcher: Searcher,
  understanding: Understanding,
  typed: string,
  found: number,
  among: Bits,
  asked: Asked | null,
  at: number,
): string[] {
  const { proposals, few, sources } = searcher.settings.misspelling;
  if (proposals === 0) return [];
  const isPoor = found < few || understanding.leftOut.length > 0;
  const fromLog = sources.log && asked && isPoor ? likeSearches(asked, typed) : [];
  const candidates = [...(sources.catalogue ? understanding.didYouMean : []), ...fromLog];
  // What has the same stems, in another form or with other marks, is no other search.
  const keyOf = (text: string) => readQuery(searcher, text).typedStems.join(" ");
  const known = new Set([keyOf(typed), keyOf(understanding.searched)]);
  const meant: string[] = [];
  for (const text of candidates) {
    if (meant.length >= proposals) break;
    const key = keyOf(text);
    if (known.has(key) || !mayBeOffered(searcher, queryKey(text))) continue;
    known.add(key);
    if (!isEmpty(answersTo(searcher, readQuery(searcher, text), among, at, true))) meant.push(text);
  }
  return meant;
}
