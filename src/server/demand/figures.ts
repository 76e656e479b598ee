import type { DemandAsked, DemandOrder, DemandOverview, DemandSearches, Figures } from "@contract/demand";
import { mondayOf } from "@core/demand/days";
import { type PositionSums, positionRates } from "@core/demand/position-bias";
import {
  addSums,
  type CountedText,
  changesIn,
  type DemandSearch,
  groupSearches,
  NO_SUMS,
  type SearchSums,
  SUM_NAMES,
  searchesIn,
  type View,
} from "@core/demand/searches";
import { queryKey } from "@core/log/tally";
import type { Database } from "better-sqlite3";
import { type Days, periodBefore, periodOf, written, yearBefore } from "./periods";

/** Figures out of what was counted. */

const MOST_CHANGES = 6;
/** Parts of a row's line at most. */
const LINE = 28;
export const SUMS = SUM_NAMES.map((name) => `coalesce(sum(${name}), 0) AS ${name}`).join(", ");

/** Numbers of the segments that are asked for. */
export function segmentsOf(db: Database, { bots, device, language, place }: DemandAsked): string {
  const conditions = [
    bots === "in" ? null : `is_bot = ${bots === "only" ? 1 : 0}`,
    device && "device = @device",
    language && "language = @language",
    place && "place = @place",
  ].filter(Boolean);
  const where = conditions.length > 0 ? `WHERE ${conditions.join(" AND ")}` : "";
  const values = { device: device === "unknown" ? "" : device, language, place };
  return JSON.stringify(db.prepare(`SELECT id FROM segments ${where}`).pluck().all(values));
}

/** Days of which something was counted; null where nothing was. */
export function daysKept(db: Database): Days | null {
  const row = db
    .prepare<[], { from: number | null; until: number | null }>('SELECT min(day) AS "from", max(day) AS "until" FROM totals_counts')
    .get();
  return row?.from == null || row.until == null ? null : { from: row.from, until: row.until };
}

const IN_PERIOD = "day BETWEEN @from AND @until AND segment IN (SELECT value FROM json_each(@segments))";

function figuresIn(db: Database, days: Days, segments: string): Figures {
  const asked = { ...days, segments };
  return figuresOf(
    days,
    db.prepare<object, SearchSums & { day: number }>(`SELECT day, ${SUMS} FROM totals_counts WHERE ${IN_PERIOD} GROUP BY day`).all(asked),
    db
      .prepare<object, VisitSums & { day: number }>(
        `SELECT day, sum(visits) AS visits, sum(clicked) AS clicked, sum(basketed) AS basketed, sum(ordered) AS ordered FROM visits_counts WHERE ${IN_PERIOD} GROUP BY day`,
      )
      .all(asked),
  );
}

type VisitSums = Figures["visits"];

/** Figures of a period out of the sums of its days, as far as there are some. */
export function figuresOf(
  days: Days,
  searched: readonly (SearchSums & { day: number })[],
  visited: readonly (VisitSums & { day: number })[],
): Figures {
  const byDay = new Map(searched.map(({ day, ...sums }) => [day, sums]));
  const visitsByDay = new Map(visited.map(({ day, ...sums }) => [day, sums]));
  const searches = { ...NO_SUMS };
  const visits = { visits: 0, clicked: 0, basketed: 0, ordered: 0 };
  const all = Array.from({ length: days.until - days.from + 1 }, (_, i) => {
    const sums = byDay.get(days.from + i) ?? NO_SUMS;
    const ofVisits = visitsByDay.get(days.from + i);
    addSums(searches, sums);
    for (const name of Object.keys(visits) as (keyof typeof visits)[]) visits[name] += ofVisits?.[name] ?? 0;
    return { ...sums, visits: ofVisits?.visits ?? 0 };
  });
  return { period: written(days), searches, visits, days: all };
}

