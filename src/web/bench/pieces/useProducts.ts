import type { ProductFacts } from "@contract/products";
import { askStore } from "../ask/useAsk";
import { useBatch } from "../ask/useBatch";
import { useWindow } from "../state/window";

const ROUTE = "POST /api/stores/{store}/products/facts";

/** Title, picture and figures of products named by their ids; those that are not known yet are not in it. */
export function useProducts(ids: readonly string[]): Map<string, ProductFacts> {
  // Another catalogue has other facts.
  const catalogue = useWindow(({ draft }) => draft?.state.catalogue ?? 0);
  return useBatch({
    route: ROUTE,
    state: catalogue,
    ids,
    atOnce: 500,
    load: async (store, part, signal) => {
      const found = await askStore(ROUTE, store, { body: { ids: part } }, signal);
      return found.map((facts) => [facts.id, facts] as const);
    },
  });
}
