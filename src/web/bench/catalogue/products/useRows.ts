import type { ProductRow, ProductTableQuery } from "@contract/products";
import { useQueries } from "@tanstack/react-query";
import { askStore, keyOf } from "../../ask/useAsk";
import { useOpen } from "../../state/bench";

const ROUTE = "POST /api/stores/{store}/products/table";
/** Rows that are asked for at once. */
const BLOCK = 100;

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
  const first = Math.floor(from / BLOCK);
  const last = Math.floor(Math.max(from, to - 1) / BLOCK);
  const blocks = Array.from({ length: last - first + 1 }, (_, i) => first + i);
  const answers = useQueries({
    queries: blocks.map((block) => ({
      queryKey: keyOf(ROUTE, store.id, revision, [question, block]),
      queryFn: ({ signal }: { signal: AbortSignal }) =>
        askStore(ROUTE, store.id, { body: { ...question, offset: block * BLOCK, limit: BLOCK } }, signal),
    })),
  });
  const failed = answers.find(({ error }) => error !== null);
  return {
    total: answers.find(({ data }) => data)?.data?.total ?? null,
    rowAt: (place) => answers[Math.floor(place / BLOCK) - first]?.data?.rows[place % BLOCK],
    error: failed?.error ?? null,
    retry: () => void failed?.refetch(),
  };
}
