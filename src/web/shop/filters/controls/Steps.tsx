import { Star } from "lucide-react";
import { Count, isDead } from "./More";
import type { ValueProps } from "./props";

const STARS = [1, 2, 3, 4, 5];

/** "So much and more", one at a time; pressing it again takes it back. Ratings are drawn as stars. */
export function Steps({ filter, say, onOnly, isRating }: ValueProps & { isRating: boolean }) {
  return (
    <div className="flex flex-col">
      {filter.values.map((value) => (
        <button
          key={value.value}
          type="button"
          aria-pressed={value.selected}
          disabled={isDead(value)}
          onClick={() => onOnly(value.selected ? null : value.value)}
          className={`flex items-center gap-1.5 rounded-shop py-0.5 text-left t-s disabled:opacity-50 ${value.selected ? "font-semibold text-press" : "enabled:hover:text-press"}`}
        >
          {isRating && (
            <span className="flex" aria-hidden>
              {STARS.map((star) => (
                <Star key={star} className={`size-3.5 text-[#c9861a] ${star <= (value.from ?? 0) ? "fill-[#c9861a]" : ""}`} />
              ))}
            </span>
          )}
          <span className={isRating ? "sr-only" : ""}>{say(value)}</span>
          <Count value={value} isShown={!filter.uncounted} />
        </button>
      ))}
    </div>
  );
}
