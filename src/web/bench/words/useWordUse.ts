import { useFact } from "../ask/useAsk";

/** Who set each rule, and how often it acted; null until it is known. */
export const useWordUse = () => useFact("GET /api/stores/{store}/words/use", {});
