import { plural } from "@ui/format";
import { X } from "lucide-react";

interface Props {
  words: readonly string[];
  label: string;
  placeholder: string;
  /** At most so many; 1 takes a single word. */
  most?: number;
  counts: ReadonlyMap<string, number>;
  /** What is still being typed. */
  typed: string;
  onType: (text: string) => void;
  onChange: (words: string[]) => void;
}

/** Words as they are typed, one after the other. */
export const cutWords = (text: string) =>
  text
    .split(/[=,;\n]/)
    .map(cleanWord)
    .filter(Boolean);
const cleanWord = (word: string) => word.trim().replace(/\s+/g, " ").toLowerCase();

/**
 * Words and phrases, one after the other; a comma, an equals sign or Enter ends one. Leaving the field ends none: what is
 * typed counts as it is, and nothing moves under the hand that goes for the button.
 */
export function WordChips({ words, label, placeholder, most = 200, counts, typed, onType, onChange }: Props) {
  const take = (added: string) => {
    onChange([...new Set([...words, ...cutWords(added)])].slice(-most));
    onType("");
  };
  return (
    <span className="flex min-h-7 min-w-[150px] flex-1 flex-wrap items-center gap-1 rounded border border-rule bg-raised px-1 py-0.5 focus-within:border-soft">
      {words.map((word) => (
        <span key={word} className="flex h-[22px] items-center gap-1 rounded-[3px] bg-press-soft px-1.5 text-[13px] font-semibold">
          {word}
          {counts.has(word) && <small className="font-normal text-soft">{plural(counts.get(word) ?? 0, "product")}</small>}
          <button type="button" aria-label={`Remove ${word}`} onClick={() => onChange(words.filter((entry) => entry !== word))}>
            <X className="size-3" />
          </button>
        </span>
      ))}
      <input
        aria-label={label}
        value={typed}
        placeholder={words.length === 0 ? placeholder : ""}
        onChange={(event) => onType(event.target.value)}
        onKeyDown={(event) => {
          if ((event.key === "," || event.key === "=" || event.key === "Enter") && typed.trim()) {
            event.preventDefault();
            take(typed);
          }
          if (event.key === "Backspace" && typed === "" && words.length > 0) onChange(words.slice(0, -1));
        }}
        className={`h-[22px] flex-1 bg-transparent px-1 text-[13px] outline-none ${words.length === 0 ? "min-w-[90px]" : "min-w-[40px]"}`}
      />
    </span>
  );
}
