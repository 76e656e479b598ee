/** Numbers, prices and dates as people of a locale write them. One place, so that every screen agrees. */

const FIRST = "en-GB";
let own = FIRST;

/** From now on numbers and dates are written as people of a store's locale do. A tag that no browser knows changes nothing. */
export function followLocale(locale: string): void {
  try {
    own = Intl.getCanonicalLocales(locale)[0] ?? FIRST;
  } catch {
    own = FIRST;
  }
}

const known = new Map<string, Intl.NumberFormat | Intl.DateTimeFormat>();

function once<F extends Intl.NumberFormat | Intl.DateTimeFormat>(
  make: new (locale: string, options: object) => F,
  locale: string,
  options: object,
): F {
  const key = make.name + locale + JSON.stringify(options);
  const found = known.get(key) ?? new make(locale, options);
  known.set(key, found);
  return found as F;
}

const format = (locale: string, options: Intl.NumberFormatOptions) => once(Intl.NumberFormat, locale, options);
/** Writes dates by the store's locale. */
export const dates = (options: Intl.DateTimeFormatOptions): Intl.DateTimeFormat => once(Intl.DateTimeFormat, own, options);

export const count = (value: number) => format(own, { maximumFractionDigits: 0 }).format(value);
export const decimal = (value: number, digits = 2, locale = own) => format(locale, { maximumFractionDigits: digits }).format(value);
export const percent = (share: number) => `${share > 0 && share < 0.01 ? "under 1" : Math.round(share * 100)} %`;
/** An amount in whole units, for sums where less does not matter. */
export const wholePrice = (value: number, locale: string, currency: string) =>
  format(locale, { style: "currency", currency, maximumFractionDigits: 0 }).format(value);
export const price = (value: number, locale: string, currency: string) => format(locale, { style: "currency", currency }).format(value);

export const plural = (value: number, one: string, many = `${one}s`) => `${count(value)} ${value === 1 ? one : many}`;

/** A day with its year: "28 Jan 2027". */
export const day = (iso: string) => dates({ day: "numeric", month: "short", year: "numeric" }).format(new Date(iso));

export function moment(iso: string): string {
  return dates({ day: "numeric", month: "short", hour: "2-digit", minute: "2-digit" }).format(new Date(iso));
}

// The words around it are English, as all words of the bench.
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
  return dates({ day: "numeric", month: "short", year: days > 300 ? "numeric" : undefined }).format(new Date(iso));
}
