import type { Field } from "@contract/fields";
import type { Condition, FieldTest } from "@core/settings/condition";
import { Segments, Select, TextLine } from "@ui/controls";
import { useId } from "react";
import { useOpen } from "../../state/bench";
import { conditionFields } from "../derived-fields";
import { COMPARISONS, type Comparison, comparisonOf, comparisonsFor, testOf } from "./comparisons";
import { NotButton } from "./NotButton";

/** A test of a field: which one, how it is compared, with what. */
export function TestRow({ test, onChange }: { test: FieldTest; onChange: (part: Condition) => void }) {
  const open = useOpen("fields");
  const fields = conditionFields(open.fields);
  const field = fields.find((entry) => entry.key === test.field);
  const comparison = comparisonOf(test);
  return (
    <div className="flex flex-wrap items-center gap-1.5">
      <Select
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
        <Select
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
  field: Field;
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
          keepsEnter
          label={`${field.label} from`}
          className="w-16"
          inputMode="decimal"
          value={from === null ? "" : String(from)}
          onCommit={(text) => onChange({ field: key, between: [read(text), to] })}
        />
        and
        <TextLine
          keepsEnter
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
          keepsEnter
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
        keepsEnter
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
