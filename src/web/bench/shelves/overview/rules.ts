import type { RuleFacts } from "@contract/shelves";
import type { RuleState } from "@core/insights/rules/state";
import { type PatchOperation, remove, set } from "@core/settings/patch";
import type { Boost, Hide, Settings, Shelf } from "@core/settings/schema";

/** All that is arranged, hidden, raised or led away, as rows of one table. */

export type Part = RuleFacts["part"];
export type Kind = "shelf" | "redirect" | "hide" | "boost";

export interface RuleRow {
  key: string;
  part: Part;
  id: string;
  kind: Kind;
  rule: Shelf | Hide | Boost;
  facts: RuleFacts | null;
}

export const KINDS: readonly { value: Kind; label: string }[] = [
  { value: "shelf", label: "shelves" },
  { value: "redirect", label: "redirects" },
  { value: "hide", label: "hides" },
  { value: "boost", label: "boosts" },
];

export const STATE_NAMES: Record<RuleState, string> = {
  acting: "active",
  planned: "planned",
  ended: "ended",
  off: "off",
  never: "never active",
  gone: "product gone",
  conflict: "in conflict",
};

/** States in which somebody should look at a rule. */
export const BAD_STATES: readonly RuleState[] = ["never", "gone", "conflict"];

export function rowsOf({ shelves, hides, boosts }: Pick<Settings, Part>, facts: readonly RuleFacts[]): RuleRow[] {
  const known = new Map(facts.map((entry) => [`${entry.part}/${entry.id}`, entry]));
  const row = (part: Part, id: string, kind: Kind, rule: RuleRow["rule"]): RuleRow => {
    const key = `${part}/${id}`;
    return { key, part, id, kind, rule, facts: known.get(key) ?? null };
  };
  return [
    ...Object.entries(shelves).map(([id, shelf]) => row("shelves", id, shelf.redirect ? "redirect" : "shelf", shelf)),
    ...Object.entries(hides).map(([id, hide]) => row("hides", id, "hide", hide)),
    ...Object.entries(boosts).map(([id, boost]) => row("boosts", id, "boost", boost)),
  ];
}

/** Whether its review is due: the date has come. @param today as 2026-11-25. */
export const isDue = ({ review, on }: { review: string | null; on: boolean }, today: string): boolean =>
  on && review !== null && review <= today;

export type Order = "traffic" | "newest" | "name" | "ends";

export interface Wanted {
  text: string;
  kind: Kind | null;
  state: RuleState | "due" | null;
  order: Order;
  today: string;
}

/** The rows wanted, in their order. */
export function chooseRows(rows: readonly RuleRow[], { text, kind, state, order, today }: Wanted): RuleRow[] {
  const needle = text.trim().toLowerCase();
  const holds = (row: RuleRow) =>
    (kind === null || row.kind === kind) &&
    (state === null || (state === "due" ? isDue(row.rule, today) : row.facts?.state === state)) &&
    (needle === "" || wordsOf(row).includes(needle));
  return rows.filter(holds).sort(COMPARE[order]);
}

function wordsOf({ rule }: RuleRow): string {
  const searches =
    "searches" in rule ? [...rule.searches.map((search) => search.text), ...rule.categories.map((path) => path.join(" "))] : [];
  return [rule.name, rule.owner ?? "", ...searches].join("\n").toLowerCase();
}

const COMPARE: Record<Order, (a: RuleRow, b: RuleRow) => number> = {
  traffic: (a, b) => (b.facts?.searches ?? 0) - (a.facts?.searches ?? 0) || byName(a, b),
  newest: (a, b) => (b.facts?.at ?? "").localeCompare(a.facts?.at ?? "") || byName(a, b),
  name: byName,
  ends: (a, b) => endOf(a) - endOf(b) || byName(a, b),
};

const names = new Intl.Collator();

function byName(a: RuleRow, b: RuleRow): number {
  return names.compare(a.rule.name, b.rule.name) || (a.key < b.key ? -1 : 1);
}

const endOf = ({ rule }: RuleRow) => (rule.until === null ? Infinity : Date.parse(rule.until));

/** The same change in many rules at once. */
export function changeAll(rows: readonly RuleRow[], member: "on" | "owner" | "review", value: boolean | string | null): PatchOperation[] {
  return rows.map(({ part, id }) => set([part, id, member], value));
}

export const removeAll = (rows: readonly RuleRow[]): PatchOperation[] => rows.map(({ part, id }) => remove([part, id]));
