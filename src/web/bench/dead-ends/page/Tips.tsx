import { Button, IconButton } from "@ui/Button";
import { TextLine } from "@ui/controls";
import { X } from "lucide-react";
import { type FormEvent, useState } from "react";

const MOST = 20;

/** Tips for shoppers, each a line. */
export function Tips({ tips, onChange }: { tips: readonly string[]; onChange: (tips: string[]) => void }) {
  const [text, setText] = useState("");
  const add = (event: FormEvent) => {
    event.preventDefault();
    if (text.trim()) onChange([...tips, text.trim()]);
    setText("");
  };
  return (
    <div className="border-t border-rule">
      {tips.map((tip, i) => (
        <div key={`${i + 0} ${tip}`} className="flex items-center gap-2 border-b border-rule py-1">
          <TextLine
            label={`Tip ${i + 1}`}
            value={tip}
            onCommit={(next) => onChange(next.trim() ? tips.with(i, next.trim()) : tips.toSpliced(i, 1))}
            className="flex-1"
          />
          <IconButton label={`Remove tip ${i + 1}`} onClick={() => onChange(tips.toSpliced(i, 1))}>
            <X className="size-4" />
          </IconButton>
        </div>
      ))}
      {tips.length < MOST && (
        <form onSubmit={add} className="flex gap-2 py-1.5">
          <input
            aria-label="New tip"
            value={text}
            onChange={(event) => setText(event.target.value)}
            placeholder="Try the botanical name"
            className="h-7 min-w-0 flex-1 rounded border border-rule bg-raised px-2 text-[13px]"
          />
          <Button type="submit" disabled={text.trim() === ""}>
            Add
          </Button>
        </form>
      )}
    </div>
  );
}
