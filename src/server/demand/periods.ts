import type { DemandAsked } from "@contract/demand";
import { dayNumber, writtenDay } from "@core/demand/days";
import { Problem } from "../http/problem";

/** Days of a store, the last one included. */
export interface Days {
  from: number;
  until: number;
}

const YEAR_OF_WEEKS = 364;
const MOST_DAYS = 800;

/** The period that is asked for. @param kept of which there is something. @throws Problem where it ends before it begins. */
export function periodOf({ from, until, days }: Pick<DemandAsked, "from" | "until" | "days">, kept: Days | null, today: number): Days {
  const last = until ? dayNumber(until) : (kept?.until ?? today);
  const first = from ? dayNumber(from) : last - days + 1;
  if (first > last) throw new Problem(422, `until: The period ends on ${until}, before it begins on ${from}.`);
  if (last - first >= MOST_DAYS) throw new Problem(422, `from: A period has ${MOST_DAYS} days at most.`);
  return { from: first, until: last };
}

/** A period as it is answered. */
export const written = ({ from, until }: Days) => ({ from: writtenDay(from), until: writtenDay(until) });

/** As many days right before. */
export const periodBefore = ({ from, until }: Days): Days => ({ from: from - (until - from + 1), until: from - 1 });

/** The same weekdays a year ago: 52 weeks earlier. */
export const yearBefore = ({ from, until }: Days): Days => ({ from: from - YEAR_OF_WEEKS, until: until - YEAR_OF_WEEKS });
