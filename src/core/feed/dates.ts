/** The order in which a column writes day, month and year. */
export type DateOrder = "ymd" | "dmy" | "mdy";

const YEAR_FIRST = /^(\d{4})[-/.](\d{1,2})[-/.](\d{1,2})(?=$|[T\s])/;
const YEAR_LAST = /^(\d{1,2})[-/.](\d{1,2})[-/.](\d{4})(?=$|[T\s,])/;
const NAMED = /\b(jan|feb|mar|apr|may|jun|jul|aug|sep|oct|nov|dec)[a-z]*\b/i;

/**
 * A date as "2026-03-01"; one with a time of day in ISO form is kept as it came.
 * @returns null when the text is no date.
 */
export function parseDate(text: string, order: DateOrder): string | null {
  if (/^\d{4}-\d{2}-\d{2}(T|$)/.test(text)) return Number.isNaN(Date.parse(text)) ? null : text;
  const first = YEAR_FIRST.exec(text);
  if (first) return dateOf(first[1], first[2], first[3]);
  const last = YEAR_LAST.exec(text);
  if (last) return order === "mdy" ? dateOf(last[3], last[1], last[2]) : dateOf(last[3], last[2], last[1]);
  // As in mails and feeds: "Tue, 03 Mar 2026 10:00:00 GMT".
  const time = NAMED.test(text) && /\d{4}/.test(text) ? Date.parse(text) : Number.NaN;
  return Number.isNaN(time) ? null : new Date(time).toISOString();
}

function dateOf(year: string, month: string, day: string): string | null {
  const text = `${year}-${month.padStart(2, "0")}-${day.padStart(2, "0")}`;
  const time = Date.parse(`${text}T00:00:00Z`);
  // The 31st of a short month would silently become the 1st of the next.
  return Number.isNaN(time) || new Date(time).toISOString().slice(0, 10) !== text ? null : text;
}

/** Whether day or month stands first where the year stands last: a number above twelve tells. */
export function dateOrderOf(texts: readonly string[]): DateOrder {
  for (const text of texts) {
    const match = YEAR_LAST.exec(text.trim());
    if (!match) continue;
    if (Number(match[1]) > 12) return "dmy";
    if (Number(match[2]) > 12) return "mdy";
  }
  return texts.some((text) => YEAR_LAST.test(text.trim())) ? "dmy" : "ymd";
}
