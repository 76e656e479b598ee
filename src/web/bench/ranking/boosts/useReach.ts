import type { Condition } from "@core/settings/condition";
import { call, isAborted } from "@ui/http";
import { useEffect, useState } from "react";
import { useOpen } from "../../state/bench";

export interface Reach {
  products: number;
  results: number;
  searches: number;
}

/** How many products are named, and what share of recent results they are; null until it is known. */
export function useReach(named: { condition?: Condition; products?: string[] } | null): Reach | null {
  const { store, revision } = useOpen("store", "revision");
  const [reach, setReach] = useState<Reach | null>(null);
  const question = named && JSON.stringify(named);
  // biome-ignore lint/correctness/useExhaustiveDependencies: another revision shows other results
  useEffect(() => {
    if (!question) return setReach(null);
    const controller = new AbortController();
    const timer = setTimeout(() => {
      call<Reach>(`/api/stores/${store.id}/reach`, { body: JSON.parse(question), signal: controller.signal }).then(
        setReach,
        (error) => !isAborted(error) && setReach(null),
      );
    }, 150);
    return () => {
      clearTimeout(timer);
      controller.abort();
    };
  }, [question, store.id, revision]);
  return reach;
}
