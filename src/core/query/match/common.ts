import type { PreparedAttributes } from "../../prepare/attributes";
import type { Searcher } from "../../prepare/searcher";
import type { QueryTerm } from "../types";
import type { TermMatch } from "./term-match";

/** A term that more than one in so many products answer is common. */
const SHARE = 16;
/** So many are kept, of those used last: at 100,000 products 0.8 MB each. */
const MOST = 12;

const kept = new WeakMap<PreparedAttributes, Map<string, TermMatch>>();

/** The match of a term with the same expansions, where it is kept. */
export function knownCommon(searcher: Searcher, queryTerm: QueryTerm): TermMatch | null {
  const matches = kept.get(searcher.attributes);
  const key = matches && nameOf(searcher, queryTerm);
  const known = key ? matches.get(key) : undefined;
  if (!matches || !key || !known) return null;
  // The one used last comes last.
  matches.delete(key);
  matches.set(key, known);
  return known;
}

/** Keeps a match if it is common. @returns the match, with what is kept of it. */
export function keepCommon(searcher: Searcher, match: TermMatch): TermMatch {
  if (match.count * SHARE < searcher.index.products) return match;
  const key = nameOf(searcher, match.queryTerm);
  if (!key) return match;
  const common: TermMatch = { ...match, common: { points: null } };
  const matches = kept.get(searcher.attributes) ?? new Map<string, TermMatch>();
  kept.set(searcher.attributes, matches);
  matches.set(key, common);
  for (const oldest of matches.keys()) {
    if (matches.size <= MOST) break;
    matches.delete(oldest);
  }
  return common;
}

/** Says all that decides what a term finds; null where it is not said, or where it surely finds little. */
function nameOf({ index }: Searcher, { expansions }: QueryTerm): string | null {
  const { listStarts, postingStarts } = index.postings;
  let most = 0;
  const names: string[] = [];
  for (const expansion of expansions) {
    const { kind, via, matched, quality } = expansion;
    if (kind === "sequence") return null;
    if (kind === "listed" && !expansion.values) return null;
    most +=
      kind === "term"
        ? postingStarts[listStarts[expansion.term + 1]] - postingStarts[listStarts[expansion.term]]
        : expansion.products.length;
    names.push(JSON.stringify([via, matched, quality, kind === "term" ? expansion.term : [expansion.field, expansion.values]]));
  }
  return most * SHARE < index.products ? null : names.join();
}
