import { lookOfColour } from "@core/catalogue/colours";
import type { FilterValue } from "@core/search/request";
import { isDead, useFirst } from "./More";
import type { ValueProps } from "./props";

const USUAL = 15;

/** A colour or a picture for each value. */
export function Swatches({ filter, say, onToggle }: ValueProps) {
  const { shown, more } = useFirst(filter.values, Math.max(USUAL, filter.first ?? 0));
  const chosen = filter.values.filter((value) => value.selected);
  return (
    <div>
      <div className="flex flex-wrap gap-1.5 py-0.5">
        {shown.map((value) => (
          <button
            key={value.value}
            type="button"
            aria-pressed={value.selected}
            disabled={isDead(value)}
            aria-label={filter.uncounted ? say(value) : `${say(value)}, ${value.count}`}
            title={filter.uncounted ? say(value) : `${say(value)} (${value.count})`}
            onClick={() => onToggle(value.value)}
            className={`flex size-[22px] items-center justify-center overflow-hidden rounded-full border border-black/15 t-xs font-semibold disabled:opacity-30 ${value.selected ? "outline-2 outline-offset-2 outline-press" : ""}`}
            style={backgroundOf(value)}
          >
            {value.picture || lookOf(value) ? "" : say(value).slice(0, 2)}
          </button>
        ))}
      </div>
      {chosen.length > 0 && <div className="t-xs text-soft">{chosen.map(say).join(", ")}</div>}
      {more}
    </div>
  );
}

/** A value that was renamed looks as it did. */
const lookOf = ({ colour, value, label }: FilterValue) => colour ?? lookOfColour(value) ?? lookOfColour(label);

function backgroundOf(value: FilterValue): { background: string } {
  if (value.picture) return { background: `center / cover no-repeat url("${encodeURI(value.picture)}")` };
  return { background: lookOf(value) ?? "var(--raised)" };
}
