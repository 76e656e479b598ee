import type { AttributeImpact } from "@contract/attributes";
import type { Field } from "@contract/fields";
import type { Attribute } from "@core/settings/schema";
import { IconButton } from "@ui/Button";
import { Checkbox, Segments, Slider, TextInput } from "@ui/controls";
import { count, decimal, percent } from "@ui/format";
import { ChevronDown } from "lucide-react";
import { type KeyboardEvent, memo, type ReactNode, useEffect, useState } from "react";
import { Diamond } from "../pieces/Diamond";

interface Props {
  field: Field;
  attribute: Attribute;
  live: Attribute | undefined;
  /** What the field did for last week's searches; null where it is not known. */
  impact: AttributeImpact["fields"][string] | null;
  /** By which the row is dragged. */
  handle?: ReactNode;
  /** Whether all that can be said of it is shown. */
  isOpen: boolean;
  onOpen: (key: string | null) => void;
  onChange: (key: string, part: Partial<Attribute>) => void;
}

export const AttributeRow = memo(function AttributeRow({
  field,
  attribute,
  live,
  impact,
  handle,
  isOpen,
  onOpen,
  onChange: change,
}: Props) {
  const onChange = (part: Partial<Attribute>) => change(field.key, part);
  const isDraft = JSON.stringify(attribute) !== JSON.stringify(live);
  const warning = warn(field, attribute);
  return (
    <div className={`relative py-2 ${handle ? "" : "border-b border-rule"}`}>
      {isDraft && (
        <button
          type="button"
          aria-label={`Reset ${field.label} to what is live`}
          title="Changed. Press to reset it to what is live."
          onClick={() => live && onChange(live)}
          className="absolute top-3 -left-[15px] p-0.5"
        >
          <Diamond className="block" />
        </button>
      )}
      <div className="grid grid-cols-[14px_16px_minmax(0,1fr)_140px_44px_28px] items-center gap-x-2.5">
        <span>{handle}</span>
        <Checkbox checked={attribute.searchable} label={`Search in ${field.label}`} onChange={(searchable) => onChange({ searchable })} />
        <span className={attribute.searchable ? "" : "text-soft"}>
          <b className="font-semibold">{field.label}</b>
          <small className="ml-1.5 text-[12px] text-soft">{hint(field, attribute)}</small>
        </span>
        <Slider
          value={attribute.weight}
          was={live?.weight}
          max={MOST_WEIGHT}
          step={0.5}
          label={`Weight of ${field.label}`}
          disabled={!attribute.searchable}
          onCommit={(weight) => onChange({ weight })}
        />
        {attribute.searchable ? (
          <WeightNumber
            value={attribute.weight}
            label={`Weight of ${field.label}, as a number`}
            onCommit={(weight) => onChange({ weight })}
          />
        ) : (
          <span className="text-right text-soft">off</span>
        )}
        <IconButton label={`More about ${field.label}`} aria-expanded={isOpen} onClick={() => onOpen(isOpen ? null : field.key)}>
          <ChevronDown className={`size-4 transition-transform ${isOpen ? "rotate-180" : ""}`} />
        </IconButton>
        <span className="col-start-3 -col-end-1 text-[12.5px]/[17px] text-soft">
          {attribute.searchable && impact && <span className="block text-ink">{sayEffect(impact)}</span>}
          <span className="block">{fact(field)}</span>
          {warning && <span className="block text-loss">{warning}</span>}
        </span>
      </div>
      {isOpen && (
        <div className="mt-2 ml-7 flex flex-col gap-2 text-[13px]">
          <div className="flex items-center gap-2">
            <Checkbox
              checked={attribute.early}
              label={`In ${field.label}, words near the start count more`}
              onChange={(early) => onChange({ early })}
            />
            Words near the start count more
          </div>
          <div className="flex items-center gap-2">
            <Checkbox checked={attribute.whole} label={`${field.label}: only the whole value`} onChange={(whole) => onChange({ whole })} />
            Only the whole value matches, as for codes
          </div>
          <div className="flex items-center gap-2">
            Long texts count less:
            <Segments
              label={`How much long texts count less in ${field.label}`}
              value={attribute.length}
              onChange={(length) => onChange({ length })}
              options={[
                { value: "lot", label: "a lot" },
                { value: "some", label: "a little" },
                { value: "none", label: "not" },
              ]}
            />
          </div>
          {field.samples.length > 0 && (
            <p className="text-soft">Holds, for example: {field.samples.map((sample) => `“${sample}”`).join(", ")}</p>
          )}
        </div>
      )}
    </div>
  );
});

