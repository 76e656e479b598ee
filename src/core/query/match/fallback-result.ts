import type { Bits } from "../../index/bits";
import type { Searcher } from "../../prepare/searcher";
import type { Expansion, Step } from "../types";
import type { TermMatch } from "./term-match";
import { answerAll, extendMatch } from "./terms";

/** What a fallback came to. */
export interface FallbackResult {
  matches: TermMatch[];
  products: Bits;
  steps: Step[];
  leftOut: string[];
}

/** What the terms come to that are answered by more expansions than before. */
export function rematch(
  searcher: Searcher,
  matches: readonly TermMatch[],
  extra: readonly Expansion[][],
  among: Bits,
  steps: Step[],
): FallbackResult {
  const wider = matches.map((match, i) => (extra[i].length === 0 ? match : extendMatch(searcher, match, extra[i])));
  return { matches: wider, products: answerAll(wider, among), steps, leftOut: [] };
}
