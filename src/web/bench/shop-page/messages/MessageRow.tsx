import { checkMessage } from "@core/settings/check-message";
import { type MessageId, namesOf, usualText } from "@core/settings/message-texts";
import type { Say } from "@core/storefront/say-messages";
import { IconButton } from "@ui/Button";
import { TextInput } from "@ui/controls";
import { Undo2 } from "lucide-react";
import { useEffect, useId, useState } from "react";
import { Diamond } from "../../pieces/Diamond";
import { TRIALS } from "./groups";

interface Props {
  id: MessageId;
  /** What is written anew; null when it is said as usual. */
  text: string | null;
  was: string | null;
  language: string;
  say: Say;
  onChange: (text: string | null) => void;
}

/** A message, what can be put into it, and how it reads; checked before it is taken. */
export function MessageRow({ id, text, was, language, say, onChange }: Props) {
  const usual = usualText(id, language);
  const [typed, setTyped] = useState(text ?? usual);
  useEffect(() => setTyped(text ?? usual), [text, usual]);
  const problemId = useId();
  const names = namesOf(id);
  const problem = typed.trim() === "" ? null : checkMessage(id, typed);
  const commit = () => {
    const next = typed.trim();
    if (next === "" || next === usual) {
      setTyped(usual);
      if (text !== null) onChange(null);
    } else if (!problem && next !== text) onChange(next);
  };
  const read = names.length === 0 ? [] : [...new Set(TRIALS.map((values) => say(id, values)))];
  return (
    <li className="relative border-b border-rule py-1 text-[13px]">
      {text !== was && <Diamond className="absolute top-3.5 -left-[13px]" />}
      <div className="flex items-center gap-2">
        <TextInput
          aria-label={`Message: ${usual}`}
          aria-invalid={problem !== null}
          aria-describedby={problem ? problemId : undefined}
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
          onBlur={commit}
          onKeyDown={(event) => {
            if (event.key === "Enter") commit();
            if (event.key === "Escape") setTyped(text ?? usual);
          }}
          className={`flex-1 aria-invalid:!border-loss ${text === null ? "" : "font-semibold"}`}
        />
        {text !== null && (
          <IconButton label={`As usual: ${usual}`} onClick={() => onChange(null)} className="!size-6">
            <Undo2 className="size-3.5" />
          </IconButton>
        )}
      </div>
      {problem ? (
        <p id={problemId} role="alert" className="px-2 text-[12.5px] text-loss">
          {problem}
        </p>
      ) : (
        read.length > 0 && <p className="truncate px-2 text-[12.5px] text-soft">{read.join("  ·  ")}</p>
      )}
    </li>
  );
}
