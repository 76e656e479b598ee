import { foldMarks } from "../text/fold";

/** Languages in which the months of a feed are read. */
const LANGUAGES = ["en", "de", "fr", "es", "it", "nl", "pt", "sv", "da", "pl"];
/** What a month's name is cut to at most: "März" and "Mär", "septiembre" and "sept". */
const SHORTEST = 3;

let months: ReadonlyMap<string, number> | null = null;

/** The month that a name or a short form of it means in one of the languages, from 1 to 12; null when it is none. */
export function monthOf(name: string): number | null {
  months ??= namesOfMonths();
  return months.get(foldMarks(name.toLowerCase())) ?? null;
}

/** Months by their names and the beginnings of these that mean one month only, without marks, from 1. */
function namesOfMonths(): Map<string, number> {
  const named = new Map<string, number>();
  const doubtful = new Set<string>();
  const add = (name: string, month: number) => {
    if ((named.get(name) ?? month) === month) named.set(name, month);
    else doubtful.add(name);
  };
  for (const language of LANGUAGES) {
    const format = new Intl.DateTimeFormat(language, { month: "long", day: "numeric", timeZone: "UTC" });
    for (let month = 1; month <= 12; month++) {
      const part = format.formatToParts(new Date(Date.UTC(2026, month - 1, 1))).find(({ type }) => type === "month");
      const name = foldMarks((part?.value ?? "").toLowerCase().replace(/[^\p{L}\p{M}]/gu, ""));
      for (let length = SHORTEST; length <= name.length; length++) add(name.slice(0, length), month);
    }
  }
  for (const name of doubtful) named.delete(name);
  return named;
}
