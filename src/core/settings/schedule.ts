import type { Settings } from "./schema";

type Rules = Readonly<Record<string, { on: boolean; from: string | null; until: string | null }>>;

const memory = new WeakMap<Rules, number[]>();

/** The next moment at which a rule begins or ends, as an ISO date; null when nothing is planned. */
export function nextChange({ boosts, hides, shelves, deadEnd, page }: Settings, at: number): string | null {
  let next = Infinity;
  for (const rules of [boosts, hides, shelves, deadEnd.answers, page.badges, page.blocks]) {
    for (const moment of momentsOf(rules)) if (moment > at && moment < next) next = moment;
  }
  return next === Infinity ? null : new Date(next).toISOString();
}

/** All moments at which one of the rules begins or ends. */
export function momentsOf(rules: Rules): number[] {
  let moments = memory.get(rules);
  if (!moments) {
    moments = [];
    for (const id in rules) {
      const { on, from, until } = rules[id];
      if (!on) continue;
      if (from !== null) moments.push(Date.parse(from));
      if (until !== null) moments.push(Date.parse(until));
    }
    memory.set(rules, moments);
  }
  return moments;
}
