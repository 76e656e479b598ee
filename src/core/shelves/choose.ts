import type { Searcher } from "../prepare/searcher";
import type { Shelf } from "../settings/schema";
import { type Circumstances, dependsOnFilters, type Rest, restOf } from "./when";

export interface NamedShelf {
  id: string;
  shelf: Shelf;
}

/** In what the acting shelf is more specific than one behind it. */
export const BEHIND = ["place", "match", "words", "rank"] as const;
export type Behind = (typeof BEHIND)[number];

export interface ChosenShelf {
  /** The shelf whose order and banner are shown. */
  acting: NamedShelf | null;
  /** The shelf that decides what is found: the most specific of those that do not depend on chosen filters. */
  sourceShelf: NamedShelf | null;
  /** Those that would act if the ones before them did not, most specific first, and what puts the one before first. */
  behind: (NamedShelf & { because: Behind })[];
  /** Those that are meant for the search and whose conditions do not hold. */
  resting: (NamedShelf & { because: Rest })[];
}

interface Candidate extends NamedShelf {
  /** 0 search and category, 1 search, 2 category. */
  kind: number;
  /** 0 "is", 1 "starts", 2 "contains". */
  match: number;
  words: number;
}

const MATCHES = { is: 0, starts: 1, contains: 2 };

/**
 * The shelf that is active for a search: the most specific whose conditions hold. Search and category before search before
 * category; then "is" before "starts" before "contains", more words before fewer, then rank.
 * @param stems of the query, empty for a category without a search.
 */
export function chooseShelf(
  searcher: Searcher,
  stems: readonly string[],
  category: readonly string[] | null,
  circumstances: Circumstances,
): ChosenShelf {
  const holding: Candidate[] = [];
  const resting: ChosenShelf["resting"] = [];
  for (const candidate of candidatesFor(searcher, stems, category)) {
    const because = restOf(candidate.shelf, circumstances);
    if (because === null) holding.push(candidate);
    else resting.push({ id: candidate.id, shelf: candidate.shelf, because });
  }
  // Candidates come by match, words and rank, so a stable sort by kind is all that is left.
  holding.sort((a, b) => a.kind - b.kind);
  const [acting = null, ...others] = holding;
  const sourceShelf = holding.find(({ shelf }) => !dependsOnFilters(shelf)) ?? null;
  const behind = others.map((other) => ({ id: other.id, shelf: other.shelf, because: acting ? difference(acting, other) : "rank" }));
  return { acting, sourceShelf, behind, resting };
}

/** All shelves meant for a search, each once and in its most specific sense. */
function candidatesFor(searcher: Searcher, stems: readonly string[], category: readonly string[] | null): Candidate[] {
  const found = new Map<string, Candidate>();
  const place = category?.join("\n");
  for (const { id, entry: shelf, match, stems: words } of searcher.shelves.searches.fitting(stems)) {
    const isLimited = shelf.categories.length > 0;
    if (isLimited && !shelf.categories.some((path) => path.join("\n") === place)) continue;
    if (!found.has(id)) found.set(id, { id, shelf, kind: isLimited ? 0 : 1, match: MATCHES[match], words: words.length });
  }
  if (place !== undefined) {
    for (const { id, shelf } of searcher.shelves.categories.get(place) ?? [])
      if (shelf.searches.length === 0) found.set(id, { id, shelf, kind: 2, match: 0, words: 0 });
  }
  return [...found.values()];
}

function difference(first: Candidate, second: Candidate): Behind {
  if (first.kind !== second.kind) return "place";
  if (first.match !== second.match) return "match";
  return first.words !== second.words ? "words" : "rank";
}