/** What was asked in a period, the one before and the same a year ago; without marks. */
export function overviewFigures(db: Database, asked: DemandAsked, today: number): Omit<DemandOverview, "marks"> {
  const kept = daysKept(db);
  const days = periodOf(asked, kept, today);
  const segments = segmentsOf(db, asked);
  const last = yearBefore(days);
  const hasYearAgo = kept !== null && kept.from <= last.until;
  return {
    kept: kept && written(kept),
    now: figuresIn(db, days, segments),
    before: figuresIn(db, periodBefore(days), segments),
    yearAgo: hasYearAgo ? figuresIn(db, last, segments) : null,
    changes: changesIn(searchesOf(db, days, segments, false), MOST_CHANGES),
    languages: languagesIn(db),
  };
}

/** Languages in which something was searched. */
const languagesIn = (db: Database): string[] =>
  db.prepare<[], string>("SELECT DISTINCT language FROM segments WHERE language <> '' ORDER BY language").pluck().all();

interface Kept {
  key: string;
  searches: DemandSearch[];
}
/** The searches of the period that was asked for last: a table is ordered and leafed through. */
let last: Kept | null = null;

function searchesOf(db: Database, days: Days, segments: string, isApart: boolean): DemandSearch[] {
  const counted = db.prepare<[], number>("SELECT number FROM counted").pluck().get();
  const key = JSON.stringify([db.name, counted, days, segments, isApart]);
  if (last?.key !== key) last = { key, searches: groupSearches(countedTexts(db, days, segments), { isApart, from: days.from }) };
  return last.searches;
}

/** Texts with their sums in a period, the one before and a year ago. @param only numbers of texts, as JSON; all where it is null. */
export function countedTexts(db: Database, days: Days, segments: string, only: string | null = null): CountedText[] {
  const where = only === null ? IN_PERIOD : `text IN (SELECT value FROM json_each(@only)) AND ${IN_PERIOD}`;
  const find = db.prepare<object, SearchSums & { text: number }>(`SELECT text, ${SUMS} FROM searches_counts WHERE ${where} GROUP BY text`);
  const texts = new Map<number, Pick<CountedText, "now" | "before" | "yearAgo">>();
  const periods = { now: days, before: periodBefore(days), yearAgo: yearBefore(days) };
  for (const [name, period] of Object.entries(periods) as [keyof typeof periods, Days][]) {
    for (const { text, ...sums } of find.all({ ...period, segments, ...(only === null ? {} : { only }) })) {
      const known = texts.get(text);
      if (known) known[name] = sums;
      // Whoever asked only a year ago matters where it is a season's.
      else texts.set(text, { now: NO_SUMS, before: NO_SUMS, yearAgo: NO_SUMS, [name]: sums });
    }
  }
  const named = db.prepare<[string], { id: number; text: string; stems: string; firstDay: number }>(
    "SELECT id, text, stems, (SELECT min(day) FROM searches_counts WHERE text = texts.id) AS firstDay FROM texts WHERE id IN (SELECT value FROM json_each(?))",
  );
  return named.all(JSON.stringify([...texts.keys()])).map(({ id, ...name }) => {
    const sums = texts.get(id);
    return { ...name, now: sums?.now ?? NO_SUMS, before: sums?.before ?? NO_SUMS, yearAgo: sums?.yearAgo ?? NO_SUMS };
  });
}

/** The searches of people in the last days that were counted, and how often each position is clicked. */
export function searchesAndRates(db: Database, days: number, today: number) {
  const period = periodOf({ days }, daysKept(db), today);
  const segments = segmentsOf(db, { days, bots: "out" });
  return { searches: searchesOf(db, period, segments, false), rateAt: ratesIn(db, period) };
}

