import { niceEdges } from "@core/filters/bars";
import type { FilterLook } from "@core/insights/measure/filter-look";
import type { Filter } from "@core/settings/filter";
import { Button } from "@ui/Button";
import { TextLine } from "@ui/controls";
import { count, decimal } from "@ui/format";
import { useState } from "react";

interface Props {
  filter: Filter;
  numbers: NonNullable<FilterLook["numbers"]>;
  unit: string | null;
  /** A number as shoppers read it. */
  say: (value: number) => string;
  isMoney: boolean;
  onChange: (part: Partial<Filter>) => void;
}

const SHARES = [0.2, 0.4, 0.6, 0.8];

/** Ends, steps and unit of a filter on numbers, over how the numbers lie. */
export function Scale({ filter: { numbers: own }, numbers, unit, say, isMoney, onChange }: Props) {
  const [failure, setFailure] = useState<string | null>(null);
  const set = (part: Partial<Filter["numbers"]>) => {
    const next = { ...own, ...part };
    if (next.least !== null && next.most !== null && next.least >= next.most)
      return setFailure(
        `The scale would begin at ${decimal(next.least)} and end at ${decimal(next.most)}: it has to end above its beginning.`,
      );
    setFailure(null);
    onChange({ numbers: next });
  };
  const setEdges = (text: string) => {
    const edges = readNumbers(text);
    if (!edges) return setFailure("Thresholds are numbers with semicolons or spaces between them, such as 5 10 25.");
    set({ edges: edges.length > 0 ? edges : null });
  };
  return (
    <div className="border-t border-rule pt-2 text-[13px]">
      <Spread numbers={numbers} own={own} say={say} />
      <div className="mt-2 grid grid-cols-[92px_minmax(0,1fr)] items-center gap-x-3 gap-y-2">
        <span className="text-soft">Ends</span>
        <span className="flex items-center gap-2">
          <End label="Scale from" value={own.least} placeholder={numbers.least} onCommit={(least) => set({ least })} />
          <span className="text-soft">to</span>
          <End label="Scale to" value={own.most} placeholder={numbers.most} onCommit={(most) => set({ most })} />
          <span className="text-[12.5px] text-soft">
            {own.least === null && own.most === null ? "worked out from the results" : "what lies beyond belongs to the ends"}
          </span>
        </span>
        <span className="text-soft">Thresholds</span>
        <span className="flex items-center gap-2">
          <TextLine
            key={own.edges?.join(" ")}
            label="Thresholds"
            value={own.edges?.map((edge) => decimal(edge, 4)).join("  ") ?? ""}
            placeholder="worked out from the results"
            onCommit={setEdges}
            className="min-w-0 flex-1"
          />
          <Button onClick={() => set({ edges: edgesOf(numbers) })} title="Thresholds that divide the catalogue evenly, to change by hand">
            Work out
          </Button>
        </span>
        {!isMoney && (
          <>
            <span className="text-soft">Unit</span>
            <span className="flex items-center gap-2">
              <TextLine
                label="Unit"
                value={own.unit ?? ""}
                placeholder={unit ?? "none"}
                onCommit={(text) => set({ unit: text.trim() || null })}
                className="w-20"
              />
              <span className="text-[12.5px] text-soft">as in “{say(numbers.most)}”</span>
            </span>
          </>
        )}
      </div>
      {failure && (
        <p role="alert" className="mt-1.5 text-loss">
          {failure}
        </p>
      )}
    </div>
  );
}

function End({
  label,
  value,
  placeholder,
  onCommit,
}: {
  label: string;
  value: number | null;
  placeholder: number;
  onCommit: (value: number | null) => void;
}) {
  const commit = (text: string) => {
    const read = readNumbers(text);
    if (read && read.length < 2) onCommit(read[0] ?? null);
  };
  return (
    <TextLine
      key={value}
      label={label}
      value={value === null ? "" : String(value)}
      placeholder={decimal(placeholder)}
      onCommit={commit}
      className="w-20"
    />
  );
}

/** How the numbers of the catalogue lie, with the thresholds drawn in. */
function Spread({ numbers, own, say }: Pick<Props, "numbers" | "say"> & { own: Filter["numbers"] }) {
  const most = Math.max(1, ...numbers.bars.map((bar) => bar.count));
  const first = numbers.bars[0]?.from ?? 0;
  const last = numbers.bars.at(-1)?.to ?? 1;
  // Every bar is as wide as the others, so that a place on the scale is a place among the bars.
  const placeOf = (value: number) => {
    const bar = numbers.bars.findIndex(({ to }) => value < to);
    if (bar < 0) return 100;
    const { from, to } = numbers.bars[bar];
    return ((bar + Math.max(0, value - from) / Math.max(to - from, 1e-9)) / numbers.bars.length) * 100;
  };
  return (
    <figure aria-label={`${count(numbers.distinct)} different numbers from ${decimal(numbers.least)} to ${decimal(numbers.most)}`}>
      <div className="relative flex h-14 items-end gap-px">
        {numbers.bars.map((bar) => (
          <i
            key={bar.from}
            title={`${say(bar.from)} to ${say(bar.to)}: ${count(bar.count)}`}
            className="flex-1 bg-live/45"
            style={{ height: bar.count === 0 ? 0 : `${Math.max(4, (bar.count / most) * 100)}%` }}
          />
        ))}
        {(own.edges ?? []).map((edge) => (
          <i key={edge} className="absolute inset-y-0 w-[2px] bg-press" style={{ left: `${placeOf(edge)}%` }} title={decimal(edge)} />
        ))}
      </div>
      <div className="flex justify-between border-t border-ink text-[12px] text-soft tabular-nums">
        <span>{say(first)}</span>
        <span>{say(last)}</span>
      </div>
    </figure>
  );
}

/** Thresholds that divide the catalogue about evenly. */
function edgesOf({ bars, least }: Props["numbers"]): number[] {
  const total = bars.reduce((sum, bar) => sum + bar.count, 0);
  const quantiles = SHARES.map((share) => {
    let seen = 0;
    for (const bar of bars) {
      if (seen + bar.count >= total * share) return bar.from + (bar.to - bar.from) * ((total * share - seen) / Math.max(bar.count, 1));
      seen += bar.count;
    }
    return bars.at(-1)?.to ?? 0;
  });
  return niceEdges(quantiles, least);
}

/** Numbers with spaces or semicolons between them, ascending and each once; null where something else is among them. */
function readNumbers(text: string): number[] | null {
  const parts = text
    .split(/[;\s]+/)
    .filter(Boolean)
    .map((part) => Number(part.replace(/,(?=\d{3}\b)/g, "").replace(",", ".")));
  return parts.some(Number.isNaN) ? null : [...new Set(parts)].sort((a, b) => a - b);
}
