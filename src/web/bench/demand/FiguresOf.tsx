import type { Figures, Mark } from "@contract/demand";
import { wholePrice } from "@ui/format";
import { useCallback } from "react";
import { useSearchParams } from "react-router";
import { useOpen } from "../state/bench";
import { FigureChart } from "./FigureChart";
import { FigureTable } from "./FigureTable";
import type { Measure } from "./measures";

interface Props {
  of: { now: Figures; before: Figures; yearAgo: Figures | null; marks: readonly Mark[] };
  against: "before" | "year";
  /** First day of which there is something. */
  keptFrom: string | null;
  measures: readonly Measure[];
}

const CHOSEN = "figure";

/** All figures of a period, and the chosen one over time. Which one is in the address. */
export function FiguresOf({ of: { now, before, yearAgo, marks }, against, keptFrom, measures }: Props) {
  const { front } = useOpen("front");
  const [params, setParams] = useSearchParams();
  const isYear = against === "year" && yearAgo !== null;
  const compared = isYear ? yearAgo : before;
  const measure = measures.find(({ id }) => id === params.get(CHOSEN)) ?? measures[0];
  const money = useCallback((amount: number) => wholePrice(amount, front.locale, front.currency), [front.locale, front.currency]);
  const choose = (id: string) =>
    setParams(
      (old) => {
        const next = new URLSearchParams(old);
        next.set(CHOSEN, id);
        return next;
      },
      { replace: true },
    );
  return (
    <>
      <FigureChart measure={measure} now={now} before={compared} marks={marks} isYear={isYear} money={money} />
      <FigureTable
        now={now}
        before={compared}
        keptFrom={keptFrom !== null && keptFrom > compared.period.from ? keptFrom : null}
        measures={measures}
        chosen={measure}
        onChoose={choose}
        money={money}
        isYear={isYear}
      />
    </>
  );
}
