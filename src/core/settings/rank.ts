import { generateKeyBetween } from "fractional-indexing";
import { inRankOrder } from "./ranked";

type Ranked = Readonly<Record<string, { rank: string }>>;

/** Digits of ranks that were written by hand, in their order. */
const MIDDLE = "V";
const LEAST = "0";

/**
 * A rank between two others; null is open. Ranks are fractional keys, but whoever writes settings may write any text: then a text
 * between the two is taken, and the one behind the first where there is none.
 */
export function rankBetween(before: string | null, after: string | null): string {
  try {
    return generateKeyBetween(before, after);
  } catch {
    // Not keys as the package makes them, or in no order.
  }
  const start = before ?? "";
  const candidates = [start + MIDDLE, start + LEAST + MIDDLE, after?.slice(0, -1) ?? "", LEAST];
  const isBetween = (rank: string) => rank !== "" && rank > start && (after === null || rank < after);
  return candidates.find(isBetween) ?? start + MIDDLE;
}

/** Ranks behind all entries of a collection, one behind the other. */
export function ranksBehind(entries: Ranked, count: number): string[] {
  const ranks: string[] = [];
  let last = inRankOrder({ ...entries }).at(-1)?.[1].rank ?? null;
  for (let i = 0; i < count; i++) {
    last = rankBetween(last, null);
    ranks.push(last);
  }
  return ranks;
}

/** The rank behind all entries of a collection. */
export function rankBehind(entries: Ranked): string {
  return ranksBehind(entries, 1)[0];
}

/** The rank of an entry that is put at a place among the others, from 0. */
export function rankAt(entries: Ranked, id: string, place: number): string {
  const others = inRankOrder({ ...entries }).filter(([other]) => other !== id);
  return rankBetween(others[place - 1]?.[1].rank ?? null, others[place]?.[1].rank ?? null);
}
