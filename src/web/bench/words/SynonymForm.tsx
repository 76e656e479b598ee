import { Button } from "@ui/Button";
import { plural } from "@ui/format";
import { X } from "lucide-react";
import { type FormEvent, useState } from "react";
import { useOpen } from "../state/bench";
import { useWindow } from "../state/window";
import { useWordCounts } from "./useWordCounts";

/** Collects words that mean the same, with what each finds now, before they become a rule. */
export function SynonymForm({ onAdd }: { onAdd: (words: string[]) => void }) {
  const { settings } = useOpen();
  const { draft } = useWindow();
  const [words, setWords] = useState<string[]>([]);
  const [text, setText] = useState("");
  const counts = useWordCounts(words);
  const clean = (word: string) => word.trim().toLowerCase();
  const all = [...new Set([...words, ...text.split(/[=,]/).map(clean)].filter(Boolean))];
  const taken = Object.values(settings.words).find(
    (rule) => rule.does === "same" && all.length > 1 && all.every((word) => rule.words.includes(word)),
  );
  const take = () => {
    setWords(all);
    setText("");
  };
  const submit = (event: FormEvent) => {
    event.preventDefault();
    if (all.length < 2) return take();
    if (taken) return;
    onAdd(all);
    setWords([]);
    setText("");
  };
  const fromWindow = draft?.query.leftOut[0];
  return (
    <form onSubmit={submit} className="border-y border-rule py-2.5">
      <div className="flex flex-wrap items-center gap-1.5">
        {words.map((word) => (
          <span key={word} className="flex h-7 items-center gap-1.5 rounded bg-press-soft px-2 font-semibold">
            {word}
            {counts.has(word) && <small className="font-normal text-soft">{plural(counts.get(word) ?? 0, "product")}</small>}
            <button type="button" aria-label={`Take ${word} out`} onClick={() => setWords(words.filter((entry) => entry !== word))}>
              <X className="size-3.5" />
            </button>
          </span>
        ))}
        <input
          aria-label="Words that mean the same"
          value={text}
          placeholder={words.length === 0 ? "aubergine, eggplant" : "means the same as …"}
          onChange={(event) => setText(event.target.value)}
          onKeyDown={(event) => {
            if ((event.key === "," || event.key === "=") && text.trim()) {
              event.preventDefault();
              take();
            }
            if (event.key === "Backspace" && text === "" && words.length > 0) setWords(words.slice(0, -1));
          }}
          className="h-7 min-w-[150px] flex-1 rounded border border-rule bg-raised px-2"
        />
        <Button look="main" type="submit" disabled={all.length < 2 || taken !== undefined}>
          Mean the same
        </Button>
      </div>
      <p className="mt-1.5 text-[12.5px] text-soft">
        {taken ? (
          <span className="text-loss">These words mean the same already.</span>
        ) : fromWindow && words.length === 0 && text === "" ? (
          <>
            The search in the window leaves out “{fromWindow}”.{" "}
            <button type="button" className="font-semibold text-press" onClick={() => setWords([fromWindow])}>
              Say what it means
            </button>
          </>
        ) : (
          "Part the words with a comma. Phrases are fine: “watering can, sprinkling can”."
        )}
      </p>
    </form>
  );
}
