import { useTexts } from "../../texts";
import { Count, isDead, useFirst } from "./More";
import type { ValueProps } from "./props";

/** A category tree that is open along the place one is in. */
export function Tree({ filter, say, onOnly }: ValueProps) {
  const t = useTexts();
  const isNarrow = filter.values.some((value) => value.selected || (value.depth ?? 0) > 0);
  const { shown, more } = useFirst(filter.values, isNarrow ? filter.values.length : filter.first);
  const chosen = filter.values.find((value) => value.selected);
  return (
    <div>
      {chosen && (
        <button type="button" onClick={() => onOnly(null)} className="py-0.5 t-s text-press hover:underline">
          {t("filters.all")}
        </button>
      )}
      <ul>
        {shown.map((value) => (
          <li key={value.value} style={{ paddingLeft: (value.depth ?? 0) * 12 }}>
            <button
              type="button"
              aria-pressed={value.selected}
              disabled={isDead(value)}
              onClick={() => onOnly(value.selected ? null : value.value)}
              className={`flex w-full items-start gap-1.5 py-0.5 text-left t-s disabled:opacity-50 ${value.selected ? "font-semibold text-press" : "enabled:hover:text-press"}`}
            >
              <span className="min-w-0 break-words">{say(value)}</span>
              <Count value={value} isShown={!filter.uncounted} />
            </button>
          </li>
        ))}
      </ul>
      {more}
    </div>
  );
}
