import { decimal } from "@ui/format";
import { useEffect, useRef, useState } from "react";
import { useTexts } from "../../texts";
import { sayNumber } from "../labels";
import type { RangeProps } from "./props";

/** Two fields for the ends of a range. */
export function FromTo({ filter, front, onChoose }: RangeProps) {
  const t = useTexts();
  const [from, setFrom] = useState("");
  const [to, setTo] = useState("");
  const { min = null, max = null } = filter.selected ?? {};
  /** What was chosen here since, and whether something else was typed after it. */
  const sent = useRef<string[]>([]);
  const isTyping = useRef(false);
  useEffect(() => {
    const key = keyOf(min, max);
    // An answer to what was chosen here takes nothing away that is being typed; what was chosen elsewhere, or cleared, does.
    if (sent.current.includes(key) && isTyping.current) return;
    if (sent.current.at(-1) === key || !sent.current.includes(key)) sent.current = [];
    isTyping.current = false;
    setFrom(min === null ? "" : String(min));
    setTo(max === null ? "" : String(max));
  }, [min, max]);
  const [low, high] = [read(from), read(to)];
  const isWrong = Number.isNaN(low) || Number.isNaN(high);
  const isReversed = low !== null && high !== null && low > high;
  const commit = () => {
    if (isWrong || isReversed || (low === min && high === max)) return;
    isTyping.current = false;
    sent.current.push(keyOf(low, high));
    onChoose({ min: low, max: high });
  };
  const field = (label: string, text: string, onChange: (text: string) => void, shown: number) => (
    <input
      inputMode="decimal"
      aria-label={`${filter.label} ${label}`}
      aria-invalid={isWrong || isReversed}
      value={text}
      placeholder={decimal(shown, 2, front.language)}
      onChange={(event) => {
        isTyping.current = true;
        onChange(event.target.value);
      }}
      onBlur={commit}
      onKeyDown={(event) => event.key === "Enter" && commit()}
      className="h-7 w-0 min-w-0 flex-1 rounded-shop border border-rule bg-paper px-1.5 t-s aria-invalid:border-loss"
    />
  );
  return (
    <div>
      <div className="flex items-center gap-1.5 t-s">
        {field(t("filters.from"), from, setFrom, filter.range.min)}
        <span aria-hidden>–</span>
        {field(t("filters.to"), to, setTo, filter.range.max)}
      </div>
      <p role={isWrong || isReversed ? "alert" : undefined} className="mt-0.5 t-xs text-soft">
        {isWrong
          ? t("filters.numbers-only")
          : isReversed
            ? t("filters.turned")
            : `${sayNumber(filter, front, filter.range.min)} – ${sayNumber(filter, front, filter.range.max)}`}
      </p>
    </div>
  );
}

const keyOf = (min: number | null, max: number | null) => `${min}..${max}`;

/** A number as typed, with a comma or a point; null for nothing, NaN for what is none. */
function read(text: string): number | null {
  const plain = text.trim().replace(",", ".");
  return plain === "" ? null : Number(plain);
}
