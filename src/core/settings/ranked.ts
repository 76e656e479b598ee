import { lookUp } from "../records";

/** The entries of a collection in the order of their ranks, ties by id. Ranks compare by code unit, as fractional keys do. */
export function inRankOrder<T extends { rank: string }>(collection: Record<string, T>): [string, T][] {
  return Object.entries(collection).sort(([idA, a], [idB, b]) => {
    if (a.rank !== b.rank) return a.rank < b.rank ? -1 : 1;
    return idA < idB ? -1 : 1;
  });
}

/** Whether a rule acts at a moment: switched on and within its dates. `from` is included, `until` is not. */
export function actsAt(rule: { on: boolean; from: string | null; until: string | null }, at: number): boolean {
  if (!rule.on) return false;
  if (rule.from !== null && Date.parse(rule.from) > at) return false;
  return rule.until === null || at < Date.parse(rule.until);
}

/** The text in a language, else in the first one that is there, else the fallback. */
export function labelIn(label: Record<string, string>, language: string, fallback: string): string {
  return lookUp(label, language) || lookUp(label, language.split("-")[0]) || Object.values(label).find(Boolean) || fallback;
}
