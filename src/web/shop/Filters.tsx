import { lookOfColour } from "@core/catalogue/colours";
import type { FilterAnswer, FilterChoice } from "@core/search/request";
import { count, decimal, price } from "@ui/format";
import { steady } from "@ui/steady";
import { ChevronDown } from "lucide-react";
import { Slider } from "radix-ui";
import { useEffect, useId, useState } from "react";
import { type Address, withFilter } from "./address";
import type { Front } from "./client";
import { useTexts } from "./texts";

interface PanelProps {
  filters: FilterAnswer[];
  address: Address;
  front: Front;
  onChange: (address: Address) => void;
}

export function FilterPanel({ filters, address, front, onChange }: PanelProps) {
  return (
    <div className="flex flex-col gap-3.5">
      {filters.map((filter) => (
        <OneFilter key={filter.id} filter={filter} front={front} onChoose={(choice) => onChange(withFilter(address, filter.id, choice))} />
      ))}
    </div>
  );
}

const OneFilter = steady(function OneFilter({ filter, front, onChoose }: ControlProps) {
  return (
    <section aria-label={filter.label}>
      <h3 className="mb-1 text-[13.5px] font-semibold">{filter.label}</h3>
      <Control filter={filter} front={front} onChoose={onChoose} />
    </section>
  );
});

interface ControlProps<F extends FilterAnswer = FilterAnswer> {
  filter: F;
  front: Front;
  onChoose: (choice: FilterChoice | null) => void;
}

type ValueFilter = Extract<FilterAnswer, { values: unknown }>;
type RangeFilter = Extract<FilterAnswer, { bars: unknown }>;

function Control({ filter, front, onChoose }: ControlProps) {
  if ("bars" in filter) return <Range filter={filter} front={front} onChoose={onChoose} />;
  const chosen = filter.values.filter((value) => value.selected).map((value) => value.value);
  const toggle = (value: string) =>
    onChoose({ any: chosen.includes(value) ? chosen.filter((entry) => entry !== value) : [...chosen, value] });
  const only = (value: string) => onChoose(chosen.includes(value) ? null : { any: [value] });
  switch (filter.display) {
    case "swatches":
      return <Swatches filter={filter} onToggle={toggle} />;
    case "buttons":
      return <Buttons filter={filter} onToggle={toggle} />;
    case "choose":
      return <ChooseOne filter={filter} onChoose={(value) => onChoose(value === null ? null : { any: [value] })} />;
    case "yes-no":
      return <YesNo filter={filter} onToggle={only} />;
    default:
      return <Ticks filter={filter} onToggle={toggle} />;
  }
}

const SHORT = 7;

function Ticks({ filter, onToggle }: { filter: ValueFilter; onToggle: (value: string) => void }) {
  const t = useTexts();
  const [isOpen, setOpen] = useState(false);
  const values = isOpen ? filter.values : filter.values.filter((value, i) => i < SHORT || value.selected);
  return (
    <div>
      {values.map((value) => (
        <label key={value.value} className="flex items-start gap-1.5 py-0.5 text-[13.5px]/[18px]">
          <input
            type="checkbox"
            checked={value.selected}
            onChange={() => onToggle(value.value)}
            className="mt-[3px] size-3.5 shrink-0 accent-(--press)"
          />
          <span className="min-w-0 break-words">{value.label}</span>
          <span className="ml-auto text-soft">{count(value.count)}</span>
        </label>
      ))}
      {filter.values.length > SHORT && (
        <button type="button" onClick={() => setOpen(!isOpen)} className="mt-0.5 text-[13px] font-semibold text-press">
          {isOpen ? t("Fewer") : t("{n} more", { n: filter.values.length - SHORT })}
        </button>
      )}
    </div>
  );
}

function ChooseOne({ filter, onChoose }: { filter: ValueFilter; onChoose: (value: string | null) => void }) {
  const name = useId();
  const isAll = filter.values.every((value) => !value.selected);
  return (
    <div>
      <label className="flex items-center gap-1.5 py-0.5 text-[13.5px]">
        <input type="radio" name={name} checked={isAll} onChange={() => onChoose(null)} className="size-3.5 accent-(--press)" />
        All
      </label>
      {filter.values.slice(0, 30).map((value) => (
        <label key={value.value} className="flex items-start gap-1.5 py-0.5 text-[13.5px]/[18px]">
          <input
            type="radio"
            name={name}
            checked={value.selected}
            onChange={() => onChoose(value.value)}
            className="mt-[3px] size-3.5 shrink-0 accent-(--press)"
          />
          <span className="min-w-0">{value.label}</span>
          <span className="ml-auto text-soft">{count(value.count)}</span>
        </label>
      ))}
    </div>
  );
}

