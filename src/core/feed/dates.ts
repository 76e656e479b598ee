import { monthOf } from "./months";

/** The order in which a column writes day, month and year. */
export type DateOrder = "ymd" | "dmy" | "mdy";

const YEAR_FIRST = /^(\d{4})[-/.](\d{1,2})[-/.](\d{1,2})(?=$|[T\s])/;
const YEAR_LAST = /^(\d{1,2})[-/.]\s?(\d{1,2})[-/.]\s?(\d{4})(?=$|[T\s,])/;
/** A year of two digits, which sizes ("10-20-30") may look like where the signs between are not those of dates. */
const SHORT_YEAR = /^(\d{1,2})([/.])(\d{1,2})\2(\d{2})(?=$|[T\s,])/;
const COMPACT = /^((?:19|20)\d{2})(\d{2})(\d{2})$/;
/** "26. November 2026", "Nov 26, 2026", "Thu, 26 Nov 2026 10:00:00 GMT": a day of the week before and a time of day behind. */
const DAY_MONTH =
  /^(?:\p{L}+\.?,?\s+)?(\d{1,2})(?:\.|st|nd|rd|th|er)?[\s-]+(?:de\s+)?([\p{L}\p{M}]{3,})\.?,?[\s-]+(?:de\s+)?(\d{4})(?=$|[\sT,])/u;
const MONTH_DAY = /^(?:\p{L}+\.?,?\s+)?([\p{L}\p{M}]{3,})\.?\s+(\d{1,2})(?:st|nd|rd|th)?,?\s+(\d{4})(?=$|[\sT,])/u;
const MONTH_YEAR = /^([\p{L}\p{M}]{3,})\.?,?\s+(\d{4})$/u;
/** A time of day with its zone, as in mails (RFC 5322). */
const TIME = /\s(\d{1,2})(:\d{2}(?::\d{2})?)\s*(?:GMT|UTC|Z|([-+]\d{2}):?(\d{2}))(?:\s*\([^)]*\))?$/;
/** Two-digit years after this one belong to the last century. */
const LAST_SHORT_YEAR = 69;

/**
 * A date as "2026-03-01"; one with a time of day and its zone is kept to the moment, in ISO form.
 * @returns null when the text is no date, or one that no calendar has.
 */
export function parseDate(text: string, order: DateOrder): string | null {
  const first = YEAR_FIRST.exec(text);
  if (first) {
    const date = dateOf(first[1], first[2], first[3]);
    if (date === null || !/^\d{4}-\d{2}-\d{2}T/.test(text)) return date;
    return Number.isNaN(Date.parse(text)) ? null : text;
  }
  const last = YEAR_LAST.exec(text);
  if (last) return inOrder(order, last[1], last[2], last[3]);
  const short = SHORT_YEAR.exec(text);
  if (short) return inOrder(order, short[1], short[3], `${Number(short[4]) > LAST_SHORT_YEAR ? 19 : 20}${short[4]}`);
  const compact = COMPACT.exec(text);
  if (compact) return dateOf(compact[1], compact[2], compact[3]);
  return /\p{L}/u.test(text) ? parseNamed(text) : null;
}

/** A moment as numbers give it: seconds or milliseconds since 1970. Null outside the years 2001 to 2069. */
export function parseMoment(raw: number): string | null {
  const seconds = raw >= 1e12 ? raw / 1000 : raw;
  return seconds >= 1e9 && seconds < 3.155e9 ? new Date(seconds * 1000).toISOString() : null;
}

function inOrder(order: DateOrder, one: string, two: string, year: string): string | null {
  return order === "mdy" ? dateOf(year, one, two) : dateOf(year, two, one);
}

function parseNamed(text: string): string | null {
  const dayFirst = DAY_MONTH.exec(text);
  const monthFirst = dayFirst ? null : MONTH_DAY.exec(text);
  const bare = dayFirst || monthFirst ? null : MONTH_YEAR.exec(text);
  const [day, name, year] = dayFirst
    ? [dayFirst[1], dayFirst[2], dayFirst[3]]
    : monthFirst
      ? [monthFirst[2], monthFirst[1], monthFirst[3]]
      : bare
        ? ["1", bare[1], bare[2]]
        : ["", "", ""];
  const month = name === "" ? null : monthOf(name);
  const date = month === null ? null : dateOf(year, String(month), day);
  const time = date === null ? null : TIME.exec(text);
  if (!time) return date;
  const [, hour, rest, zoneHours, zoneMinutes] = time;
  const moment = Date.parse(`${date}T${hour.padStart(2, "0")}${rest}${zoneHours ? `${zoneHours}:${zoneMinutes}` : "Z"}`);
  return Number.isNaN(moment) ? date : new Date(moment).toISOString();
}

function dateOf(year: string, month: string, day: string): string | null {
  const text = `${year}-${month.padStart(2, "0")}-${day.padStart(2, "0")}`;
  const time = Date.parse(`${text}T00:00:00Z`);
  // The 31st of a short month would silently become the 1st of the next.
  return Number.isNaN(time) || new Date(time).toISOString().slice(0, 10) !== text ? null : text;
}

/** Whether day or month comes first where the year comes last: a number above twelve tells. */
export function dateOrderOf(texts: readonly string[]): DateOrder {
  let isYearLast = false;
  for (const text of texts) {
    const match = YEAR_LAST.exec(text.trim()) ?? SHORT_YEAR.exec(text.trim())?.filter((_, i) => i !== 2);
    if (!match) continue;
    isYearLast = true;
    if (Number(match[1]) > 12) return "dmy";
    if (Number(match[2]) > 12) return "mdy";
  }
  return isYearLast ? "dmy" : "ymd";
}
