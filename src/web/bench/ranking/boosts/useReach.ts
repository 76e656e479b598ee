import type { Condition } from "@core/settings/condition";
import { useFact } from "../../ask/useAsk";

/** How many products are named, and what share of recent results they are; null until it is known. */
export const useReach = (named: { condition: Condition } | { products: string[] } | null) =>
  useFact("POST /api/stores/{store}/reach", named && { body: named }, { pause: 150 });