function Swatches({ filter, onToggle }: { filter: ValueFilter; onToggle: (value: string) => void }) {
  const t = useTexts();
  const [isOpen, setOpen] = useState(false);
  const values = isOpen ? filter.values : filter.values.filter((value, i) => i < 15 || value.selected);
  return (
    <div>
      <div className="flex flex-wrap gap-1.5 py-0.5">
        {values.map((value) => {
          const look = value.colour ?? lookOfColour(value.label);
          return (
            <button
              key={value.value}
              type="button"
              aria-pressed={value.selected}
              aria-label={`${value.label}, ${value.count}`}
              title={`${value.label} (${value.count})`}
              onClick={() => onToggle(value.value)}
              className={`flex size-[22px] items-center justify-center rounded-full border border-black/15 text-[9px] font-semibold ${value.selected ? "outline-2 outline-offset-2 outline-press" : ""}`}
              style={{ background: look ?? "var(--raised)" }}
            >
              {look ? "" : value.label.slice(0, 2)}
            </button>
          );
        })}
      </div>
      {filter.values.some((value) => value.selected) && (
        <div className="text-[12.5px] text-soft">
          {filter.values
            .filter((value) => value.selected)
            .map((value) => value.label)
            .join(", ")}
        </div>
      )}
      {filter.values.length > 15 && (
        <button type="button" onClick={() => setOpen(!isOpen)} className="text-[13px] font-semibold text-press">
          {isOpen ? t("Fewer") : t("{n} more", { n: filter.values.length - 15 })}
        </button>
      )}
    </div>
  );
}

function Buttons({ filter, onToggle }: { filter: ValueFilter; onToggle: (value: string) => void }) {
  const t = useTexts();
  return (
    <div className="flex flex-wrap gap-1 py-0.5">
      {filter.values.slice(0, 24).map((value) => (
        <button
          key={value.value}
          type="button"
          aria-pressed={value.selected}
          title={t(value.count === 1 ? "{n} product" : "{n} products", { n: value.count })}
          onClick={() => onToggle(value.value)}
          className={`rounded border px-1.5 py-0.5 text-[12.5px] ${value.selected ? "border-press bg-press text-on-press" : "border-rule hover:border-soft"}`}
        >
          {value.label} <span className={value.selected ? "" : "text-soft"}>{count(value.count)}</span>
        </button>
      ))}
    </div>
  );
}

function YesNo({ filter, onToggle }: { filter: ValueFilter; onToggle: (value: string) => void }) {
  const t = useTexts();
  const values = filter.values.filter((value) => value.value === "Yes" || value.selected);
  return (
    <div>
      {values.map((value) => (
        <label key={value.value} className="flex items-center gap-1.5 py-0.5 text-[13.5px]">
          <input type="checkbox" checked={value.selected} onChange={() => onToggle(value.value)} className="size-3.5 accent-(--press)" />
          {value.value === "Yes" ? t("Yes") : value.label}
          <span className="ml-auto text-soft">{count(value.count)}</span>
        </label>
      ))}
    </div>
  );
}

