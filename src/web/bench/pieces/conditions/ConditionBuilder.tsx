import type { Field } from "@contract/fields";
import type { Condition, FieldTest } from "@core/settings/condition";
import { Button, IconButton } from "@ui/Button";
import { Segments, Select } from "@ui/controls";
import { X } from "lucide-react";
import { useOpen } from "../../state/bench";
import { comparisonsFor, testOf } from "./comparisons";
import { NotButton } from "./NotButton";
import { TestRow } from "./TestRow";

/** A row of the builder: a test, a selection, or a group within the group. */
type Part = Condition;
type Group = { all: Condition[] } | { any: Condition[] };

const isGroup = (condition: Condition): condition is Group => "all" in condition || "any" in condition;
const partsOf = (group: Group): Condition[] => ("all" in group ? group.all : group.any);
const regroup = (group: Group, parts: Condition[]): Group => ("all" in group ? { all: parts } : { any: parts });

interface Props {
  value: Condition;
  onChange: (condition: Condition) => void;
  /** A selection that is being edited: it cannot hold itself. */
  without?: string;
}

/** Says which products are meant: tests of fields that must all hold, or of which one is enough, nested once. */
export function ConditionBuilder({ value, onChange, without }: Props) {
  const group: Group = isGroup(value) ? value : { all: [value] };
  return <GroupRows group={group} onChange={onChange} depth={0} without={without} />;
}

function GroupRows({
  group,
  onChange,
  depth,
  without,
}: {
  group: Group;
  onChange: (group: Group) => void;
  depth: number;
  without?: string;
}) {
  const { fields, settings } = useOpen("fields", "settings");
  const parts = partsOf(group);
  const replace = (i: number, part: Part | null) => onChange(regroup(group, part === null ? parts.toSpliced(i, 1) : parts.with(i, part)));
  const selections = Object.entries(settings.selections).filter(([id]) => id !== without);
  return (
    <div className={depth > 0 ? "border-l-2 border-rule pl-3" : ""}>
      {parts.length > 1 && (
        <Segments
          label="How the conditions are joined"
          value={"all" in group ? "all" : "any"}
          onChange={(kind) => onChange(kind === "all" ? { all: parts } : { any: parts })}
          options={[
            { value: "all", label: "all of these" },
            { value: "any", label: "any of these" },
          ]}
        />
      )}
      {parts.map((part, i) => (
        <div key={keyOf(part, i)} className="mt-1.5 flex items-start gap-1.5">
          <div className="min-w-0 flex-1">
            <PartRow part={part} onChange={(next) => replace(i, next)} depth={depth} without={without} />
          </div>
          <IconButton label="Remove this condition" onClick={() => replace(i, null)}>
            <X className="size-4" />
          </IconButton>
        </div>
      ))}
      <div className="mt-1.5 flex gap-2">
        <Button look="bare" className="!px-0" onClick={() => onChange(regroup(group, [...parts, firstTest(fields)]))}>
          + Condition
        </Button>
        {selections.length > 0 && (
          <Button look="bare" onClick={() => onChange(regroup(group, [...parts, { selection: selections[0][0] }]))}>
            + Selection
          </Button>
        )}
        {depth === 0 && parts.length > 0 && (
          <Button look="bare" onClick={() => onChange(regroup(group, [...parts, { any: [firstTest(fields)] }]))}>
            + Group
          </Button>
        )}
      </div>
    </div>
  );
}

/** Rows have no ids of their own; what a row is about tells it from the others well enough. */
function keyOf(part: Part, i: number): string {
  return `${i} ${"field" in part ? part.field : "selection" in part ? part.selection : "group"}`;
}

function firstTest(fields: readonly Field[]): FieldTest {
  const field = fields.find((entry) => entry.role === "category") ?? fields.find((entry) => entry.role === "brand") ?? fields[0];
  return testOf(field, comparisonsFor(field)[0]);
}

function PartRow({ part, onChange, depth, without }: { part: Part; onChange: (part: Part) => void; depth: number; without?: string }) {
  const { settings } = useOpen("settings");
  if (isGroup(part)) return <GroupRows group={part} onChange={onChange} depth={depth + 1} without={without} />;
  if ("not" in part) {
    return (
      <div className="flex items-start gap-1.5">
        <Button look="bare" className="!px-0" title="Press to take the “not” away" onClick={() => onChange(part.not)}>
          not
        </Button>
        <div className="min-w-0 flex-1">
          <PartRow part={part.not} onChange={(not) => onChange({ not })} depth={depth} without={without} />
        </div>
      </div>
    );
  }
  if ("selection" in part) {
    const options = Object.entries(settings.selections).filter(([id]) => id !== without);
    return (
      <div className="flex items-center gap-1.5">
        <span className="text-[13px] text-soft">belongs to</span>
        <Select
          label="Selection"
          value={part.selection}
          options={options.map(([value, selection]) => ({ value, label: selection.name }))}
          onChange={(selection) => onChange({ selection })}
        />
        <NotButton onPress={() => onChange({ not: part })} />
      </div>
    );
  }
  return <TestRow test={part} onChange={onChange} />;
}
