import type { ShopFront } from "@contract/search";
import { isMoney } from "@core/catalogue/types";
import { lookUp } from "@core/records";
import type { FilterAnswer, FilterValue } from "@core/search/request";
import type { Say } from "@core/storefront/say-messages";
import { decimal, price } from "@ui/format";
import { factorOf } from "./taxed";

export type ValueFilter = Extract<FilterAnswer, { values: unknown }>;
export type RangeFilter = Extract<FilterAnswer, { bars: unknown }>;

/** A number of a filter as shoppers read it: money, or with its unit. @param value as it is shown, with or without the tax. */
export function sayNumber(filter: Pick<FilterAnswer, "id" | "unit">, front: ShopFront, value: number): string {
  const field = front.fields.find((entry) => entry.key === lookUp(front.filterFields, filter.id));
  const unit = filter.unit ?? field?.unit;
  if (field && isMoney(field)) return price(value, front.language, front.currency).replace(/[.,]00(?=\D*$)/, "");
  return `${decimal(value, 2, front.language)}${unit ? ` ${unit}` : ""}`;
}

/** The ends of a range that is chosen, in words. */
export function sayEnds({ min, max }: { min: number | null; max: number | null }, say: (value: number) => string, t: Say): string {
  if (min === null) return t("filters.up-to", { n: say(max ?? 0) });
  return max === null ? t("filters.at-least", { n: say(min) }) : `${say(min)} – ${say(max)}`;
}

/** What a value is called: its label, or for a step the numbers between which it lies. */
export function labelOf(filter: ValueFilter, value: FilterValue, front: ShopFront, t: Say): string {
  const { from, to } = value;
  if (from === undefined && to === undefined) return filter.display === "yes-no" && value.value === "Yes" ? t("filters.yes") : value.label;
  const factor = factorOf(filter, front);
  const say = (number: number) => sayNumber(filter, front, number * factor);
  if (from == null) return t("filters.under", { n: say(to ?? 0) });
  if (to == null) return t("filters.and-more", { n: say(from) });
  return t("filters.between", { a: say(from), b: say(to) });
}