const MOST_WEIGHT = 10;

/** A weight as a number; one out of bounds is taken to the bound, which is said. */
function WeightNumber({ value, label, onCommit }: { value: number; label: string; onCommit: (value: number) => void }) {
  const [text, setText] = useState(String(value));
  const [kept, setKept] = useState<string | null>(null);
  useEffect(() => setText(String(value)), [value]);
  const commit = () => {
    const next = Number(text.replace(",", "."));
    if (text.trim() === "" || Number.isNaN(next)) return setText(String(value));
    const kept = Math.min(MOST_WEIGHT, Math.max(0, next));
    setText(String(kept));
    setKept(kept === next ? null : kept > next ? "0 is the least" : `${MOST_WEIGHT} is the most`);
    if (kept !== value) onCommit(kept);
  };
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.key === "Enter") commit();
    if (event.key === "Escape") setText(String(value));
  };
  return (
    <span className="relative">
      <TextInput
        aria-label={label}
        inputMode="decimal"
        value={text}
        onChange={(event) => {
          setText(event.target.value);
          setKept(null);
        }}
        onBlur={commit}
        onKeyDown={onKeyDown}
        className="!h-6 w-11 !border-transparent !bg-transparent !px-1 text-right font-semibold tabular-nums hover:!border-rule"
      />
      {kept && (
        <span role="status" className="absolute top-full right-0 z-10 bg-raised px-1 text-[12px] whitespace-nowrap text-loss">
          {kept}
        </span>
      )}
    </span>
  );
}

/** One sentence of what the field does for shoppers. */
function sayEffect({ answered, alone, clicked }: AttributeImpact["fields"][string]): string {
  if (answered === 0) return "Helped find results in none of last week's searches.";
  if (alone === 0) return `Helped find results in ${count(answered)} of last week's searches.`;
  return `Helped find results in ${count(answered)} of last week's searches; ${count(alone)} found only through this field, ${clicked === 0 ? "none" : count(clicked)} of those ${clicked === 1 ? "was" : "were"} clicked.`;
}

function hint(field: Field, attribute: Attribute): string {
  if (field.role === "articleNumber") return "whole or part";
  if (attribute.whole) return "whole value";
  if (field.averageLength >= 10) return `${count(field.averageLength)} words on average`;
  return "";
}

const ROOM = 24;

/** As many samples as fit on the line. */
function shortSamples(samples: readonly string[]): string[] {
  const fitting: string[] = [];
  for (const sample of samples) if (fitting.length < 2 && fitting.join(", ").length + sample.length <= ROOM) fitting.push(sample);
  return fitting;
}

/** One sentence of fact about what the field holds. */
function fact(field: Field): string {
  if (field.coverage === 0) return "Empty for every product.";
  const fill = field.coverage >= 0.995 ? "Filled for every product" : `Filled for ${percent(field.coverage)} of the products`;
  const variety =
    field.role === "description" ? "" : field.distinct === 1 ? ", always the same value" : `, ${count(field.distinct)} different values`;
  const samples = shortSamples(field.samples);
  const sample = samples.length > 0 && field.averageLength < 8 ? `, such as ${samples.join(", ")}` : ".";
  return `${fill}${variety}${sample}`;
}

function warn(field: Field, attribute: Attribute): string | null {
  if (!attribute.searchable) return null;
  if (!field.shown) return "Shoppers never see this field: they could not tell why a product matched.";
  if (field.type === "number" && /^[\d.]+$/.test(field.samples[0] ?? ""))
    return `A bare number: shoppers search “${decimal(Number(field.samples[0]))} cm”, not “${field.samples[0]}”.`;
  if (field.averageLength > 150 && attribute.weight > 2) return "So long that it can drown the title.";
  return null;
}
