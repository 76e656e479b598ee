import type { Bits } from "../../index/bits";
import type { Searcher } from "../../prepare/searcher";
import type { Expansion, Step } from "../types";
import type { UnitMatch } from "./unit-match";
import { answerAll, extendMatch } from "./units";

/** What a rung of the ladder came to. */
export interface Rescue {
  matches: UnitMatch[];
  products: Bits;
  steps: Step[];
  leftOut: string[];
}

/** What the units come to that are answered by more expansions than before. */
export function rematch(
  searcher: Searcher,
  matches: readonly UnitMatch[],
  extra: readonly Expansion[][],
  among: Bits,
  steps: Step[],
): Rescue {
  const wider = matches.map((match, i) => (extra[i].length === 0 ? match : extendMatch(searcher, match, extra[i])));
  return { matches: wider, products: answerAll(wider, among), steps, leftOut: [] };
}
