import { localTime, momentAt } from "../settings/local-time";

/** Days of a store's calendar, counted from 1970-01-01. */

const DAY = 86_400_000;
const HOUR = 3_600_000;

/** Gives the day of a moment in a time zone. What it works out is kept by the hour: no zone changes its clock within one, but by quarters. */
export function dayClock(timeZone: string): (at: number) => number {
  const known = new Map<number, number>();
  return (at) => {
    const quarter = Math.floor(at / (HOUR / 4));
    let day = known.get(quarter);
    if (day === undefined) {
      const { year, month, day: date } = localTime(at, timeZone);
      day = Date.UTC(year, month - 1, date) / DAY;
      if (known.size > MOST_KEPT) known.clear();
      known.set(quarter, day);
    }
    return day;
  };
}

const MOST_KEPT = 100_000;

/** A day as it is written: "2026-03-29". */
export const writtenDay = (day: number): string => new Date(day * DAY).toISOString().slice(0, 10);

/** The number of a written day. */
export const dayNumber = (written: string): number => Date.parse(`${written}T00:00:00Z`) / DAY;

/** When a day begins on the clocks of a zone, in ms since 1970. */
export function beginOfDay(day: number, timeZone: string): number {
  const date = new Date(day * DAY);
  return momentAt({ year: date.getUTCFullYear(), month: date.getUTCMonth() + 1, day: date.getUTCDate() }, 0, timeZone);
}

/** The Monday of a day's week. */
export const mondayOf = (day: number): number => day - ((((day + 3) % 7) + 7) % 7);
