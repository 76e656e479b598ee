import type { Figures } from "@contract/demand";
import { count, day } from "@ui/format";
import { binned, binOf, type Measure, type SaidChange, sayCases, sayChange, sayValue, sumsOf, valueIn } from "./measures";
import { Spark } from "./Spark";

const TONES = { better: "text-gain", worse: "text-loss", other: "text-ink", same: "text-soft", few: "text-soft" } as const;

interface Props {
  now: Figures;
  before: Figures;
  /** First day that is known, where that is within the period it is compared with. */
  keptFrom: string | null;
  measures: readonly Measure[];
  chosen: Measure;
  onChoose: (id: string) => void;
  money: (amount: number) => string;
  isYear: boolean;
}

/** What is known of a part of the time alone is compared with nothing. */
const UNKNOWN: SaidChange = { text: "–", tone: "few", title: "" };

/** All figures: what each came to, of how many cases, and how it changed. A press draws it. */
export function FigureTable({ now, before, keptFrom, measures, chosen, onChoose, money, isYear }: Props) {
  const [sums, sumsBefore] = [sumsOf(now), sumsOf(before)];
  return (
    <>
      <table className="mt-4 w-full text-[13px] tabular-nums">
        <thead>
          <tr className="border-b border-ink text-left text-[12px] text-soft">
            <th className="h-7 font-normal">Figure</th>
            <th className="w-[72px] font-normal">
              <span className="sr-only">Line</span>
            </th>
            <th className="w-[92px] text-right font-normal">Now</th>
            <th className="w-[128px] text-right font-normal">Against {isYear ? "a year ago" : "before"}</th>
          </tr>
        </thead>
        <tbody>
          {measures.map((measure) => {
            const change = keptFrom === null ? sayChange(measure, sums, sumsBefore) : UNKNOWN;
            const isChosen = measure.id === chosen.id;
            const line = binned(now.days, binOf(now.days.length)).map((day) => valueIn(measure, day) ?? 0);
            return (
              <tr key={measure.id} className={`border-b border-rule ${isChosen ? "bg-press-soft" : ""}`}>
                <th scope="row" className="py-1.5 text-left font-normal">
                  <button
                    type="button"
                    aria-pressed={isChosen}
                    onClick={() => onChoose(measure.id)}
                    className="font-semibold hover:text-press"
                  >
                    {measure.name}
                  </button>
                  <span className="block text-[12px] text-soft">{sayCases(measure, sums)}</span>
                </th>
                <td>
                  <Spark line={line} />
                </td>
                <td className="text-right font-semibold">{sayValue(measure, valueIn(measure, sums), money)}</td>
                <td className={`text-right ${TONES[change.tone]}`} title={change.title}>
                  {change.text}
                </td>
              </tr>
            );
          })}
        </tbody>
        <caption className="sr-only">
          Figures from {now.period.from} to {now.period.until}, {count(sums.asked)} searches
        </caption>
      </table>
      {keptFrom !== null && (
        <p className="mt-1.5 text-[12.5px] text-soft">Of the time before, only what was done from {day(keptFrom)} on is known.</p>
      )}
    </>
  );
}
