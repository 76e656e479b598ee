import { useId } from "react";
import { useTexts } from "../../texts";
import { Count, isDead, useFirst } from "./More";
import type { ValueProps } from "./props";

/** One value at a time, with a way back to all. */
export function ChooseOne({ filter, say, onOnly }: ValueProps) {
  const t = useTexts();
  const name = useId();
  const { shown, more } = useFirst(filter.values, filter.first);
  const row = "flex items-start gap-1.5 py-0.5 t-s";
  const dot = "mt-[3px] size-3.5 shrink-0 accent-(--press)";
  return (
    <div>
      <label className={row}>
        <input
          type="radio"
          name={name}
          checked={filter.values.every((value) => !value.selected)}
          onChange={() => onOnly(null)}
          className={dot}
        />
        {t("filters.all")}
      </label>
      {shown.map((value) => (
        <label key={value.value} className={`${row} ${isDead(value) ? "text-soft opacity-70" : ""}`}>
          <input
            type="radio"
            name={name}
            checked={value.selected}
            disabled={isDead(value)}
            onChange={() => onOnly(value.value)}
            className={dot}
          />
          <span className="min-w-0 break-words">{say(value)}</span>
          <Count value={value} isShown={!filter.uncounted} />
        </label>
      ))}
      {more}
    </div>
  );
}
