import { TextLine } from "@ui/controls";

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

/** A number within bounds; what lies beyond them, or is none, is not taken. */
export function NumberLine({ value, label, min, max, placeholder, className = "w-16", onCommit, onEmpty }: Props) {
  return (
    <TextLine
      key={value}
      label={label}
      inputMode="decimal"
      value={value === null ? "" : String(value)}
      placeholder={placeholder}
      title={`${min} to ${max}`}
      onCommit={(text) => {
        const plain = text.trim().replace(",", ".");
        if (plain === "") return onEmpty?.();
        const number = Number(plain);
        if (number >= min && number <= max) onCommit(Number.isInteger(min) ? Math.round(number) : number);
      }}
      className={`${className} text-right tabular-nums`}
    />
  );
}
