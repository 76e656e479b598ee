import type { ShopFront } from "@contract/search";
import type { FilterAnswer } from "@core/search/request";
import { memoDeep } from "@ui/memo-deep";
import { ChevronDown } from "lucide-react";
import { useEffect, useState } from "react";
import { type Address, withFilter } from "../address";
import { useTexts } from "../texts";
import { Control, type ControlProps } from "./Control";

export interface PanelProps {
  filters: FilterAnswer[];
  address: Address;
  front: ShopFront;
  onChange: (address: Address) => void;
}

/** All filters, one below the other, or beside one another over the results. */
export function FilterPanel({ filters, address, front, onChange, inColumns = false }: PanelProps & { inColumns?: boolean }) {
  return (
    <div
      part="filters"
      className={
        inColumns
          ? "grid grid-cols-[repeat(auto-fill,minmax(150px,1fr))] gap-x-5 gap-y-3 border-y border-rule py-3"
          : "flex flex-col gap-3.5"
      }
    >
      {filters.filter(hasChoices).map((filter) => (
        <OneFilter
          key={filter.id}
          filter={filter}
          front={front}
          onChoose={(choice) => onChange(withFilter(address, filter.id, choice, front.chosen))}
        />
      ))}
    </div>
  );
}

/** What other choices have left without any value is there no less, but says nothing. */
const hasChoices = (filter: FilterAnswer) => "bars" in filter || filter.values.length > 0;

/** A filter under its name; where it is folded, the name opens it. */
const OneFilter = memoDeep(function OneFilter({ filter, front, onChoose }: ControlProps) {
  const isChosen =
    "bars" in filter ? filter.selected !== null || filter.none?.selected === true : filter.values.some((value) => value.selected);
  const [isOpen, setOpen] = useState(!filter.folded);
  useEffect(() => setOpen(!filter.folded), [filter.folded]);
  const isShown = !filter.folded || isOpen || isChosen;
  return (
    <section part="filter" aria-label={filter.label} data-filter={filter.id}>
      <h3 part="filter-title" className="mb-1 t-s font-semibold">
        {filter.folded ? (
          <button type="button" aria-expanded={isShown} onClick={() => setOpen(!isOpen)} className="flex w-full items-center text-left">
            {filter.label}
            <ChevronDown className={`ml-auto size-4 text-soft ${isShown ? "rotate-180" : ""}`} aria-hidden />
          </button>
        ) : (
          filter.label
        )}
      </h3>
      {isShown && (
        <>
          {filter.help && <p className="mb-1 t-xs text-soft">{filter.help}</p>}
          <Control filter={filter} front={front} onChoose={onChoose} />
        </>
      )}
    </section>
  );
});

/** Filters folded away where there is no room beside the results. */
export function FoldedFilters(props: PanelProps) {
  const t = useTexts();
  const chosen = Object.keys(props.address.filters).length;
  return (
    <details className="rounded-shop border border-rule">
      <summary className="flex h-10 cursor-pointer list-none items-center gap-2 px-3 font-semibold">
        {t("filters.title")} {chosen > 0 && <span className="rounded-full bg-press px-1.5 t-xs text-on-press">{chosen}</span>}
        <ChevronDown className="ml-auto size-4 text-soft" aria-hidden />
      </summary>
      <div className="border-t border-rule p-3">
        {/* Behind a button there is the whole width for them. */}
        <FilterPanel {...props} inColumns={props.front.page.filters === "demand"} />
      </div>
    </details>
  );
}
