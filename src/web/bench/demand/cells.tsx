import { FEW } from "@core/demand/interval";
import { count, percent, plural, wholePrice } from "@ui/format";
import type { ReactNode } from "react";
import { useOpen } from "../state/bench";

/** What stands in the tables of Demand. */

export function TwoLines({ first, second }: { first: ReactNode; second: string }) {
  return (
    <span className="block leading-[17px]">
      <span className="block">{first}</span>
      <span className="block text-[12px] whitespace-nowrap text-soft">{second}</span>
    </span>
  );
}

interface ShareProps {
  hits: number;
  cases: number;
  nouns?: [one: string, many: string];
  isZeroQuiet?: boolean;
}

/** A share with its cases on hover; of few cases in grey. */
export function Share({ hits, cases, nouns = ["search", "searches"], isZeroQuiet = false }: ShareProps) {
  if (cases === 0 || (hits === 0 && isZeroQuiet)) return <span className="text-soft">–</span>;
  const isFew = cases < FEW;
  return (
    <span
      className={isFew ? "text-soft" : ""}
      title={`${count(hits)} of ${plural(cases, ...nouns)}${isFew ? ": too few to say much" : ""}`}
    >
      {percent(Math.min(1, hits / cases))}
    </span>
  );
}

/** Writes hundredths as whole units of the store's currency; nothing for nothing. */
export function useMoney(): (hundredths: number) => string {
  const { front } = useOpen("front");
  return (hundredths) => (hundredths === 0 ? "" : wholePrice(hundredths / 100, front.locale, front.currency));
}
