import type { Searcher } from "../prepare/searcher";
import { stemsOfText } from "../prepare/shelves";
import type { AskedQuery } from "./trial";
import { cameOf } from "./trial";

/**
 * Of how many searches of a log each shelf would be meant, the acting one or not: searches by id, each as often as it was asked.
 * It comes in steps.
 */
export function* shelfTraffic(searcher: Searcher, queries: readonly AskedQuery[]): Generator<unknown, Map<string, number>> {
  const traffic = new Map<string, number>();
  for (const { text, asked } of queries) {
    const claims = searcher.shelves.searches.fitting(stemsOfText(text, searcher.stem));
    for (const id of new Set(claims.map((claim) => claim.id))) traffic.set(id, (traffic.get(id) ?? 0) + asked);
    yield;
  }
  return traffic;
}

/** A frequent search on whose first page a product would stand if nothing were hidden. */
export interface Unhidden {
  search: string;
  asked: number;
}

/** By product, the searches that would show it on their first page if nothing were hidden. @param unhidden the searcher without hides. */
export function* shownWithoutHides(
  unhidden: Searcher,
  queries: readonly AskedQuery[],
  at: number,
): Generator<unknown, Map<string, Unhidden[]>> {
  const shown = new Map<string, Unhidden[]>();
  for (const { text, asked } of queries) {
    for (const id of cameOf(unhidden, text, at).first) {
      const own = shown.get(id);
      if (own) own.push({ search: text, asked });
      else shown.set(id, [{ search: text, asked }]);
    }
    yield;
  }
  return shown;
}
