import type { Figures, Mark } from "@contract/demand";
import { dates } from "@ui/format";
import { useCallback, useMemo } from "react";
import { LineChart } from "./LineChart";
import { binned, binOf, type Measure, sayValue, sumsOf, valueIn } from "./measures";

interface Props {
  measure: Measure;
  now: Figures;
  before: Figures;
  marks: readonly Mark[];
  isYear: boolean;
  money: (amount: number) => string;
}

const MARK_WORDS: Record<Mark["kind"], (mark: Mark) => string> = {
  release: ({ id, text }) => `Release ${id}${text ? `: ${text}` : ""}`,
  import: () => "Import",
  begins: ({ text }) => `${text} begins`,
  ends: ({ text }) => `${text} ends`,
};
const SIGNS = "ABCDEFGHIJKLMNOPQRSTUVWXYZ";
const MOST_MARKS = 8;

/** A figure over time beside the period it is compared with, and what happened meanwhile. */
export function FigureChart({ measure, now, before, marks, isYear, money }: Props) {
  const size = binOf(now.days.length);
  const shown = useMemo(() => {
    const [line, lineBefore] = [now, before].map(({ days }) => binned(days, size).map((sums) => valueIn(measure, sums)));
    const first = Date.parse(now.period.from);
    const dayAt = (bin: number) => new Date(first + bin * size * DAY);
    const short = dates({ day: "numeric", month: "short", timeZone: "UTC" });
    return { line, lineBefore, labels: line.map((_, bin) => short.format(dayAt(bin))), first };
  }, [measure, now, before, size]);
  const signed = useMemo(
    () =>
      marks.slice(-MOST_MARKS).map((mark, i) => ({
        mark,
        sign: SIGNS[i],
        at: Math.floor((Date.parse(mark.day) - shown.first) / DAY / size),
      })),
    [marks, shown, size],
  );
  const say = useCallback((value: number) => sayValue(measure, value, money), [measure, money]);
  const names = useMemo(() => ({ now: "This period", before: isYear ? "A year ago" : "Before" }), [isYear]);
  const total = sayValue(measure, valueIn(measure, sumsOf(now)), money);
  const totalBefore = sayValue(measure, valueIn(measure, sumsOf(before)), money);
  return (
    <section aria-labelledby="chosen-figure">
      <div className="flex items-baseline gap-2">
        <h2 id="chosen-figure" className="text-[16px]/6">
          {measure.name}
        </h2>
        <span className="text-[12.5px] text-soft">{measure.says}</span>
      </div>
      <p className="mb-1 flex gap-4 text-[12px] text-soft" aria-hidden>
        <span className="flex items-center gap-1.5">
          <span className="h-0 w-5 border-t-2 border-press" /> {names.now}
        </span>
        <span className="flex items-center gap-1.5">
          <span className="h-0 w-5 border-t-2 border-dashed border-soft" /> {names.before}
        </span>
        <span className="ml-auto">by {size === 7 ? "week" : "day"}</span>
      </p>
      <LineChart
        labels={shown.labels}
        now={shown.line}
        before={shown.lineBefore}
        marks={signed}
        say={say}
        names={names}
        label={`${measure.name} by ${size === 7 ? "week" : "day"}: ${total} in all, ${totalBefore} ${names.before.toLowerCase()}`}
      />
      {signed.length > 0 && (
        <ul className="mt-1 flex flex-wrap gap-x-4 text-[12px] text-soft">
          {signed.map(({ mark, sign }) => (
            <li key={sign}>
              <b className="text-draft">{sign}</b> {dates({ day: "numeric", month: "short", timeZone: "UTC" }).format(new Date(mark.day))}:{" "}
              {MARK_WORDS[mark.kind](mark)}
            </li>
          ))}
        </ul>
      )}
      <details className="mt-1 text-[12.5px]">
        <summary className="cursor-pointer text-soft hover:text-ink">As a table</summary>
        <table className="mt-1 w-full max-w-[420px] tabular-nums">
          <thead>
            <tr className="border-b border-ink text-left text-soft">
              <th className="font-normal">{size === 7 ? "Week from" : "Day"}</th>
              <th className="text-right font-normal">{names.now}</th>
              <th className="text-right font-normal">{names.before}</th>
            </tr>
          </thead>
          <tbody>
            {shown.labels.map((label, i) => (
              <tr key={label} className="border-b border-rule">
                <td>{label}</td>
                <td className="text-right">{sayValue(measure, shown.line[i], money)}</td>
                <td className="text-right">{sayValue(measure, shown.lineBefore[i] ?? null, money)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </details>
    </section>
  );
}

const DAY = 86_400_000;
