import { lookUp } from "../records";

type Rules = Readonly<Record<string, { on: boolean; from: string | null; until: string | null }>>;

const memory = new WeakMap<Rules, number[]>();

/** All moments at which one of the rules begins or ends. */
export function momentsOf(rules: Rules): number[] {
  let moments = memory.get(rules);
  if (!moments) {
    moments = [];
    for (const id in rules) {
      const { on, from, until } = lookUp(rules, id);
      if (!on) continue;
      if (from !== null) moments.push(Date.parse(from));
      if (until !== null) moments.push(Date.parse(until));
    }
    memory.set(rules, moments);
  }
  return moments;
}
