import type { Filter } from "@core/settings/filter";
import { useFact } from "../ask/useAsk";
import { useWindow } from "../state/window";

/** What the draft's filters do for the searches of the log, and which others would serve; null until it is known. */
export const useFilterFacts = () => useFact("GET /api/stores/{store}/filters/facts", {});

/** What a filter's sources hold, in the catalogue and in the search of the window; null until it is known. */
export function useLook(filter: Filter | null) {
  const query = useWindow((state) => state.address.query);
  const category = useWindow((state) => state.address.category);
  return useFact("POST /api/stores/{store}/filters/look", filter && { body: { filter, query, category } });
}
