import { call } from "@ui/http";
import { useEffect, useState } from "react";
import { useOpen } from "../../state/bench";

export interface OwnFacts {
  finds: number;
  redirect: string | null;
  corrected: boolean;
  shown: number;
  taken: number;
  lastAt: string | null;
}

/** What each search of the own list comes to by the draft, and how it fared. */
export function useOwnFacts(): Readonly<Record<string, OwnFacts>> {
  const { store, revision } = useOpen("store", "revision");
  const [entries, setEntries] = useState<Record<string, OwnFacts>>({});
  // biome-ignore lint/correctness/useExhaustiveDependencies: another revision finds more or less
  useEffect(() => {
    let isCurrent = true;
    call<{ entries: Record<string, OwnFacts> }>(`/api/stores/${encodeURIComponent(store.id)}/box/list`).then(
      (facts) => isCurrent && setEntries(facts.entries),
      () => undefined,
    );
    return () => {
      isCurrent = false;
    };
  }, [store.id, revision]);
  return entries;
}
