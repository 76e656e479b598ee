import { call } from "@ui/http";
import { useEffect, useState } from "react";
import { useOpen } from "../state/bench";
import type { RuleUse } from "./kinds";

interface WordUse {
  searches: number;
  clicked: number;
  rules: Record<string, RuleUse>;
}

const NONE: WordUse = { searches: 0, clicked: 0, rules: {} };

/** Who set each rule, and how often it acted. */
export function useWordUse(): WordUse {
  const { store, revision } = useOpen();
  const [use, setUse] = useState(NONE);
  // biome-ignore lint/correctness/useExhaustiveDependencies: an edit has an author
  useEffect(() => {
    let isCurrent = true;
    call<WordUse>(`/api/stores/${store.id}/words/use`).then(
      (answer) => isCurrent && setUse(answer),
      () => undefined,
    );
    return () => {
      isCurrent = false;
    };
  }, [store.id, revision]);
  return use;
}
