import type { ShopFront } from "@contract/search";
import type { FilterAnswer } from "@core/search/request";
import type { Say } from "@core/storefront/say-messages";
import { type Address, withFilter, withoutFilters } from "../address";
import { useTexts } from "../texts";
import type { PanelProps } from "./FilterPanel";
import { labelOf, sayEnds, sayNumber } from "./labels";
import { factorOf } from "./taxed";

interface Chip {
  key: string;
  text: string;
  next: Address;
}

/** The chosen values as chips that can be taken away. */
export function Chips({ filters, address, front, onChange }: PanelProps) {
  const t = useTexts();
  const chips = filters.flatMap((filter) => chipsOf(filter, address, front, t));
  if (chips.length === 0) return null;
  return (
    <div className="flex flex-wrap gap-1.5">
      {chips.map((chip) => (
        <button
          key={chip.key}
          type="button"
          part="chip"
          onClick={() => onChange(chip.next)}
          aria-label={t("filters.remove", { text: chip.text })}
          className="rounded-full border border-press bg-press-soft px-2 t-xs hover:line-through"
        >
          {chip.text} <span aria-hidden>×</span>
        </button>
      ))}
      <button type="button" onClick={() => onChange(withoutFilters(address, front.chosen))} className="px-1 t-xs font-semibold text-press">
        {t("filters.clear")}
      </button>
    </div>
  );
}

function chipsOf(filter: FilterAnswer, address: Address, front: ShopFront, t: Say): Chip[] {
  if ("bars" in filter) {
    const none = filter.none?.selected
      ? [{ key: `${filter.id}:none`, text: filter.none.label, next: withFilter(address, filter.id, null, front.chosen) }]
      : [];
    if (!filter.selected) return none;
    const factor = factorOf(filter, front);
    const text = sayEnds(filter.selected, (number) => sayNumber(filter, front, number * factor), t);
    return [{ key: filter.id, text: `${filter.label} ${text}`, next: withFilter(address, filter.id, null, front.chosen) }];
  }
  const chosen = filter.values.filter((value) => value.selected);
  return chosen.map((value) => ({
    key: `${filter.id}:${value.value}`,
    text: filter.display === "yes-no" ? filter.label : sayStep(labelOf(filter, value, front, t), filter, value.from !== undefined),
    next: withFilter(address, filter.id, { any: chosen.filter((entry) => entry !== value).map((entry) => entry.value) }, front.chosen),
  }));
}

/** A bare amount says little by itself. */
function sayStep(text: string, filter: FilterAnswer, isStep: boolean): string {
  return isStep ? `${filter.label} ${text}` : text;
}
