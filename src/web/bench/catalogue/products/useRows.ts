import type { ProductRow, ProductTableQuery } from "@contract/products";
import { askStore, keyOf } from "../../ask/useAsk";
import { useBlocks } from "../../pieces/table/useBlocks";
import { useOpen } from "../../state/bench";

const ROUTE = "POST /api/stores/{store}/products/table";

interface Rows {
  /** null until it is known. */
  total: number | null;
  rowAt: (place: number) => ProductRow | undefined;
  error: unknown;
  retry: () => void;
}

/** The rows of a stretch of the table, as far as they are known. */
export function useRows(question: Pick<ProductTableQuery, "search" | "condition" | "sort" | "direction">, from: number, to: number): Rows {
  const { store, revision } = useOpen("store", "revision");
  const { answer, ...rows } = useBlocks(
    {
      keyOf: (block) => keyOf(ROUTE, store.id, revision, [question, block]),
      load: (offset, limit, signal) => askStore(ROUTE, store.id, { body: { ...question, offset, limit } }, signal),
      rowsOf: (found) => found.rows,
    },
    from,
    to,
  );
  return { total: answer?.total ?? null, ...rows };
}
