import type { WordRule } from "@core/settings/schema";
import { Select, TextInput } from "@ui/controls";
import { useId } from "react";
import { useFieldValues } from "../pieces/useFieldValues";
import { useOpen } from "../state/bench";

export type Target = Extract<WordRule, { does: "intent" }>["target"];

const SELECTION = "selection:";
const POINTABLE = ["path", "list", "keyword", "colour", "flag", "text"];

/** A part of the range: everything with a value in a field, or a named selection. */
export function TargetPicker({ target, onChange }: { target: Target | null; onChange: (target: Target) => void }) {
  const { fields, settings } = useOpen("fields", "settings");
  const list = useId();
  const field = target && "field" in target ? target.field : null;
  const values = useFieldValues(field, target && "field" in target ? target.value : "");
  const options = [
    ...fields
      .filter((entry) => POINTABLE.includes(entry.type) && entry.distinct > 0 && entry.role !== "title" && entry.role !== "description")
      .map(({ key, label }) => ({ value: key, label })),
    ...Object.entries(settings.selections).map(([id, { name }]) => ({ value: SELECTION + id, label: `Selection: ${name}` })),
  ];
  const chosen = target === null ? "" : "selection" in target ? SELECTION + target.selection : target.field;
  return (
    <span className="flex min-w-0 flex-1 items-center gap-1.5">
      <Select
        value={chosen}
        label="What it means"
        options={options}
        className="max-w-[170px]"
        onChange={(value) =>
          onChange(value.startsWith(SELECTION) ? { selection: value.slice(SELECTION.length) } : { field: value, value: "" })
        }
      />
      {target && "field" in target && (
        <>
          <TextInput
            aria-label="Value"
            list={list}
            value={target.value}
            placeholder="value or group"
            onChange={(event) => onChange({ field: target.field, value: event.target.value })}
            className="flex-1"
          />
          <datalist id={list}>
            {Object.values(settings.groups)
              .filter((group) => group.on && group.field === target.field)
              .map((group) => (
                <option key={Object.values(group.label)[0]} value={Object.values(group.label)[0]} />
              ))}
            {values.map((value) => (
              <option key={value} value={value} />
            ))}
          </datalist>
        </>
      )}
    </span>
  );
}
