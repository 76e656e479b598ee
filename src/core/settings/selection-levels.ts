import { lookUp } from "../records";
import type { Condition } from "./condition";

const MOST_LEVELS = 20;

type Selections = Readonly<Record<string, { condition: Condition }>>;

/** The selections that a condition names, each once. */
export function selectionsIn(condition: Condition): string[] {
  const named = new Set<string>();
  const open = [condition];
  for (let next = open.pop(); next; next = open.pop()) {
    if ("all" in next) open.push(...next.all);
    else if ("any" in next) open.push(...next.any);
    else if ("not" in next) open.push(next.not);
    else if ("selection" in next) named.add(next.selection);
  }
  return [...named];
}

/**
 * What is wrong with how selections are made of one another: one leads back to itself, or so many are within each other that nobody
 * could say what is meant. Null where nothing is.
 */
export function problemOfSelections(selections: Selections): { id: string; message: string } | null {
  const levels = new Map<string, number>();
  const open = new Set<string>();
  const levelsOf = (id: string): number | { id: string; message: string } => {
    const known = levels.get(id);
    if (known !== undefined || !Object.hasOwn(selections, id)) return known ?? 0;
    if (open.has(id)) return { id, message: "A selection cannot be made of itself." };
    if (open.size >= MOST_LEVELS) return { id, message: `At most ${MOST_LEVELS} selections can be made of one another.` };
    open.add(id);
    let most = 0;
    for (const inner of selectionsIn(lookUp(selections, id).condition)) {
      const found = levelsOf(inner);
      if (typeof found !== "number") return found;
      most = Math.max(most, found + 1);
    }
    open.delete(id);
    if (most >= MOST_LEVELS) return { id, message: `At most ${MOST_LEVELS} selections can be made of one another.` };
    levels.set(id, most);
    return most;
  };
  for (const id of Object.keys(selections)) {
    const found = levelsOf(id);
    if (typeof found !== "number") return found;
  }
  return null;
}
