import { count } from "@ui/format";
import { isDead, useFirst } from "./More";
import type { ValueProps } from "./props";

const USUAL = 12;

/** A button for each value, as for sizes. */
export function Buttons({ filter, say, onToggle }: ValueProps) {
  const { shown, more } = useFirst(filter.values, Math.max(USUAL, filter.first ?? 0));
  return (
    <div>
      <div className="flex flex-wrap gap-1 py-0.5">
        {shown.map((value) => (
          <button
            key={value.value}
            type="button"
            aria-pressed={value.selected}
            disabled={isDead(value)}
            onClick={() => onToggle(value.value)}
            className={`rounded-shop border px-1.5 py-0.5 t-xs disabled:opacity-50 ${value.selected ? "border-press bg-press text-on-press" : "border-rule enabled:hover:border-soft"}`}
          >
            {say(value)}
            {!filter.uncounted && <span className={`ml-1 ${value.selected ? "" : "text-soft"}`}>{count(value.count)}</span>}
          </button>
        ))}
      </div>
      {more}
    </div>
  );
}