function Range({ filter, front, onChoose }: ControlProps<RangeFilter>) {
  const { min, max } = filter.range;
  const field = front.fields.find((entry) => entry.key === front.filterFields[filter.id]);
  const [held, setHeld] = useState<[number, number]>([filter.selected?.min ?? min, filter.selected?.max ?? max]);
  useEffect(
    () => setHeld([filter.selected?.min ?? min, filter.selected?.max ?? max]),
    [filter.selected?.min, filter.selected?.max, min, max],
  );
  const most = Math.max(1, ...filter.bars.map((bar) => bar.count));
  // The thumbs stand on the edges of the bars, so that a long tail takes no more room than it has products.
  const edges = [...new Set([...filter.bars.map((bar) => bar.from), max])];
  const placeOf = (value: number, isEnd: boolean) => {
    const found = isEnd ? edges.findIndex((edge) => edge >= value) : edges.findLastIndex((edge) => edge <= value);
    return found < 0 ? (isEnd ? edges.length - 1 : 0) : found;
  };
  const say = (value: number) =>
    field?.role === "price" || field?.role === "salePrice"
      ? price(value, front.locale, front.currency)
      : `${decimal(value, 1)}${field?.unit ? ` ${field.unit}` : ""}`;
  const commit = ([from, to]: [number, number]) => onChoose({ min: from <= min ? null : from, max: to >= max ? null : to });
  return (
    <div className="pr-1">
      {filter.display === "histogram" && (
        <div className="mx-1 flex h-9 items-end gap-[2px]" aria-hidden>
          {filter.bars.map((bar) => (
            <i
              key={bar.from}
              className={`flex-1 ${bar.from >= held[0] && bar.to <= held[1] ? "bg-press" : "bg-press/25"}`}
              style={{ height: bar.count === 0 ? 0 : `${Math.max(6, (bar.count / most) * 100)}%` }}
              title={`${say(bar.from)} to ${say(bar.to)}: ${bar.count}`}
            />
          ))}
        </div>
      )}
      <Slider.Root
        value={[placeOf(held[0], false), placeOf(held[1], true)]}
        min={0}
        max={edges.length - 1}
        step={1}
        minStepsBetweenThumbs={1}
        onValueChange={([from, to]) => setHeld([edges[from], edges[to]])}
        onValueCommit={([from, to]) => commit([edges[from], edges[to]])}
        className="relative mx-1 flex h-4 touch-none items-center"
      >
        <Slider.Track className="relative h-[2px] w-full bg-rule">
          <Slider.Range className="absolute h-full bg-press" />
        </Slider.Track>
        <Slider.Thumb aria-label={`${filter.label} from`} className="block size-3 rounded-full border-2 border-press bg-paper" />
        <Slider.Thumb aria-label={`${filter.label} to`} className="block size-3 rounded-full border-2 border-press bg-paper" />
      </Slider.Root>
      <div className="text-[12.5px] text-soft">
        {say(held[0])} – {say(held[1])}
      </div>
    </div>
  );
}

/** The chosen values as chips that can be taken away. */
export function Chips({ filters, address, front, onChange }: PanelProps) {
  const t = useTexts();
  const chips = filters.flatMap((filter) => {
    if ("bars" in filter) {
      if (!filter.selected) return [];
      const { min, max } = filter.selected;
      const unit = front.fields.find((entry) => entry.key === front.filterFields[filter.id])?.unit;
      const text =
        min === null
          ? t("up to {n}", { n: decimal(max ?? 0) })
          : max === null
            ? t("from {n}", { n: decimal(min) })
            : `${decimal(min)} – ${decimal(max)}`;
      return [{ key: filter.id, text: `${filter.label} ${text}${unit ? ` ${unit}` : ""}`, next: withFilter(address, filter.id, null) }];
    }
    const chosen = filter.values.filter((value) => value.selected);
    return chosen.map((value) => ({
      key: `${filter.id}:${value.value}`,
      text: filter.display === "yes-no" ? filter.label : value.label,
      next: withFilter(address, filter.id, { any: chosen.filter((entry) => entry !== value).map((entry) => entry.value) }),
    }));
  });
  if (chips.length === 0) return null;
  return (
    <div className="flex flex-wrap gap-1.5">
      {chips.map((chip) => (
        <button
          key={chip.key}
          type="button"
          onClick={() => onChange(chip.next)}
          aria-label={t("Remove {text}", { text: chip.text })}
          className="rounded-full border border-press bg-press-soft px-2 text-[12.5px]/[22px] hover:line-through"
        >
          {chip.text} <span aria-hidden>×</span>
        </button>
      ))}
      <button
        type="button"
        onClick={() => onChange({ ...address, filters: {}, page: 1 })}
        className="px-1 text-[12.5px]/[22px] font-semibold text-press"
      >
        {t("Clear all")}
      </button>
    </div>
  );
}

/** Filters folded away where there is no room beside the results. */
export function FoldedFilters(props: PanelProps) {
  const t = useTexts();
  const chosen = Object.keys(props.address.filters).length;
  return (
    <details className="rounded border border-rule">
      <summary className="flex h-10 cursor-pointer list-none items-center gap-2 px-3 font-semibold">
        {t("Filters")} {chosen > 0 && <span className="rounded-full bg-press px-1.5 text-[12px] text-on-press">{chosen}</span>}
        <ChevronDown className="ml-auto size-4 text-soft" aria-hidden />
      </summary>
      <div className="border-t border-rule p-3">
        <FilterPanel {...props} />
      </div>
    </details>
  );
}
