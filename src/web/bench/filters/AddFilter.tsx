import { fieldsOfFilter } from "@core/settings/filter";
import { Button } from "@ui/Button";
import { count, percent, plural } from "@ui/format";
import { useState } from "react";
import { type FieldInfo, useOpen } from "../state/bench";

const NEVER = ["title", "description", "picture", "link", "articleNumber", "stock", "sold", "ratingCount", "salePrice", "added"];

/** Fields that could become a filter, with what they hold, those that would serve best first. */
export function AddFilter({ onAdd }: { onAdd: (field: string) => void }) {
  const { fields, settings } = useOpen("fields", "settings");
  const [isOpen, setOpen] = useState(false);
  const used = new Set(Object.values(settings.filters).flatMap(fieldsOfFilter));
  const free = fields
    .filter((field) => !used.has(field.key) && !NEVER.includes(field.role) && field.distinct > 1 && field.shown)
    .sort((a, b) => worth(b) - worth(a));
  return (
    <div className="border-y border-rule py-2">
      <div className="flex items-center gap-3">
        <span className="text-[13px] text-soft">{plural(free.length, "more field")} could become a filter.</span>
        <Button className="ml-auto" look={isOpen ? "plain" : "main"} aria-expanded={isOpen} onClick={() => setOpen(!isOpen)}>
          {isOpen ? "Done" : "Add a filter"}
        </Button>
      </div>
      {isOpen && (
        <ul className="mt-2 max-h-[300px] overflow-auto">
          {free.map((field) => (
            <li key={field.key} className="flex items-center gap-3 border-t border-rule py-1.5">
              <div className="min-w-0 flex-1">
                <b className="font-semibold">{field.label}</b>
                <span className="ml-2 text-[12.5px] text-soft">
                  {percent(field.coverage)} filled, {count(field.distinct)} values
                </span>
                <p className="truncate text-[12.5px] text-soft">
                  {field.samples.slice(0, 4).join(", ")} {warn(field) && <span className="text-loss">{warn(field)}</span>}
                </p>
              </div>
              <Button onClick={() => onAdd(field.key)} aria-label={`Add a filter from ${field.label}`}>
                Add
              </Button>
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}

function worth(field: FieldInfo): number {
  const variety = field.type === "number" ? 0.6 : field.distinct > 60 ? 0.4 : 1;
  return field.coverage * variety;
}

function warn(field: FieldInfo): string | null {
  if (field.coverage < 0.08) return "Few products have it.";
  if (field.type !== "number" && field.distinct > 200) return "Too many values to tick.";
  return null;
}
