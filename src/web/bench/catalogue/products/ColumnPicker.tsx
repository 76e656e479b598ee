import { Checkbox } from "@ui/controls";
import { useOpen } from "../../state/bench";

/** Which fields the table shows; a field that is ticked comes behind the others. */
export function ColumnPicker({ chosen, onChange }: { chosen: readonly string[]; onChange: (keys: string[]) => void }) {
  const { fields } = useOpen("fields");
  const offered = fields.filter((field) => !["title", "picture", "description"].includes(field.role));
  return (
    <div className="mt-2 grid max-h-52 grid-cols-3 gap-x-3 gap-y-1 overflow-y-auto border-y border-rule py-2 text-[13px]">
      {offered.map(({ key, label }) => (
        <span key={key} className="flex min-w-0 items-center gap-2">
          <Checkbox
            checked={chosen.includes(key)}
            label={`Column ${label}`}
            onChange={(on) => onChange(on ? [...chosen, key] : chosen.filter((other) => other !== key))}
          />
          <span className="truncate">{label}</span>
        </span>
      ))}
    </div>
  );
}
