import type { WordUse } from "@contract/words";
import { lookUp } from "@core/records";
import type { Settings, WordRule } from "@core/settings/schema";

/** Who set a rule, and how often it acted. */
export type RuleUse = WordUse["rules"][string];

export type Does = WordRule["does"];

interface Kind {
  does: Does;
  /** Stands between the words and what they are joined with. */
  label: string;
  /** How a rule that is made says it, where that is shorter. */
  says?: string;
  /** One line about it, while a rule is being made. */
  help: string;
  takes: "words" | "target" | "nothing";
}

export const KINDS: readonly Kind[] = [
  {
    does: "synonym",
    label: "mean the same",
    help: "A search for one finds the others too; no word loses its own results.",
    takes: "nothing",
  },
  { does: "one-way", label: "also finds", help: "One way only: the right side does not find the left.", takes: "words" },
  {
    does: "intent",
    label: "means the category or value",
    says: "means",
    help: "The word is taken out of the search and leads to a part of the range.",
    takes: "target",
  },
  { does: "rewrite", label: "is read as", help: "A misspelling or a nickname; the right word is searched in its place.", takes: "words" },
  { does: "ignore", label: "is ignored", help: "Dropped from a search, unless nothing would be left.", takes: "nothing" },
  { does: "phrase", label: "belongs together", help: "The words must be side by side, in this order.", takes: "nothing" },
  { does: "literal", label: "is never changed", help: "No other forms of the word, and no correction of it.", takes: "nothing" },
  { does: "never-offer", label: "is never offered", help: "Not as a correction, a completion or a proposal.", takes: "nothing" },
];

export const kindOf = (does: Does): Kind => KINDS.find((kind) => kind.does === does) ?? KINDS[0];

/** What a rule does, as it is said between its words and what they are joined with. */
export function saysOf(does: Does): string {
  const { says, label } = kindOf(does);
  return says ?? label;
}

/** What a rule makes its words into, in words; empty where it needs none. */
export function withOf(rule: WordRule, { selections }: Pick<Settings, "selections">, labelOf: (key: string) => string): string {
  if (rule.does === "one-way" || rule.does === "rewrite") return rule.to.join(", ");
  if (rule.does !== "intent") return "";
  if ("selection" in rule.target) return lookUp(selections, rule.target.selection)?.name ?? "a selection that is gone";
  return `${labelOf(rule.target.field)}: ${rule.target.value}`;
}

export type Order = "newest" | "words" | "acted";

export const RULE_SWITCHES = ["all", "on", "off"] as const;
export type RuleSwitch = (typeof RULE_SWITCHES)[number];

interface Choice {
  search: string;
  does: Does | null;
  /** Those that are on, those that are off, or both. */
  are: RuleSwitch;
  order: Order;
  uses: WordUse["rules"];
}

/** The rules that hold a text, do one thing and are on or off, in an order. */
export function chooseRules(words: Settings["words"], { search, does, are, order, uses }: Choice): [string, WordRule][] {
  const wanted = search.trim().toLowerCase();
  const holds = (rule: WordRule) =>
    [
      ...rule.words,
      ...("to" in rule ? rule.to : []),
      ...(rule.does === "intent" && "value" in rule.target ? [rule.target.value] : []),
    ].some((word) => word.toLowerCase().includes(wanted));
  const chosen = Object.entries(words).filter(
    ([, rule]) => (does === null || rule.does === does) && (are === "all" || rule.on === (are === "on")) && (wanted === "" || holds(rule)),
  );
  if (order === "words") return chosen.sort(([, a], [, b]) => a.words[0].localeCompare(b.words[0]));
  if (order === "acted") return chosen.sort(([a], [b]) => (lookUp(uses, b)?.acted ?? 0) - (lookUp(uses, a)?.acted ?? 0));
  const at = (id: string) => lookUp(uses, id)?.at ?? "9";
  return chosen.reverse().sort(([a], [b]) => (at(a) < at(b) ? 1 : at(a) > at(b) ? -1 : 0));
}
