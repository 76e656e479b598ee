import type { Searcher } from "../../prepare/searcher";
import { stemsOfText } from "../../prepare/shelves";
import { counted } from "../../progress";
import type { AskedQuery } from "./trial";

/**
 * Of how many searches of a log each shelf would be meant, the acting one or not: searches by id, each as often as it was asked.
 * It comes in steps.
 */
export function* shelfTraffic(searcher: Searcher, queries: readonly AskedQuery[]): Generator<unknown, Map<string, number>> {
  const traffic = new Map<string, number>();
  for (const [{ text, asked }, progress] of counted(queries, "searches")) {
    const claims = searcher.shelves.searches.fitting(stemsOfText(text, searcher.stem));
    for (const id of new Set(claims.map((claim) => claim.id))) traffic.set(id, (traffic.get(id) ?? 0) + asked);
    yield progress;
  }
  return traffic;
}
