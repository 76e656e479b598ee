import type { NumberedEvent } from "@core/demand/count";
import type { LoggedEvent, ShopperEvent, Shown } from "@core/log/events";
import type { Database } from "better-sqlite3";
import { readKeptJson } from "../db/kept-json";
import { noteTrouble } from "../operations/trouble";
import { later } from "./later";

const FLUSH_AFTER = 500;
/** Events that wait to be written at most, as when the disk is full; beyond that the oldest are let go. */
const MOST_WAITING = 200_000;
const PAGE = 2_000;

interface EventRow {
  id: number;
  visit: string;
  kind: LoggedEvent["kind"];
  search_id: string | null;
  query: string | null;
  product: string | null;
  position: number | null;
  at: string;
  searched: string | null;
  outcome: string | null;
  total: number | null;
  shown: string | null;
  rules: string | null;
  beside: string | null;
  event_id: string | null;
  details: string | null;
}

const COLUMNS = "visit, kind, search_id, query, product, position, at, searched, outcome, total, shown, rules, beside, event_id, details";

/** What somebody tells of a shopper, who may tell it twice. */
export interface ToldEvent {
  /** By which it is known when it comes again. */
  id: string;
  store: string;
  event: ShopperEvent & { at: string };
}

/**
 * The log of what shoppers did, written in batches so that no search waits for it; at most the last half second is lost.
 * @param shownBy what a search showed; null where that is not known.
 */
export function eventLog(db: Database, shownBy: (searchId: string) => Shown | null = () => null) {
  const insert = db.prepare(
    `INSERT INTO events (store, ${COLUMNS}) VALUES (${"?, ".repeat(15)}?) ON CONFLICT (store, event_id) WHERE event_id IS NOT NULL DO NOTHING`,
  );
  const old = db.prepare<[string, string], { id: number }>("SELECT id FROM events WHERE store = ? AND at < ? LIMIT 1");
  const count = db.prepare<[string], { count: number }>("SELECT count(*) AS count FROM events WHERE store = ?");
  const last = db.prepare<[string], { id: number | null }>("SELECT max(id) AS id FROM events WHERE store = ?");
  const lastAt = db.prepare<[string], { at: string | null }>("SELECT max(at) AS at FROM events WHERE store = ?");
  const setKeep = db.prepare(
    "INSERT INTO log_settings (store, keep_days) VALUES (?, ?) ON CONFLICT (store) DO UPDATE SET keep_days = excluded.keep_days",
  );
  /** Events that were let go since the start, as there was no room to keep them. */
  let dropped = 0;
  let waiting: { store: string; event: LoggedEvent }[] = [];
  const once = db.prepare("INSERT OR IGNORE INTO forwarded (id, at) VALUES (?, ?)");
  const letGo = db.prepare("DELETE FROM forwarded WHERE at < ?");
  const complete = db.prepare(
    "UPDATE events SET searched = ?, outcome = ?, total = ?, shown = ?, rules = ? WHERE search_id = ? AND kind = 'search' AND searched IS NULL",
  );

  /** An event with what its search showed. */
  const completed = (event: ShopperEvent, at: string): LoggedEvent => {
    const shown = event.kind === "search" && event.searchId ? shownBy(event.searchId) : null;
    return { ...event, ...shown, at };
  };

  const writeAll = db.transaction((batch: typeof waiting) => {
    for (const { store, event } of batch) {
      insert.run(
        store,
        event.visit,
        event.kind,
        event.searchId ?? null,
        event.query ?? null,
        event.product ?? null,
        event.position ?? null,
        event.at,
        event.searched ?? null,
        event.outcome ?? null,
        event.total ?? null,
        event.shown ? JSON.stringify(event.shown) : null,
        event.rules ? JSON.stringify(event.rules) : null,
        event.beside ?? null,
        event.id ?? null,
        detailsOf(event),
      );
    }
  });

  // What cannot be written waits on; it is written all or none, so nothing comes twice.
  const writing = later(
    () => {
      if (waiting.length > MOST_WAITING) {
        dropped += waiting.length - MOST_WAITING;
        waiting = waiting.slice(-MOST_WAITING);
      }
      if (waiting.length > 0) writeAll(waiting);
      waiting = [];
    },
    FLUSH_AFTER,
    (error) => noteTrouble(dropped > 0 ? `Events are not written, ${dropped} were let go` : "Events are not written yet", error),
  );

  return {
    add(store: string, events: readonly ShopperEvent[]): void {
      const now = new Date().toISOString();
      for (const event of events) waiting.push({ store, event: completed(event, event.at ? new Date(event.at).toISOString() : now) });
      writing.soon();
    },
    /** Writes what a follower hands on, each event once however often it comes. @param also is written in the same step. */
    take: db.transaction((told: readonly ToldEvent[], also: (isNew: (id: string) => boolean) => void = () => undefined) => {
      const at = new Date().toISOString();
      const isNew = (id: string) => once.run(id, at).changes > 0;
      const fresh = told.filter(({ id }) => isNew(id));
      writeAll(fresh.map(({ store, event }) => ({ store, event: completed(event, event.at) })));
      also(isNew);
    }),
    /** Puts what a search showed to its event, where that came before. */
    complete(searchId: string, { searched, outcome, total, shown, rules }: Shown): void {
      complete.run(searched, outcome, total, JSON.stringify(shown), JSON.stringify(rules), searchId);
    },
    /** Forgets what was handed on long ago. */
    forgetTold: (before: string): void => void letGo.run(before),
    /** Writes events as they are, at once and all or none. */
    write(store: string, events: readonly LoggedEvent[]): void {
      writeAll(events.map((event) => ({ store, event })));
    },
    flush: writing.now,
    dropped: () => dropped,
    waiting: () => waiting.length,
    forget(store: string): void {
      waiting = waiting.filter((entry) => entry.store !== store);
    },
    count: (store: string): number => count.get(store)?.count ?? 0,
    /** Number of the newest event, 0 when there is none. */
    newest: (store: string): number => last.get(store)?.id ?? 0,
    lastMoment: (store: string): string => lastAt.get(store)?.at ?? "",
    keepDays: readKeepDays(db),
    setKeepDays: (store: string, days: number): void => void setKeep.run(store, days),
    /** Whether there are events that are older than a moment. */
    hasOlder: (store: string, before: string): boolean => old.get(store, before) !== undefined,
  };
}

