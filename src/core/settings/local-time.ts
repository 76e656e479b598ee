/** The clock and the calendar of a time zone, by Intl alone. Moments are milliseconds since 1970 UTC. */

export interface LocalTime {
  year: number;
  month: number;
  day: number;
  /** 1 Monday to 7 Sunday (ISO 8601). */
  weekday: number;
  /** Minutes since midnight, 0 to 1439. */
  minutes: number;
}

const MINUTE = 60_000;
const DAY = 86_400_000;
const formats = new Map<string, Intl.DateTimeFormat>();

/** Whether a name is a time zone (IANA), such as Europe/London. */
export function isTimeZone(name: string): boolean {
  try {
    formatOf(name);
    return true;
  } catch {
    return false;
  }
}

function formatOf(timeZone: string): Intl.DateTimeFormat {
  let format = formats.get(timeZone);
  if (!format) {
    const digits = { year: "numeric", month: "numeric", day: "numeric", hour: "numeric", minute: "numeric" } as const;
    format = new Intl.DateTimeFormat("en-US", { timeZone, ...digits, hourCycle: "h23" });
    formats.set(timeZone, format);
  }
  return format;
}

/** What a clock in the zone shows at a moment. A zone that is unknown is read as UTC. */
export function localTime(at: number, timeZone: string): LocalTime {
  const parts = new Map(
    formatOf(isTimeZone(timeZone) ? timeZone : "UTC")
      .formatToParts(at)
      .map(({ type, value }) => [type, Number(value)]),
  );
  const part = (type: Intl.DateTimeFormatPartTypes) => parts.get(type) ?? 0;
  const [year, month, day] = [part("year"), part("month"), part("day")];
  const weekday = ((new Date(Date.UTC(year, month - 1, day)).getUTCDay() + 6) % 7) + 1;
  return { year, month, day, weekday, minutes: part("hour") * 60 + part("minute") };
}

/**
 * The moment at which a clock in the zone shows a date and a time of day. Where the clock is put forward over that time, the moment
 * after; where it shows it twice, the first.
 * @param minutes since midnight; more than a day leads to later days.
 */
export function momentAt({ year, month, day }: Pick<LocalTime, "year" | "month" | "day">, minutes: number, timeZone: string): number {
  const wanted = Date.UTC(year, month - 1, day) + minutes * MINUTE;
  const offsets = [wanted - DAY, wanted + DAY].map((near) => shownAt(near, timeZone) - Math.floor(near / MINUTE) * MINUTE);
  const exact = offsets.map((offset) => wanted - offset).filter((moment) => shownAt(moment, timeZone) === wanted);
  return exact.length > 0 ? Math.min(...exact) : wanted - Math.min(...offsets);
}

/** What the clock shows, as if it were UTC. */
function shownAt(at: number, timeZone: string): number {
  const { year, month, day, minutes } = localTime(at, timeZone);
  return Date.UTC(year, month - 1, day) + minutes * MINUTE;
}
