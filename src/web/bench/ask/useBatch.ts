import { useQueries } from "@tanstack/react-query";
import { useOpen } from "../state/bench";
import { answers } from "./client";
import { keyOf, type StoreKey } from "./useAsk";

interface Batch<T> {
  route: StoreKey;
  /** What the answers depend on: another revision, another catalogue. */
  state: unknown;
  ids: readonly string[];
  /** How many are asked for in one call. */
  atOnce: number;
  load: (store: string, ids: string[], signal: AbortSignal) => Promise<readonly (readonly [id: string, answer: T])[]>;
}

/** Answers for many ids, as far as they are known: each id is asked for once, several in one call. */
export function useBatch<T>({ route, state, ids, atOnce, load }: Batch<T>): Map<string, T> {
  const { store } = useOpen("store");
  const known = (id: string) => answers.getQueryData<T>(keyOf(route, store.id, state, id));
  const missing = [...new Set(ids)].filter((id) => id !== "" && known(id) === undefined);
  const parts = Array.from({ length: Math.ceil(missing.length / atOnce) }, (_, i) => missing.slice(i * atOnce, (i + 1) * atOnce));
  useQueries({
    queries: parts.map((part) => ({
      queryKey: keyOf(route, store.id, state, part),
      queryFn: async ({ signal }: { signal: AbortSignal }) => {
        const found = await load(store.id, part, signal);
        for (const [id, answer] of found) answers.setQueryData(keyOf(route, store.id, state, id), answer);
        return found.length;
      },
      meta: { isFact: true },
    })),
  });
  return new Map(
    ids.flatMap((id) => {
      const answer = known(id);
      return answer === undefined ? [] : [[id, answer] as const];
    }),
  );
}
