import type { Conflict, RuleName } from "../conflicts/conflict";
import { isOver } from "../conflicts/conflict";

/** The state of a rule at a moment. */
export const RULE_STATES = ["acting", "planned", "ended", "off", "never", "gone", "conflict"] as const;
export type RuleState = (typeof RULE_STATES)[number];

/** What is known of a rule besides what it says. */
export interface ArrangementFacts {
  part: "shelves" | "hides" | "boosts";
  id: string;
  state: RuleState;
  /** Products that it names or moves. */
  products: number;
  /** Searches of the log that it is meant for, or on whose first page it changes something. */
  searches: number;
  acted: number;
  clicked: number;
  lastAt: string | null;
  /** Who changed it last, and when. */
  by: string | null;
  at: string | null;
}

const NEVER = new Set<Conflict["kind"]>(["always-covered", "empty", "shows-nothing", "redirect-loop"]);

/** @param conflicts those of all rules. */
export function stateOf(
  { part, id }: RuleName,
  rule: { on: boolean; from: string | null; until: string | null },
  conflicts: readonly Conflict[],
  at: number,
): RuleState {
  if (!rule.on) return "off";
  if (isOver(rule, at)) return "ended";
  const own = conflicts.filter((entry) => entry.rule.part === part && entry.rule.id === id);
  if (own.some(({ kind }) => NEVER.has(kind))) return "never";
  if (own.some(({ kind }) => kind === "product-gone" || kind === "selection-gone")) return "gone";
  const isNamed = own.length > 0 || conflicts.some(({ other }) => other?.part === part && other.id === id);
  if (isNamed) return "conflict";
  return rule.from !== null && Date.parse(rule.from) > at ? "planned" : "acting";
}
