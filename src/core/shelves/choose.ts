import type { Searcher } from "../prepare/searcher";
import { actsAt } from "../settings/ranked";
import type { Shelf } from "../settings/schema";

export interface ChosenShelf {
  acting: { id: string; shelf: Shelf } | null;
  behind: { id: string; shelf: Shelf }[];
}

interface Candidate {
  id: string;
  shelf: Shelf;
  /** 0 search and category, 1 search, 2 category. */
  kind: number;
}

/**
 * The shelf that acts for a search: the most specific whose conditions hold. Search and category before search before
 * category; then "is" before "starts" before "contains", more words before fewer, then rank.
 * @param stems of the query, empty for a category without a search.
 */
export function chooseShelf(searcher: Searcher, stems: readonly string[], category: readonly string[] | null, at: number): ChosenShelf {
  const candidates: Candidate[] = [];
  const place = category?.join("\n");
  for (const claim of searcher.shelves.searches.fitting(stems)) {
    const isLimited = claim.entry.categories.length > 0;
    if (isLimited && !claim.entry.categories.some((path) => path.join("\n") === place)) continue;
    candidates.push({ id: claim.id, shelf: claim.entry, kind: isLimited ? 0 : 1 });
  }
  if (place !== undefined) {
    for (const { id, shelf } of searcher.shelves.categories.get(place) ?? []) {
      if (shelf.searches.length === 0) candidates.push({ id, shelf, kind: 2 });
    }
  }
  const fitting = candidates.filter(
    (candidate, i) => actsAt(candidate.shelf, at) && candidates.findIndex((other) => other.id === candidate.id) === i,
  );
  // The claims come most specific first, so a stable sort by kind is all that is left.
  fitting.sort((a, b) => a.kind - b.kind);
  const [acting, ...behind] = fitting;
  return { acting: acting ?? null, behind };
}
