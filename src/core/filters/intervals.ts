import { placeOf } from "../index/numbers";
import type { NumberColumn } from "../index/types";

/** A run of numbers: from `from`, which is in it, to `to`, which is not; null where it is open. */
export interface Interval {
  from: number | null;
  to: number | null;
}

/** An interval as requests name it: "5..10", "..5", "10..". */
export function nameOfInterval({ from, to }: Interval): string {
  return `${from ?? ""}..${to ?? ""}`;
}

const NUMBER = "-?\\d+(?:\\.\\d+)?(?:e[+-]?\\d+)?";
const PATTERN = new RegExp(`^(${NUMBER})?\\.\\.(${NUMBER})?$`);

export function readInterval(name: string): Interval | null {
  const match = PATTERN.exec(name);
  if (!match || (match[1] === undefined && match[2] === undefined)) return null;
  return { from: match[1] === undefined ? null : Number(match[1]), to: match[2] === undefined ? null : Number(match[2]) };
}

/** The places of an interval among the distinct numbers of a column: from the first to before the second. */
export function ranksOf({ distinct }: NumberColumn, { from, to }: Interval): [number, number] {
  return [from === null ? 0 : placeOf(distinct, from), to === null ? distinct.length : placeOf(distinct, to)];
}

/** Steps between thresholds, all numbers in one of them: below the first, between, and from the last on. */
export function stepsBetween(edges: readonly number[]): Interval[] {
  return [null, ...edges].map((from, i) => ({ from, to: edges[i] ?? null }));
}

/** "So much and more", the highest first. */
export function stepsUpwards(edges: readonly number[]): Interval[] {
  return [...edges].reverse().map((from) => ({ from, to: null }));
}
