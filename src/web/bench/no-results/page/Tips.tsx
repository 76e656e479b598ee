import { IconButton } from "@ui/Button";
import { TextLine } from "@ui/controls";
import { X } from "lucide-react";
import { AddLine } from "../../pieces/AddLine";

const MOST = 20;

/** Tips for shoppers, each a line. */
export function Tips({ tips, onChange }: { tips: readonly string[]; onChange: (tips: string[]) => Promise<boolean> }) {
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
        <AddLine label="New tip" placeholder="Try the botanical name" className="py-1.5" onAdd={(tip) => onChange([...tips, tip])} />
      )}
    </div>
  );
}
