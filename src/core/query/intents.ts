import { type Bits, isEmpty } from "../index/bits";
import type { Searcher } from "../prepare/searcher";
import { lookUp } from "../records";
import type { Condition } from "../settings/condition";
import type { Settings, WordRule } from "../settings/schema";
import type { QueryWord, Step } from "./types";

/** A word or phrase of a query that stands for a part of the range. */
export interface FilterIntent {
  rule: string;
  /** In the shopper's words. */
  label: string;
  words: QueryWord[];
  /** Restricts the results to the part, or lets the part come before the rest. */
  as: "filter" | "prefer";
  /** What it stands for, in words. */
  to: string;
  products: Bits;
}

/** Words that stand for a part of the range, left to right, longest first. One that leads nowhere is left among the words. */
export function findIntents(searcher: Searcher, words: readonly QueryWord[], at: number): FilterIntent[] {
  const { intents } = searcher.words;
  if (intents.isEmpty) return [];
  const stems = words.map((word) => word.stem);
  const found: FilterIntent[] = [];
  for (let i = 0; i < words.length; ) {
    const use = intents.longestAt(stems, i)[0];
    if (!use) {
      i++;
      continue;
    }
    const part = words.slice(i, i + use.stems.length);
    const products = searcher.conditions.products(conditionOfTarget(searcher.settings, use.does.target), at);
    if (!isEmpty(products)) {
      const label = part.map((word) => word.surface).join(" ");
      found.push({ rule: use.id, label, words: part, as: use.does.as, to: sayTarget(searcher, use.does.target), products });
    }
    i += part.length;
  }
  return found;
}

type Target = Extract<WordRule, { does: "intent" }>["target"];

/** The condition that an intent's products meet; a value that is the name of a group means the group's values. */
function conditionOfTarget({ groups }: Pick<Settings, "groups">, target: Target): Condition {
  if ("selection" in target) return target;
  const group = Object.values(groups).find(
    (entry) => entry.on && entry.field === target.field && Object.values(entry.label).includes(target.value),
  );
  return group
    ? { field: target.field, oneOf: [...group.values, ...Object.values(group.label)] }
    : { field: target.field, is: target.value };
}

function sayTarget({ index, settings }: Searcher, target: Target): string {
  if ("selection" in target) return `everything in ${lookUp(settings.selections, target.selection)?.name ?? target.selection}`;
  const field = index.fields.find((entry) => entry.key === target.field);
  return field?.role === "category" ? `everything in ${target.value}` : `${field?.label ?? target.field}: ${target.value}`;
}

export function intentSteps(used: readonly FilterIntent[], back: readonly FilterIntent[]): Step[] {
  return [
    ...used.map(({ label, to, rule }): Step => ({ kind: "intent", from: label, to, rule })),
    ...back.map(({ label, to, rule }): Step => ({ kind: "intent-back", from: label, to, rule })),
  ];
}
