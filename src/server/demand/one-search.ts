import type { DemandAnswered, DemandAsked, DemandOneSearch, Figures } from "@contract/demand";
import { mondayOf } from "@core/demand/days";
import { expectedClicks } from "@core/demand/position-bias";
import { groupSearches, type SearchSums } from "@core/demand/searches";
import { queryKey } from "@core/log/tally";
import type { Database } from "better-sqlite3";
import { countedTexts, daysKept, figuresOf, ratesIn, SUMS, segmentsOf } from "./figures";
import { type Days, periodBefore, periodOf, written, yearBefore } from "./periods";

/** One search, out of what was counted. */

const MOST_PRODUCTS = 60;
/** A product shown to fewer than this share of those who searched is one of a filter's, or of a way to write it. */
const LEAST_SHOWN = 0.05;
const MOST_NEXT = 8;

type Counted = Omit<DemandOneSearch, "marks" | "rules" | "found" | "products"> & { products: Omit<DemandAnswered, "title">[] };

/** The figures of a search with all its forms; null where it was never asked. */
export function oneSearch(db: Database, asked: DemandAsked & { text: string }, today: number): Counted | null {
  const forms = formsOf(db, asked.text);
  if (forms.length === 0) return null;
  const kept = daysKept(db);
  if (!kept) return null;
  const days = periodOf(asked, kept, today);
  const segments = segmentsOf(db, asked);
  const texts = JSON.stringify(forms);
  const [search] = groupSearches(countedTexts(db, days, segments, texts), { isApart: false, from: days.from });
  const last = yearBefore(days);
  const figures = (period: Days) => figuresOfTexts(db, period, segments, texts);
  return {
    search,
    kept: written(kept),
    now: figures(days),
    before: figures(periodBefore(days)),
    yearAgo: kept.from <= last.until ? figures(last) : null,
    products: productsOf(db, days, texts),
    cameFrom: refinements(db, days, texts, "next", "text"),
    wentTo: refinements(db, days, texts, "text", "next"),
    devices: devicesOf(db, days, segments, texts),
  };
}

/** Numbers of all texts that are the same search: of the one that is asked for, or of those with its stems. */
function formsOf(db: Database, text: string): number[] {
  return db
    .prepare<[string], number>("SELECT id FROM texts WHERE stems = (SELECT stems FROM texts WHERE text = ?)")
    .pluck()
    .all(queryKey(text));
}

const OF_TEXTS = "text IN (SELECT value FROM json_each(@texts))";
const OF_DAYS = "day BETWEEN @from AND @until AND segment IN (SELECT value FROM json_each(@segments))";
const OF_WEEKS = "week BETWEEN @from AND @until";
const weeksOf = ({ from, until }: Days) => ({ from: mondayOf(from), until: mondayOf(until) });

function figuresOfTexts(db: Database, days: Days, segments: string, texts: string): Figures {
  const rows = db
    .prepare<object, SearchSums & { day: number }>(`SELECT day, ${SUMS} FROM searches_counts WHERE ${OF_TEXTS} AND ${OF_DAYS} GROUP BY day`)
    .all({ ...days, segments, texts });
  return figuresOf(days, rows, []);
}

function productsOf(db: Database, days: Days, texts: string): Omit<DemandAnswered, "title">[] {
  const weeks = weeksOf(days);
  const rows = db
    .prepare<object, Omit<DemandAnswered, "title" | "expected" | "position"> & { positions: number }>(
      `SELECT name AS id, sum(shown) AS shown, sum(positions) AS positions, sum(clicked) AS clicked, sum(basketed) AS basketed,
       sum(ordered) AS ordered, sum(revenue) AS revenue
       FROM answers_counts JOIN products ON products.id = answers_counts.product WHERE ${OF_TEXTS} AND ${OF_WEEKS} GROUP BY product`,
    )
    .all({ ...weeks, texts });
  const products = rows.map(({ positions, ...row }) => ({ ...row, position: row.shown === 0 ? 0 : positions / row.shown }));
  const expected = expectedClicks(products, ratesIn(db, days));
  const most = Math.max(0, ...products.map(({ shown }) => shown));
  return products
    .map((product, i) => ({ ...product, expected: expected[i] }))
    .filter(({ shown, clicked, ordered }) => shown >= LEAST_SHOWN * most || clicked + ordered > 0)
    .sort((a, b) => b.shown - a.shown || a.position - b.position)
    .slice(0, MOST_PRODUCTS)
    .sort((a, b) => a.position - b.position || (a.id < b.id ? -1 : 1));
}

function refinements(
  db: Database,
  days: Days,
  texts: string,
  own: "text" | "next",
  other: "text" | "next",
): { text: string; times: number }[] {
  return db
    .prepare<object, { text: string; times: number }>(
      `SELECT texts.text AS text, sum(times) AS times FROM refinements_counts JOIN texts ON texts.id = refinements_counts.${other}
       WHERE refinements_counts.${own} IN (SELECT value FROM json_each(@texts)) AND ${OF_WEEKS}
       GROUP BY texts.stems ORDER BY times DESC, text LIMIT ${MOST_NEXT}`,
    )
    .all({ ...weeksOf(days), texts });
}

function devicesOf(db: Database, days: Days, segments: string, texts: string): { device: string; asked: number }[] {
  return db
    .prepare<object, { device: string; asked: number }>(
      `SELECT device, sum(asked) AS asked FROM searches_counts JOIN segments ON segments.id = searches_counts.segment
       WHERE ${OF_TEXTS} AND ${OF_DAYS} GROUP BY device ORDER BY asked DESC, device`,
    )
    .all({ ...days, segments, texts });
}
