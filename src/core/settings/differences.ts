import { lookUp } from "../records";
import type { Settings } from "./schema";

/** A difference between two states of the settings, in words. */
export interface Change {
  /** Part of the settings, and the entry in it; empty for a part as a whole. */
  part: keyof Settings;
  id: string;
  kind: "added" | "removed" | "changed";
  /** What it is about ("Botanical name") and what happened ("weight 5 → 7"). */
  subject: string;
  text: string;
}

export function isSame(a: unknown, b: unknown): boolean {
  return a === b || JSON.stringify(a) === JSON.stringify(b);
}

/** Which members of an entry changed. @param nameOf what a member is called. */
export function sayMembers(before: unknown, after: unknown, nameOf = (key: string): string => key): string {
  if (typeof before !== "object" || typeof after !== "object" || Array.isArray(after)) return "changed";
  const changed = Object.keys({ ...before, ...after }).filter(
    (key) => !isSame(lookUp(before as Record<string, unknown>, key), lookUp(after as Record<string, unknown>, key)),
  );
  if (changed.length === 1 && changed[0] === "on") return (after as { on: boolean }).on ? "switched on" : "switched off";
  if (changed.length === 1 && changed[0] === "rank") return "moved";
  const named = changed.filter((key) => key !== "rank").map(nameOf);
  return `${named.join(", ") || "order"} changed`;
}
