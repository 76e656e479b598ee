import { useAnswer } from "../pieces/useAnswer";
import type { RuleUse } from "./kinds";

interface WordUse {
  searches: number;
  clicked: number;
  rules: Record<string, RuleUse>;
}

const NONE: WordUse = { searches: 0, clicked: 0, rules: {} };

/** Who set each rule, and how often it acted. */
export function useWordUse(): WordUse {
  return useAnswer<WordUse>("words/use") ?? NONE;
}
