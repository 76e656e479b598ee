import { call } from "@ui/http";
import { useEffect, useState } from "react";
import { useOpen } from "../state/bench";

export interface StockFacts {
  soldOut: number;
  toOrder: number;
  coming: number;
  /** What ties can go by beside fields. */
  derived: string[];
}

/** How the catalogue's stock stands; null until it is known. */
export function useStockFacts(): StockFacts | null {
  const { store, revision } = useOpen();
  const [facts, setFacts] = useState<StockFacts | null>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: stock set by hand changes with the draft
  useEffect(() => {
    let isCurrent = true;
    call<StockFacts>(`/api/stores/${store.id}/ranking/stock`).then(
      (answer) => isCurrent && setFacts(answer),
      () => undefined,
    );
    return () => {
      isCurrent = false;
    };
  }, [store.id, revision]);
  return facts;
}
