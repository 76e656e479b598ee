import { useFact } from "../ask/useAsk";

/** Long enough that moving a slider does not ask at each step, in ms. */
const PAUSE = 800;

/** What each field does for last week's searches; null until it is known, or without a log. */
export function useAttributeImpact() {
  const impact = useFact("GET /api/stores/{store}/attributes/effects", {}, { pause: PAUSE });
  return impact && impact.searches > 0 ? impact : null;
}
