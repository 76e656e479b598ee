import type { AttributeEffect } from "@core/measure/attribute-effect";
import { call } from "@ui/http";
import { useEffect, useState } from "react";
import { useOpen } from "../state/bench";

interface Effects {
  asked: number;
  searches: number;
  fields: Record<string, AttributeEffect>;
}

/** Long enough that moving a slider does not ask at each step. */
const PAUSE = 800;

/** What each field does for last week's searches; null until it is known, or without a log. */
export function useEffects(): Effects | null {
  const { store, revision } = useOpen("store", "revision");
  const [effects, setEffects] = useState<Effects | null>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: another draft answers otherwise
  useEffect(() => {
    let isCurrent = true;
    const timer = setTimeout(
      () =>
        call<Effects>(`/api/stores/${store.id}/attributes/effects`).then(
          (answer) => isCurrent && setEffects(answer.searches > 0 ? answer : null),
          () => undefined,
        ),
      effects === null ? 0 : PAUSE,
    );
    return () => {
      isCurrent = false;
      clearTimeout(timer);
    };
  }, [store.id, revision]);
  return effects;
}
