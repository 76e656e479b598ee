import { useQueries } from "@tanstack/react-query";

interface Source<A, T> {
  /** Of all that the rows depend on. */
  keyOf: (block: number) => readonly unknown[];
  load: (offset: number, limit: number, signal: AbortSignal) => Promise<A>;
  rowsOf: (answer: A) => readonly T[];
}

interface Blocks<A, T> {
  /** Any answer that is there, for what is the same in all of them. */
  answer: A | null;
  rowAt: (place: number) => T | undefined;
  error: unknown;
  retry: () => void;
}

/** Rows that are asked for at once. */
const BLOCK = 100;

/** The rows of a stretch of a table that lies on the server, as far as they are known. */
export function useBlocks<A extends object, T>({ keyOf, load, rowsOf }: Source<A, T>, from: number, until: number): Blocks<A, T> {
  const first = Math.floor(from / BLOCK);
  const last = Math.floor(Math.max(from, until - 1) / BLOCK);
  const blocks = Array.from({ length: last - first + 1 }, (_, i) => first + i);
  const answers = useQueries({
    queries: blocks.map((block) => ({
      queryKey: keyOf(block),
      queryFn: ({ signal }: { signal: AbortSignal }) => load(block * BLOCK, BLOCK, signal),
    })),
  });
  const failed = answers.find(({ error }) => error !== null);
  return {
    answer: (answers.find(({ data }) => data)?.data as A | undefined) ?? null,
    rowAt: (place) => {
      const data = answers[Math.floor(place / BLOCK) - first]?.data as A | undefined;
      return data && rowsOf(data)[place % BLOCK];
    },
    error: failed?.error ?? null,
    retry: () => void failed?.refetch(),
  };
}
