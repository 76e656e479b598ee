import { TextLine } from "@ui/controls";
import { useId, useState } from "react";

interface Props {
  value: number | null;
  label: string;
  min: number;
  max: number;
  placeholder?: string;
  className?: string;
  onCommit: (value: number) => void;
  /** Taken when the field is emptied, where it may be. */
  onEmpty?: () => void;
}

/** A number within bounds. What lies beyond them, or is none, is not taken: it stays as it was typed, with what may be. */
export function NumberLine({ value, label, min, max, placeholder, className = "w-16", onCommit, onEmpty }: Props) {
  const id = useId();
  // What was refused, and at which value: another value has no problem of the one before.
  const [refused, setRefused] = useState<{ at: number | null } | null>(null);
  const problem = refused !== null && refused.at === value ? `${min} to ${max}` : null;
  const take = (text: string) => {
    const plain = text.trim().replace(",", ".");
    const number = Number(plain);
    const isWithin = plain !== "" && number >= min && number <= max;
    setRefused(isWithin || (plain === "" && onEmpty) ? null : { at: value });
    if (plain === "") onEmpty?.();
    else if (isWithin) onCommit(Number.isInteger(min) ? Math.round(number) : number);
  };
  return (
    <span className="inline-flex items-center gap-1.5">
      <TextLine
        label={label}
        inputMode="decimal"
        value={value === null ? "" : String(value)}
        placeholder={placeholder}
        title={`${min} to ${max}`}
        aria-invalid={problem !== null || undefined}
        aria-describedby={problem === null ? undefined : id}
        onCommit={take}
        className={`${className} text-right tabular-nums ${problem === null ? "" : "!border-loss"}`}
      />
      {problem !== null && (
        <span id={id} role="alert" className="whitespace-nowrap text-[12px] text-loss">
          {problem}
        </span>
      )}
    </span>
  );
}
