import type { Field } from "@contract/fields";
import { lookUp } from "@core/records";
import type { Condition } from "@core/settings/condition";
import { DERIVED } from "../derived-fields";
import { COMPARISONS, comparisonOf } from "./comparisons";

/** A condition in words, for lists. */
export function sayCondition(
  condition: Condition,
  fields: readonly Pick<Field, "key" | "label">[],
  selections: Record<string, { name: string }>,
): string {
  const say = (part: Condition): string => {
    if ("all" in part) return part.all.length === 0 ? "every product" : part.all.map(say).join(" and ");
    if ("any" in part) return part.any.length === 0 ? "no product" : `(${part.any.map(say).join(" or ")})`;
    if ("not" in part) return `not ${say(part.not)}`;
    if ("selection" in part) return `in “${lookUp(selections, part.selection)?.name ?? "a selection that is gone"}”`;
    const label = fields.find((field) => field.key === part.field)?.label ?? lookUp(DERIVED, part.field) ?? part.field;
    const comparison = comparisonOf(part);
    if (comparison === "empty" || comparison === "filled") return `${label} ${COMPARISONS[comparison]}`;
    if (comparison === "between") return `${label} ${saySpan(part.between ?? [null, null])}`;
    if (comparison === "newerThanDays") return `${label} in the last ${part.newerThanDays} days`;
    const value = part.oneOf ? part.oneOf.join(", ") : String(part.is ?? part.contains ?? part.startsWith);
    return `${label} ${COMPARISONS[comparison]} ${value === "true" ? "yes" : value === "false" ? "no" : value}`;
  };
  return say(condition);
}

function saySpan([from, to]: readonly [number | null, number | null]): string {
  if (from === null) return to === null ? "is any" : `up to ${to}`;
  return to === null ? `${from} or more` : `${from} to ${to}`;
}
