import type { DemandAsked, DemandOrder, DemandRow, DemandSearches } from "@contract/demand";
import type { View } from "@core/demand/searches";
import { useState } from "react";
import { askStore, keyOf } from "../ask/useAsk";
import { useBlocks } from "../pieces/table/useBlocks";
import { useOpen } from "../state/bench";

const ROUTE = "GET /api/stores/{store}/demand/searches";

interface Asked extends Partial<DemandAsked> {
  view: View;
  search: string;
  apart: "true" | "false";
  order: DemandOrder;
  direction: "asc" | "desc";
}

interface Rows {
  /** Null until it is known. */
  answer: DemandSearches | null;
  total: number | null;
  rowAt: (place: number) => DemandRow | undefined;
  error: unknown;
  retry: () => void;
  /** To be told which rows are in sight. */
  onShown: (from: number, until: number) => void;
}

/** The searches of a view that are in sight, as far as they are known. */
export function useSearchRows(asked: Asked): Rows {
  const { store } = useOpen("store");
  const [[from, until], setShown] = useState([0, 1]);
  const { answer, ...rows } = useBlocks(
    {
      keyOf: (block) => keyOf(ROUTE, store.id, null, [asked, block]),
      load: (offset, limit, signal) => askStore(ROUTE, store.id, { query: { ...asked, offset, limit } }, signal),
      rowsOf: (found) => found.searches,
    },
    from,
    until,
  );
  return { answer, total: answer?.total ?? null, ...rows, onShown: (first, end) => setShown([first, end]) };
}