const KEEP_DAYS = 400;

/** Reads for how many days events of a store are kept. */
export function readKeepDays(db: Database): (store: string) => number {
  const keep = db.prepare<[string], { keep_days: number }>("SELECT keep_days FROM log_settings WHERE store = ?");
  return (store) => keep.get(store)?.keep_days ?? KEEP_DAYS;
}

export type EventLog = ReturnType<typeof eventLog>;

/** The events of a store in the order of time, read a few thousand at a time so that nothing else has to wait. @param from a moment before all of them. */
export function* eventsOf(db: Database, store: string, from = ""): Generator<LoggedEvent> {
  const page = db.prepare<[string, string, number], EventRow>(
    `SELECT id, ${COLUMNS} FROM events WHERE store = ? AND (at, id) > (?, ?) ORDER BY at, id LIMIT ${PAGE}`,
  );
  let at = from;
  let id = 0;
  for (;;) {
    const rows = page.all(store, at, id);
    for (const row of rows) yield readRow(row);
    const end = rows.at(-1);
    if (!end || rows.length < PAGE) return;
    ({ at, id } = end);
  }
}

/** Reads events of a store in the order in which they were written: those after a number, so many at most. */
export function numberedEvents(db: Database, store: string): (number: number, most: number) => Iterable<NumberedEvent> {
  const after = db.prepare<[string, number, number], EventRow>(
    `SELECT id, ${COLUMNS} FROM events WHERE store = ? AND id > ? ORDER BY id LIMIT ?`,
  );
  return function* (number, most) {
    for (const row of after.iterate(store, number, most)) yield { number: row.id, ...readRow(row) };
  };
}

/** What is kept of an event as JSON; null where there is nothing. */
function detailsOf({ value, currency, device, language, place, bot }: LoggedEvent): string | null {
  const text = JSON.stringify({ value, currency, device, language, place, bot });
  return text === "{}" ? null : text;
}

/** Takes out events that are older than a moment, some at each step. May take minutes, for a thread of its own. */
export function* removedEvents(db: Database, store: string, before: string): Generator<void> {
  const remove = db.prepare("DELETE FROM events WHERE id IN (SELECT id FROM events WHERE store = ? AND at < ? LIMIT 500)");
  while (remove.run(store, before).changes > 0) yield;
}

/** The moment before which a store's events are more than it may keep; "" where they are not. May take a second, for a thread of its own. */
export function beyondQuota(db: Database, store: string, most: number): string {
  if (!Number.isFinite(most)) return "";
  const row = db
    .prepare<[string, number], { at: string }>("SELECT at FROM events WHERE store = ? ORDER BY at DESC, id DESC LIMIT 1 OFFSET ?")
    .get(store, most - 1);
  return row?.at ?? "";
}

function readRow(row: EventRow): LoggedEvent {
  return {
    visit: row.visit,
    kind: row.kind,
    at: row.at,
    ...(row.search_id === null ? {} : { searchId: row.search_id }),
    ...(row.query === null ? {} : { query: row.query }),
    ...(row.product === null ? {} : { product: row.product }),
    ...(row.position === null ? {} : { position: row.position }),
    ...(row.searched === null ? {} : { searched: row.searched }),
    ...(row.outcome === null ? {} : { outcome: row.outcome }),
    ...(row.total === null ? {} : { total: row.total }),
    ...(row.shown === null ? {} : { shown: readKeptJson<string[]>(row.shown, []) }),
    ...(row.rules === null ? {} : { rules: readKeptJson<string[]>(row.rules, []) }),
    ...(row.beside === null ? {} : { beside: row.beside }),
    ...(row.event_id === null ? {} : { id: row.event_id }),
    ...(row.details === null ? {} : readKeptJson<Partial<LoggedEvent>>(row.details, {})),
  };
}
