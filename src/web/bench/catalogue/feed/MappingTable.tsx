import type { ColumnMapping, Mapping } from "@core/feed/mapping";
import { ROLE_TYPES } from "@core/feed/roles";
import { lookUp } from "@core/records";
import { IconButton } from "@ui/Button";
import { Select, TextLine } from "@ui/controls";
import { Eye, EyeOff, Layers } from "lucide-react";
import { memo } from "react";
import { Diamond } from "../../pieces/Diamond";
import { ROLE_NAMES, TYPE_NAMES } from "../names";
import { useFeed, wished } from "./state";

const USES = [
  { value: "use:id", label: "Id" },
  { value: "use:parent", label: "Id of its product" },
  { value: "use:options", label: "Options, nested" },
  { value: "use:skip", label: "Leave out" },
];
const ROLES = Object.entries(ROLE_NAMES).map(([value, label]) => ({ value: `role:${value}`, label }));
const TYPES = Object.entries(TYPE_NAMES).map(([value, label]) => ({ value, label }));

/** One row a column: what it is, of which type, what it holds, and why that is proposed. */
export function MappingTable({ mapping, samples }: { mapping: Mapping; samples: Record<string, string[]> }) {
  const wishes = useFeed((state) => state.wishes);
  return (
    <div className="border-t border-rule">
      {Object.entries(wished(mapping, wishes)).map(([column, entry]) => (
        <ColumnRow
          key={column}
          column={column}
          entry={entry}
          samples={lookUp(samples, column)}
          isEdited={lookUp(wishes, column) !== undefined}
        />
      ))}
    </div>
  );
}

interface RowProps {
  column: string;
  entry: ColumnMapping;
  samples: string[] | undefined;
  isEdited: boolean;
}

const ColumnRow = memo(function ColumnRow({ column, entry, samples, isEdited }: RowProps) {
  const wish = useFeed((state) => state.wish);
  const change = (part: Partial<ColumnMapping>) => wish(column, part);
  const isField = entry.use === "field";
  return (
    <div className="relative border-b border-rule py-1.5">
      {isEdited && <Diamond className="absolute top-4 -left-[13px]" />}
      <div className="grid grid-cols-[minmax(0,1fr)_132px_128px] items-center gap-x-2">
        <b className="truncate font-semibold" title={column}>
          {column}
        </b>
        <Select
          label={`What ${column} is`}
          value={isField ? `role:${entry.role}` : `use:${entry.use}`}
          options={[...USES, ...ROLES]}
          onChange={(value) => {
            const [kind, name] = value.split(":");
            if (kind === "use") return change({ use: name as ColumnMapping["use"], role: "attribute" });
            const role = name as ColumnMapping["role"];
            change({ use: "field", role, type: ROLE_TYPES[role] ?? entry.type });
          }}
        />
        {isField ? (
          <Select
            label={`Type of ${column}`}
            value={entry.type}
            options={TYPES}
            onChange={(type) => change({ type: type as ColumnMapping["type"] })}
          />
        ) : (
          <span />
        )}
        <p className="col-span-3 mt-0.5 truncate text-[12.5px] text-soft" title={samples?.join("\n")}>
          {samples && samples.length > 0 ? samples.map((sample) => `“${sample}”`).join("  ") : "Empty in the lines that were looked at"}
        </p>
        <div className="col-span-3 flex min-h-6 flex-wrap items-center gap-x-2 gap-y-1 text-[12.5px] text-soft">
          <span className="mr-auto">{entry.reason}</span>
          {isField && entry.type === "number" && (
            <span className="flex items-center gap-1.5">
              unit
              <TextLine
                label={`Unit of ${column}`}
                value={entry.unit ?? ""}
                className="h-6 w-14"
                onCommit={(unit) => change({ unit: unit.trim() || null })}
              />
            </span>
          )}
          {isField && (entry.type === "list" || entry.type === "path") && (
            <span className="flex items-center gap-1.5">
              parted by
              <TextLine
                label={`Sign between the values of ${column}`}
                value={entry.separator ?? ""}
                className="h-6 w-10 text-center"
                onCommit={(separator) => change({ separator: separator || null })}
              />
            </span>
          )}
          {entry.scale && (
            <span className="flex items-center gap-1.5">
              neutral
              <TextLine
                label={`Neutral value of ${column}`}
                value={String(entry.scale.neutral)}
                className="h-6 w-14"
                onCommit={(neutral) => entry.scale && change({ scale: { ...entry.scale, neutral } })}
              />
              strongest
              <TextLine
                label={`Strongest value of ${column}`}
                value={String(entry.scale.strongest)}
                className="h-6 w-14"
                onCommit={(strongest) => entry.scale && change({ scale: { ...entry.scale, strongest } })}
              />
            </span>
          )}
          {isField && entry.role === "attribute" && (
            <IconButton
              label={entry.option ? `${column} is an option column` : `${column} is not an option column`}
              aria-pressed={entry.option}
              onClick={() => change({ option: !entry.option })}
              className={`!size-6 ${entry.option ? "text-press" : "opacity-60"}`}
            >
              <Layers className="size-4" />
            </IconButton>
          )}
          {isField && (
            <IconButton
              label={entry.shown ? `Shoppers may see ${column}` : `Shoppers never see ${column}`}
              aria-pressed={entry.shown}
              onClick={() => change({ shown: !entry.shown })}
              className={`!size-6 ${entry.shown ? "" : "text-loss"}`}
            >
              {entry.shown ? <Eye className="size-4" /> : <EyeOff className="size-4" />}
            </IconButton>
          )}
        </div>
      </div>
    </div>
  );
});
