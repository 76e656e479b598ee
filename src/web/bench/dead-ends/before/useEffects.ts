import type { StrictnessEffect } from "@core/measure/strictness";
import { call } from "@ui/http";
import { useEffect, useState } from "react";
import { useOpen } from "../../state/bench";

export interface Effects {
  /** How often searches were asked that not every product answers in full, and those that find nothing at all now. */
  asked: number;
  nothing: number;
  effects: StrictnessEffect[];
}

/** What each way to take a search would do to the searches of the log; null until it is known. */
export function useStrictnessEffects(): Effects | null {
  const { store, revision } = useOpen("store", "revision");
  const [effects, setEffects] = useState<Effects | null>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: another revision finds more or less
  useEffect(() => {
    const controller = new AbortController();
    call<Effects>(`/api/stores/${encodeURIComponent(store.id)}/strictness`, { signal: controller.signal }).then(
      setEffects,
      () => undefined,
    );
    return () => controller.abort();
  }, [store.id, revision]);
  return effects;
}
