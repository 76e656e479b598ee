import { useFact } from "../ask/useAsk";

/** What the draft's cards, badges and blocks show; null until it is known. */
export const usePageFacts = () => useFact("GET /api/stores/{store}/page/facts", {});
