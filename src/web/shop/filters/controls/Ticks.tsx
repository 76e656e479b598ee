import type { FilterValue } from "@core/search/request";
import { useTexts } from "../../texts";
import { Count, isDead, useFirst } from "./More";
import type { ValueProps } from "./props";

/** A list of values of which several can be chosen. */
export function Ticks({ filter, say, onToggle, onOnly }: ValueProps) {
  const t = useTexts();
  const { shown, more } = useFirst(filter.values, filter.first);
  return (
    <div>
      {filter.all && (
        <label className="flex items-start gap-1.5 py-0.5 t-s">
          <input
            type="checkbox"
            checked={filter.values.every(({ selected }) => !selected)}
            onChange={() => onOnly(null)}
            className="mt-[3px] size-3.5 shrink-0 accent-(--press)"
          />
          {t("filters.all")}
        </label>
      )}
      <TickRows values={shown} isCounted={!filter.uncounted} say={say} onToggle={onToggle} />
      {more}
    </div>
  );
}

interface RowsProps extends Pick<ValueProps, "say" | "onToggle"> {
  values: readonly FilterValue[];
  isCounted: boolean;
}

export function TickRows({ values, isCounted, say, onToggle }: RowsProps) {
  return values.map((value) => (
    <label key={value.value} className={`flex items-start gap-1.5 py-0.5 t-s ${isDead(value) ? "text-soft opacity-70" : ""}`}>
      <input
        type="checkbox"
        checked={value.selected}
        disabled={isDead(value)}
        onChange={() => onToggle(value.value)}
        className="mt-[3px] size-3.5 shrink-0 accent-(--press)"
      />
      <span className="min-w-0 break-words">{say(value)}</span>
      <Count value={value} isShown={isCounted} />
    </label>
  ));
}
