import type { SearchAnswer } from "@core/search/request";
import { call } from "@ui/http";
import { useEffect, useState } from "react";
import { useOpen } from "../state/bench";

const MOST = 60;

/** How many products each word finds in the draft; partial finds and dead ends count as none. */
export function useWordCounts(words: readonly string[]): Map<string, number> {
  const { store, revision } = useOpen("store", "revision");
  const [counts, setCounts] = useState(new Map<string, number>());
  const key = [...new Set(words)].slice(0, MOST).join("\n");
  // biome-ignore lint/correctness/useExhaustiveDependencies: a new revision may find more or less
  useEffect(() => {
    if (key === "") return;
    let isCurrent = true;
    const ask = async (word: string) => {
      const answer = await call<SearchAnswer>(`/api/stores/${store.id}/search`, { body: { query: word, limit: 0 } }).catch(() => null);
      return [word, answer?.outcome === "results" ? answer.total : 0] as const;
    };
    const timer = setTimeout(
      () => void Promise.all(key.split("\n").map(ask)).then((entries) => isCurrent && setCounts(new Map(entries))),
      120,
    );
    return () => {
      isCurrent = false;
      clearTimeout(timer);
    };
  }, [key, store.id, revision]);
  return counts;
}
