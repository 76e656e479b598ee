import type { Filter, FilterSource } from "@core/settings/filter";
import { AVAILABILITY } from "@core/settings/read-filter";
import { Button, IconButton } from "@ui/Button";
import { Checkbox, Select, TextLine } from "@ui/controls";
import { X } from "lucide-react";
import { DERIVED } from "../pieces/derived-fields";
import { useAllValues } from "../pieces/useFieldValues";
import { useOpen } from "../state/bench";

interface Props {
  filter: Filter;
  onChange: (part: Partial<Filter>) => void;
}

const SELECTION = "selection ";

/** From which fields, tags or selections the values come; several are merged. */
export function Sources({ filter, onChange }: Props) {
  const { fields, settings } = useOpen("fields", "settings");
  const selections = Object.entries(settings.selections);
  const options = [
    ...fields.filter((field) => field.shown && field.role !== "description").map(({ key, label }) => ({ value: key, label })),
    ...Object.entries(DERIVED).map(([value, label]) => ({ value, label })),
    ...selections.map(([id, { name }]) => ({ value: SELECTION + id, label: `Selection: ${name}` })),
  ];
  const sourceOf = (value: string): FilterSource =>
    value.startsWith(SELECTION) ? { selection: value.slice(SELECTION.length) } : { field: value };
  const replace = (i: number, source: FilterSource | null) =>
    onChange({ from: source ? filter.from.with(i, source) : filter.from.toSpliced(i, 1) });
  return (
    <div className="border-t border-rule pt-1">
      {filter.from.map((source, i) => {
        const key = "selection" in source ? SELECTION + source.selection : source.field;
        return (
          <div key={`${i} ${key}`} className="border-b border-rule py-1.5">
            <div className="flex items-center gap-2">
              <Select
                value={key}
                label={`Source ${i + 1}`}
                options={options.some(({ value }) => value === key) ? options : [{ value: key, label: `${key} (gone)` }, ...options]}
                onChange={(value) => replace(i, sourceOf(value))}
                className="w-52"
              />
              <span className="flex-1" />
              {filter.from.length > 1 && (
                <IconButton label={`Remove source ${i + 1}`} onClick={() => replace(i, null)}>
                  <X className="size-4" />
                </IconButton>
              )}
            </div>
            {"field" in source && source.field !== AVAILABILITY && <Narrowed source={source} onChange={(next) => replace(i, next)} />}
          </div>
        );
      })}
      <div className="mt-1.5 flex items-center gap-3">
        <Button look="bare" className="!px-0" onClick={() => onChange({ from: [...filter.from, sourceOf(options[0].value)] })}>
          + Source
        </Button>
        {filter.from.length > 1 && (
          <span className="flex items-center gap-2 text-[13px]">
            <Checkbox
              checked={filter.replaces}
              label="Filters from one of these alone rest meanwhile"
              onChange={(replaces) => onChange({ replaces })}
            />
            Filters from one of these alone rest meanwhile
          </span>
        )}
      </div>
    </div>
  );
}

type FieldSource = Extract<FilterSource, { field: string }>;

const TAKEN = [
  { value: "all", label: "all values" },
  { value: "only", label: "only these values" },
  { value: "without", label: "all but these" },
];

/** Which values of a field are taken: all, those with a prefix, some, or all but some. */
function Narrowed({ source, onChange }: { source: FieldSource; onChange: (source: FieldSource) => void }) {
  const { fields } = useOpen("fields");
  const field = fields.find(({ key }) => key === source.field);
  const values = useAllValues(source.field);
  if (!field || field.type === "number" || field.type === "flag" || field.type === "date") return null;
  const taken = source.only ? "only" : source.without ? "without" : "all";
  const named = source.only ?? source.without ?? [];
  const { only: _only, without: _without, ...rest } = source;
  const set = (kind: string, list: string[]) =>
    onChange(kind === "only" ? { ...rest, only: list } : kind === "without" ? { ...rest, without: list } : rest);
  const { prefix: _prefix, ...bare } = source;
  const offered = values.filter(({ value }) => !source.prefix || value.toLowerCase().startsWith(source.prefix.toLowerCase()));
  return (
    <div className="mt-1.5 ml-2 flex flex-col gap-1.5 border-l-2 border-rule pl-3 text-[13px]">
      <div className="flex flex-wrap items-center gap-2">
        <Select value={taken} label="Which values are taken" options={TAKEN} onChange={(kind) => set(kind, named)} className="w-36" />
        {(field.type === "list" || field.role === "tags" || source.prefix) && (
          <span className="flex items-center gap-1.5 text-soft">
            that begin with
            <TextLine
              label="Prefix of the values"
              value={source.prefix ?? ""}
              placeholder="such as light:"
              onCommit={(text) => onChange(text.trim() ? { ...source, prefix: text.trim() } : bare)}
              className="w-28"
            />
          </span>
        )}
        <span className="text-[12.5px] text-soft">
          {taken === "only" ? "Values that come later stay out." : taken === "without" ? "Values that come later are taken in." : ""}
        </span>
      </div>
      {taken !== "all" && (
        <div className="flex max-h-40 flex-wrap gap-x-3 gap-y-1 overflow-auto">
          {offered.slice(0, 200).map(({ value }) => (
            <span key={value} className="flex items-center gap-1.5">
              <Checkbox
                checked={named.includes(value)}
                label={`${taken === "only" ? "Include" : "Leave out"} ${value}`}
                onChange={(isIn) => set(taken, isIn ? [...named, value] : named.filter((entry) => entry !== value))}
              />
              {value}
            </span>
          ))}
        </div>
      )}
    </div>
  );
}
