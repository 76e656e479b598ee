import { askStore } from "../ask/useAsk";
import { useBatch } from "../ask/useBatch";
import { useOpen } from "../state/bench";

const ROUTE = "POST /api/stores/{store}/search";
const MOST = 60;

/** How many products each word finds in the draft, as far as it is known; partial finds and searches without results count as none. */
export function useWordCounts(words: readonly string[]): Map<string, number> {
  const { revision } = useOpen("revision");
  return useBatch({
    route: ROUTE,
    state: revision,
    ids: words.slice(0, MOST),
    atOnce: 1,
    load: async (store, [query], signal) => {
      const { outcome, total } = await askStore(ROUTE, store, { body: { query, limit: 0 } }, signal);
      return [[query, outcome === "results" ? total : 0]];
    },
  });
}
