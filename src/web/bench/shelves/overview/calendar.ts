import { dates } from "@ui/format";
import type { RuleRow } from "./rules";

/** A stretch of months, and where things are in it, from 0 to 1. */
export interface Calendar {
  from: number;
  until: number;
  months: { label: string; at: number }[];
  today: number;
}

const MONTHS_BEFORE = 1;
const MONTHS_AFTER = 6;

/** The months around a moment, by the calendar of UTC: a day more or less is not seen in it. */
export function calendarAround(now: number): Calendar {
  const date = new Date(now);
  const startOf = (months: number) => Date.UTC(date.getUTCFullYear(), date.getUTCMonth() + months, 1);
  const from = startOf(-MONTHS_BEFORE);
  const until = startOf(MONTHS_AFTER);
  const format = dates({ month: "short", timeZone: "UTC" });
  const months = Array.from({ length: MONTHS_BEFORE + MONTHS_AFTER }, (_, i) => {
    const start = startOf(i - MONTHS_BEFORE);
    return { label: format.format(start), at: (start - from) / (until - from) };
  });
  return { from, until, months, today: (now - from) / (until - from) };
}

/** Where a rule begins and ends in a calendar, cut at its edges; null when it lies outside. */
export function stretchOf(
  { rule }: Pick<RuleRow, "rule">,
  { from, until }: Calendar,
): { start: number; end: number; isOpen: boolean } | null {
  const start = rule.from === null ? from : Date.parse(rule.from);
  const end = rule.until === null ? until : Date.parse(rule.until);
  if (end <= from || start >= until) return null;
  const place = (moment: number) => (Math.min(until, Math.max(from, moment)) - from) / (until - from);
  return { start: place(start), end: place(end), isOpen: rule.until === null };
}

/** Rules that begin or end, those that begin first on top. */
export function datedRows(rows: readonly RuleRow[], calendar: Calendar): RuleRow[] {
  const startOf = ({ rule }: RuleRow) => (rule.from === null ? 0 : Date.parse(rule.from));
  return rows
    .filter((row) => (row.rule.from !== null || row.rule.until !== null) && stretchOf(row, calendar) !== null)
    .sort((a, b) => startOf(a) - startOf(b) || a.rule.name.localeCompare(b.rule.name));
}

/** The day at a place of the calendar, at noon. */
export function dayAt({ from, until }: Calendar, place: number): string {
  return `${new Date(from + place * (until - from)).toISOString().slice(0, 10)}T12:00:00Z`;
}