/** How often each position is clicked, in the weeks of a period. */
export function ratesIn(db: Database, { from, until }: Days): (position: number) => number {
  const rows = db
    .prepare<object, PositionSums>(
      "SELECT position, sum(shown) AS shown, sum(clicked) AS clicked FROM positions_counts WHERE week BETWEEN @from AND @until GROUP BY position",
    )
    .all({ from: mondayOf(from), until: mondayOf(until) });
  return positionRates(rows);
}

interface Wanted {
  view: View;
  search: string;
  apart: "true" | "false";
  order: DemandOrder;
  direction: "asc" | "desc";
  offset: number;
  limit: number;
}

/** All searches of a view, in their order. */
export function viewedSearches(db: Database, asked: DemandAsked & Omit<Wanted, "offset" | "limit">, today: number): DemandSearch[] {
  const days = periodOf(asked, daysKept(db), today);
  const segments = segmentsOf(db, asked);
  const wanted = queryKey(asked.search);
  const found = searchesIn(asked.view, searchesOf(db, days, segments, asked.apart === "true")).filter(
    ({ forms }) => wanted === "" || forms.some(({ text }) => text.includes(wanted)),
  );
  return asked.order === "view" ? found : found.toSorted(comparing(asked.order, asked.direction));
}

/** The searches of a view, so many from a place on. */
export function searchFigures(db: Database, asked: DemandAsked & Wanted, today: number): DemandSearches {
  const days = periodOf(asked, daysKept(db), today);
  const segments = segmentsOf(db, asked);
  const found = viewedSearches(db, asked, today);
  const page = found.slice(asked.offset, asked.offset + asked.limit);
  const all = { ...NO_SUMS };
  for (const { now } of found) addSums(all, now);
  const lines = linesOf(db, days, segments, page);
  return {
    period: written(days),
    languages: languagesIn(db),
    total: found.length,
    all,
    searches: page.map((search, i) => ({ ...search, line: lines[i] })),
  };
}

const VALUES: Record<Exclude<DemandOrder, "view" | "text">, (search: DemandSearch) => number> = {
  asked: ({ now }) => now.asked,
  before: ({ before }) => before.asked,
  noResults: ({ now }) => now.noResults,
  clicked: ({ now }) => now.clicked / Math.max(1, now.asked),
  position: ({ now }) => (now.clicks === 0 ? 0 : now.positions / now.clicks),
  ordered: ({ now }) => now.ordered,
  revenue: ({ now }) => now.revenue,
  lost: ({ lost }) => lost,
};

function comparing(order: Exclude<DemandOrder, "view">, direction: "asc" | "desc"): (a: DemandSearch, b: DemandSearch) => number {
  const sign = direction === "asc" ? 1 : -1;
  const byText = (a: DemandSearch, b: DemandSearch) => (a.text < b.text ? -1 : 1);
  if (order === "text") return (a, b) => sign * byText(a, b);
  const value = VALUES[order];
  return (a, b) => sign * (value(a) - value(b)) || byText(a, b);
}

/** How often each search was asked in equal parts of a period. */
function linesOf(db: Database, { from, until }: Days, segments: string, page: readonly DemandSearch[]): number[][] {
  const days = until - from + 1;
  const parts = Math.min(days, LINE);
  const lines = page.map(() => new Array<number>(parts).fill(0));
  const rowOf = new Map(page.flatMap(({ forms }, i) => forms.map(({ text }) => [text, i] as const)));
  const found = db
    .prepare<object, { text: string; day: number; asked: number }>(
      `SELECT texts.text AS text, day, sum(asked) AS asked FROM texts JOIN searches_counts ON searches_counts.text = texts.id
       WHERE texts.text IN (SELECT value FROM json_each(@texts)) AND ${IN_PERIOD} GROUP BY texts.id, day`,
    )
    .all({ from, until, segments, texts: JSON.stringify([...rowOf.keys()]) });
  for (const { text, day, asked } of found) {
    const line = lines[rowOf.get(text) ?? -1];
    if (line) line[Math.floor(((day - from) * parts) / days)] += asked;
  }
  return lines;
}
