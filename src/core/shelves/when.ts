import { lookUp } from "../records";
import { type LocalTime, localTime, momentAt } from "../settings/local-time";
import { actsAt } from "../settings/ranked";
import type { Shelf, When } from "../settings/shelf";

/** Under which circumstances a search is made. */
export interface Circumstances {
  /** In milliseconds since 1970 UTC. */
  at: number;
  device: string;
  language: string;
  /** Values chosen by filter; a filter of numbers has none, but is there. */
  chosen: Readonly<Record<string, readonly string[]>>;
}

/** Why a shelf that is meant for a search does not act. */
export const RESTS = ["off", "not-yet", "over", "weekday", "hours", "device", "language", "filters"] as const;
export type Rest = (typeof RESTS)[number];

/** The first condition of a shelf that does not hold, null when all do. */
export function restOf(shelf: Shelf, { at, device, language, chosen }: Circumstances): Rest | null {
  if (!shelf.on) return "off";
  if (!actsAt(shelf, at)) return shelf.from !== null && Date.parse(shelf.from) > at ? "not-yet" : "over";
  const { when } = shelf;
  const turn = isTimed(when) ? turnOf(when, localTime(at, when.timeZone)) : null;
  if (turn) return turn;
  if (when.devices.length > 0 && !when.devices.some((known) => known === device)) return "device";
  if (when.languages.length > 0 && !when.languages.some((known) => baseOf(known) === baseOf(language))) return "language";
  return areChosen(when, chosen) ? null : "filters";
}

/** Whether a shelf depends on what the shopper chose: it orders then, and decides nothing of what is found. */
export const dependsOnFilters = ({ when }: Shelf): boolean => Object.keys(when.filters).length > 0;

const isTimed = ({ weekdays, hours }: When) => weekdays.length > 0 || hours !== null;
const baseOf = (language: string) => language.toLowerCase().split("-")[0];

function areChosen({ filters }: When, chosen: Circumstances["chosen"]): boolean {
  return Object.entries(filters).every(([id, values]) => {
    const own = Object.hasOwn(chosen, id) ? lookUp(chosen, id) : undefined;
    return own !== undefined && (values.length === 0 || values.some((value) => own.includes(value)));
  });
}

const minutesOf = (time: string) => Number(time.slice(0, 2)) * 60 + Number(time.slice(3));

function turnOf({ weekdays, hours }: When, { weekday, minutes }: Pick<LocalTime, "weekday" | "minutes">): Rest | null {
  let day = weekday;
  if (hours) {
    const [from, until] = [minutesOf(hours.from), minutesOf(hours.until)];
    const isOvernight = from >= until;
    const holds = isOvernight ? minutes >= from || minutes < until : minutes >= from && minutes < until;
    // What is left of a night belongs to the evening on which it began.
    if (isOvernight && minutes < until) day = ((weekday + 5) % 7) + 1;
    if (!holds) return weekdays.length > 0 && !weekdays.includes(day) ? "weekday" : "hours";
  }
  return weekdays.length > 0 && !weekdays.includes(day) ? "weekday" : null;
}

/** Whether the days and hours of a shelf hold at a moment. */
export const isItsTime = (when: When, at: number): boolean => !isTimed(when) || turnOf(when, localTime(at, when.timeZone)) === null;

const DAYS_AHEAD = 8;

/** The moments at which the days and hours of a shelf begin or end within a week of a moment and after it, in their order. */
export function turnsAfter(when: When, at: number): number[] {
  if (!isTimed(when)) return [];
  const today = localTime(at, when.timeZone);
  const marks = when.hours ? [0, minutesOf(when.hours.from), minutesOf(when.hours.until)] : [0];
  const moments = Array.from({ length: DAYS_AHEAD }, (_, days) => {
    const date = new Date(Date.UTC(today.year, today.month - 1, today.day + days));
    const day = { year: date.getUTCFullYear(), month: date.getUTCMonth() + 1, day: date.getUTCDate() };
    return marks.map((minutes) => momentAt(day, minutes, when.timeZone));
  });
  const later = [...new Set(moments.flat())].filter((moment) => moment > at).sort((a, b) => a - b);
  return later.filter((moment) => isItsTime(when, moment) !== isItsTime(when, moment - 1));
}
