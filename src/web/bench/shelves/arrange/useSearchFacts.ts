import { useFact } from "../../ask/useAsk";

/** What shoppers were shown and took in a search; null until it is known. */
export const useSearchFacts = (query: string) =>
  useFact("GET /api/stores/{store}/search/facts", query.trim() === "" ? null : { query: { query } });
