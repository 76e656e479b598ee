import { useFact } from "../ask/useAsk";

/** How the catalogue's stock stands; null until it is known. */
export const useStockFacts = () => useFact("GET /api/stores/{store}/ranking/stock", {});
