import { call } from "@ui/http";
import { useEffect, useState } from "react";
import { useOpen } from "../state/bench";

/**
 * What the open store answers at a path, asked anew for each revision of the draft; null until it is known, and when it
 * cannot be had. The last answer stays while the next is on its way.
 * @param path below the store's address; null asks nothing.
 * @param turn another number asks again although the draft is the same.
 */
export function useAnswer<T>(path: string | null, turn = 0): T | null {
  const { store, revision } = useOpen("store", "revision");
  const [answer, setAnswer] = useState<T | null>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: another draft is another question
  useEffect(() => {
    if (path === null) return setAnswer(null);
    let isCurrent = true;
    call<T>(`/api/stores/${encodeURIComponent(store.id)}/${path}`).then(
      (next) => isCurrent && setAnswer(next),
      () => isCurrent && setAnswer(null),
    );
    return () => {
      isCurrent = false;
    };
  }, [store.id, path, revision, turn]);
  return answer;
}
