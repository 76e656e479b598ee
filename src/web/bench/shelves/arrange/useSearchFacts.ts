import { useAnswer } from "../../pieces/useAnswer";

export interface ProductInSearch {
  shown: number;
  clicks: number;
  baskets: number;
  orders: number;
}

interface SearchFacts {
  asked: number;
  products: Record<string, ProductInSearch>;
}

/** What shoppers were shown and took in a search; null until it is known. */
export function useSearchFacts(query: string): SearchFacts | null {
  return useAnswer<SearchFacts>(query.trim() === "" ? null : `search/facts?query=${encodeURIComponent(query)}`);
}
