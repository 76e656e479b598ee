import type { FilterAnswer, FilterValue } from "@core/search/request";
import { decimal, price } from "@ui/format";
import type { Front } from "../client";
import type { Say } from "../texts";

export type ValueFilter = Extract<FilterAnswer, { values: unknown }>;
export type RangeFilter = Extract<FilterAnswer, { bars: unknown }>;

/** A number of a filter as shoppers read it: money, or with its unit. */
export function sayNumber(filter: Pick<FilterAnswer, "id" | "unit">, front: Front, value: number): string {
  const field = front.fields.find((entry) => entry.key === front.filterFields[filter.id]);
  const unit = filter.unit ?? field?.unit;
  if (field?.role === "price" || field?.role === "salePrice")
    return price(value, front.locale, front.currency).replace(/[.,]00(?=\D*$)/, "");
  return `${decimal(value, 2, front.locale)}${unit ? ` ${unit}` : ""}`;
}

/** What a value is called: its label, or for a step the numbers between which it lies. */
export function labelOf(filter: ValueFilter, value: FilterValue, front: Front, t: Say): string {
  const { from, to } = value;
  if (from === undefined && to === undefined) return filter.display === "yes-no" && value.value === "Yes" ? t("Yes") : value.label;
  const say = (number: number) => sayNumber(filter, front, number);
  if (from == null) return t("under {n}", { n: say(to ?? 0) });
  if (to == null) return t("{n} and more", { n: say(from) });
  return t("{a} to {b}", { a: say(from), b: say(to) });
}
