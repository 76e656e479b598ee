import type { DemandAsked } from "@contract/demand";
import { useCallback, useEffect, useMemo, useRef } from "react";
import { useSearchParams } from "react-router";

/** Which period is looked at, against which, and whose searches: in the address, so that links and reloads keep it. */
export interface DemandChoice {
  /** Length of the period in days, up to the last one counted; null where its days are named. */
  days: number | null;
  from: string | null;
  until: string | null;
  against: "before" | "year";
  bots: DemandAsked["bots"];
  device: string | null;
  language: string | null;
  place: string | null;
}

const NAMES = ["days", "from", "until", "against", "bots", "device", "language", "place"] as const;
export const USUAL_DAYS = 28;

function choiceOf(params: URLSearchParams): DemandChoice {
  const { from, until, days, against, bots, device, language, place } = Object.fromEntries(
    NAMES.map((name) => [name, params.get(name)]),
  ) as Record<(typeof NAMES)[number], string | null>;
  return {
    days: from ? null : Number(days) || USUAL_DAYS,
    ...{ from, until, device, language, place },
    against: against === "year" ? "year" : "before",
    bots: bots === "in" || bots === "only" ? bots : "out",
  };
}

/** What is looked at, the question that asks for it, and what changes it. */
export function useDemandAsked() {
  const [params, setParams] = useSearchParams();
  const write = useRef(setParams);
  useEffect(() => {
    write.current = setParams;
  });
  const change = useCallback((part: Partial<Record<(typeof NAMES)[number], string | number | null>>) => {
    write.current(
      (now) => {
        const next = new URLSearchParams(now);
        for (const [name, value] of Object.entries(part)) {
          if (value === null || value === "") next.delete(name);
          else next.set(name, String(value));
        }
        return next;
      },
      { replace: true },
    );
  }, []);
  const choice = useMemo(() => choiceOf(params), [params]);
  const question = useMemo(() => {
    const { days, from, until, bots, device, language, place } = choice;
    const named = Object.entries({ days, from, until, device, language, place }).filter(([, value]) => value !== null);
    return { bots, ...Object.fromEntries(named) } as Partial<DemandAsked>;
  }, [choice]);
  return { choice, question, change };
}
