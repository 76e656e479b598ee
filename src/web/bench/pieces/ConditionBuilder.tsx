import type { Condition, FieldTest } from "@core/settings/condition";
import { Button, IconButton } from "@ui/Button";
import { Choice, Segments, TextLine } from "@ui/controls";
import { X } from "lucide-react";
import { useId } from "react";
import { type FieldInfo, useOpen } from "../state/bench";

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

function firstTest(fields: readonly FieldInfo[]): FieldTest {
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
        <Choice
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

function NotButton({ onPress }: { onPress: () => void }) {
  return (
    <Button look="bare" className="!px-1 !font-normal" title="Turn it round" onClick={onPress}>
      not
    </Button>
  );
}

type Comparison = "is" | "oneOf" | "contains" | "startsWith" | "between" | "empty" | "filled" | "newerThanDays";
const COMPARISONS: Record<Comparison, string> = {
  is: "is",
  oneOf: "is one of",
  contains: "contains",
  startsWith: "begins with",
  between: "is between",
  empty: "is empty",
  filled: "is filled",
  newerThanDays: "is newer than",
};

function comparisonsFor(field: FieldInfo): Comparison[] {
  if (field.type === "number") return ["between", "is", "empty", "filled"];
  if (field.type === "date") return ["newerThanDays", "empty", "filled"];
  if (field.type === "flag") return ["is", "empty", "filled"];
  return ["is", "oneOf", "contains", "startsWith", "empty", "filled"];
}

function comparisonOf(test: FieldTest): Comparison {
  if (test.empty !== undefined) return test.empty ? "empty" : "filled";
  return (Object.keys(COMPARISONS) as Comparison[]).find((key) => key !== "filled" && key !== "empty" && test[key] !== undefined) ?? "is";
}

function testOf(field: FieldInfo, comparison: Comparison): FieldTest {
  const { key } = field;
  switch (comparison) {
    case "empty":
      return { field: key, empty: true };
    case "filled":
      return { field: key, empty: false };
    case "between":
      return { field: key, between: [null, null] };
    case "newerThanDays":
      return { field: key, newerThanDays: 30 };
    case "oneOf":
      return { field: key, oneOf: [] };
    case "is":
      return { field: key, is: field.type === "flag" ? true : field.type === "number" ? 0 : (field.samples[0] ?? "") };
    default:
      return { field: key, [comparison]: "" };
  }
}

function TestRow({ test, onChange }: { test: FieldTest; onChange: (part: Part) => void }) {
  const { fields } = useOpen("fields");
  const field = fields.find((entry) => entry.key === test.field);
  const comparison = comparisonOf(test);
  return (
    <div className="flex flex-wrap items-center gap-1.5">
      <Choice
        label="Field"
        className="max-w-40"
        value={test.field}
        options={fields.map(({ key, label }) => ({ value: key, label }))}
        onChange={(key) => {
          const next = fields.find((entry) => entry.key === key);
          if (next) onChange(testOf(next, comparisonsFor(next)[0]));
        }}
      />
      {field ? (
        <Choice
          label="Comparison"
          value={comparison}
          options={comparisonsFor(field).map((value) => ({ value, label: COMPARISONS[value] }))}
          onChange={(next) => onChange(testOf(field, next as Comparison))}
        />
      ) : (
        <span className="text-loss">This field is gone.</span>
      )}
      {field && <ValueInput test={test} field={field} comparison={comparison} onChange={onChange} />}
      <NotButton onPress={() => onChange({ not: test })} />
    </div>
  );
}

interface ValueProps {
  test: FieldTest;
  field: FieldInfo;
  comparison: Comparison;
  onChange: (test: FieldTest) => void;
}

function ValueInput({ test, field, comparison, onChange }: ValueProps) {
  const listId = useId();
  const { key } = field;
  if (comparison === "empty" || comparison === "filled") return null;
  if (comparison === "between") {
    const [from, to] = test.between ?? [null, null];
    const read = (text: string) =>
      text.trim() === "" || Number.isNaN(Number(text.replace(",", "."))) ? null : Number(text.replace(",", "."));
    return (
      <span className="flex items-center gap-1.5 text-[13px]">
        <TextLine
          label={`${field.label} from`}
          className="w-16"
          inputMode="decimal"
          value={from === null ? "" : String(from)}
          onCommit={(text) => onChange({ field: key, between: [read(text), to] })}
        />
        and
        <TextLine
          label={`${field.label} to`}
          className="w-16"
          inputMode="decimal"
          value={to === null ? "" : String(to)}
          onCommit={(text) => onChange({ field: key, between: [from, read(text)] })}
        />
      </span>
    );
  }
  if (comparison === "newerThanDays") {
    return (
      <span className="flex items-center gap-1.5 text-[13px]">
        <TextLine
          label="Days"
          className="w-14"
          inputMode="numeric"
          value={String(test.newerThanDays ?? 30)}
          onCommit={(text) => onChange({ field: key, newerThanDays: Math.max(0, Math.round(Number(text) || 0)) })}
        />
        days
      </span>
    );
  }
  if (field.type === "flag") {
    return (
      <Segments
        label={`${field.label} is`}
        value={test.is === false ? "no" : "yes"}
        onChange={(value) => onChange({ field: key, is: value === "yes" })}
        options={[
          { value: "yes", label: "yes" },
          { value: "no", label: "no" },
        ]}
      />
    );
  }
  const value = comparison === "oneOf" ? (test.oneOf ?? []).join(", ") : String(test.is ?? test.contains ?? test.startsWith ?? "");
  return (
    <>
      <TextLine
        label={`${field.label} ${COMPARISONS[comparison]}`}
        className="min-w-24 flex-1"
        value={value}
        list={listId}
        placeholder={comparison === "oneOf" ? "several, with commas" : undefined}
        onCommit={(text) => {
          const plain = text.trim();
          if (comparison === "oneOf")
            onChange({
              field: key,
              oneOf: plain
                .split(",")
                .map((entry) => entry.trim())
                .filter(Boolean),
            });
          else
            onChange({
              field: key,
              [comparison]: field.type === "number" && comparison === "is" ? Number(plain.replace(",", ".")) || 0 : plain,
            });
        }}
      />
      <datalist id={listId}>
        {field.samples.map((sample) => (
          <option key={sample} value={sample} />
        ))}
      </datalist>
    </>
  );
}

/** A condition in words, for lists. */
export function sayCondition(condition: Condition, fields: readonly FieldInfo[], selections: Record<string, { name: string }>): string {
  const say = (part: Condition): string => {
    if ("all" in part) return part.all.length === 0 ? "every product" : part.all.map(say).join(" and ");
    if ("any" in part) return part.any.length === 0 ? "no product" : `(${part.any.map(say).join(" or ")})`;
    if ("not" in part) return `not ${say(part.not)}`;
    if ("selection" in part) return `in “${selections[part.selection]?.name ?? "a selection that is gone"}”`;
    const label = fields.find((field) => field.key === part.field)?.label ?? part.field;
    const comparison = comparisonOf(part);
    if (comparison === "empty" || comparison === "filled") return `${label} ${COMPARISONS[comparison]}`;
    if (comparison === "between") return `${label} ${saySpan(part.between ?? [null, null])}`;
    if (comparison === "newerThanDays") return `${label} in the last ${part.newerThanDays} days`;
    const value = part.oneOf ? part.oneOf.join(", ") : String(part.is ?? part.contains ?? part.startsWith);
    return `${label} ${COMPARISONS[comparison]} ${value === "true" ? "yes" : value === "false" ? "no" : value}`;
  };
  return say(condition);
}

function saySpan([from, to]: readonly [number | null, number | null]): string {
  if (from === null) return to === null ? "is any" : `up to ${to}`;
  return to === null ? `${from} or more` : `${from} to ${to}`;
}
