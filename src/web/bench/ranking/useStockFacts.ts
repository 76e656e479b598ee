import { useAnswer } from "../pieces/useAnswer";

export interface StockFacts {
  soldOut: number;
  toOrder: number;
  coming: number;
  /** What ties can go by beside fields. */
  derived: string[];
}

/** How the catalogue's stock stands; null until it is known. */
export function useStockFacts(): StockFacts | null {
  return useAnswer<StockFacts>("ranking/stock");
}
