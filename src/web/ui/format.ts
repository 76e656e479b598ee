/** Numbers, prices and dates as people of a locale write them. One place, so that every screen agrees. */

const numbers = new Map<string, Intl.NumberFormat>();

function format(locale: string, options: Intl.NumberFormatOptions): Intl.NumberFormat {
  const key = locale + JSON.stringify(options);
  let found = numbers.get(key);
  if (!found) {
    found = new Intl.NumberFormat(locale, options);
    numbers.set(key, found);
  }
  return found;
}

export const count = (value: number) => format("en-GB", { maximumFractionDigits: 0 }).format(value);
export const decimal = (value: number, digits = 2, locale = "en-GB") => format(locale, { maximumFractionDigits: digits }).format(value);
export const percent = (share: number) => `${share > 0 && share < 0.01 ? "under 1" : Math.round(share * 100)} %`;
export const price = (value: number, locale: string, currency: string) => format(locale, { style: "currency", currency }).format(value);

export const plural = (value: number, one: string, many = `${one}s`) => `${count(value)} ${value === 1 ? one : many}`;

/** A day with its year: "28 Jan 2027". */
export const day = (iso: string) =>
  new Intl.DateTimeFormat("en-GB", { day: "numeric", month: "short", year: "numeric" }).format(new Date(iso));

export function moment(iso: string): string {
  return new Intl.DateTimeFormat("en-GB", { day: "numeric", month: "short", hour: "2-digit", minute: "2-digit" }).format(new Date(iso));
}

const relative = new Intl.RelativeTimeFormat("en-GB", { numeric: "auto" });
const MINUTE = 60_000;

/** How long ago something was, as one would say it: "2 hours ago", "yesterday", "14 Sept". */
export function ago(iso: string, now = Date.now()): string {
  const minutes = Math.round((now - Date.parse(iso)) / MINUTE);
  if (minutes < 1) return "just now";
  if (minutes < 60) return relative.format(-minutes, "minute");
  if (minutes < 24 * 60) return relative.format(-Math.round(minutes / 60), "hour");
  const days = Math.round(minutes / 60 / 24);
  if (days < 14) return relative.format(-days, "day");
  return new Intl.DateTimeFormat("en-GB", { day: "numeric", month: "short", year: days > 300 ? "numeric" : undefined }).format(
    new Date(iso),
  );
}
