import { existsSync, rmSync } from "node:fs";
import { join } from "node:path";
import { TABLES, type TableName } from "@core/demand/tables";
import SQLite, { type Database } from "better-sqlite3";

/** What shoppers did, counted: one file for each store, which is made anew out of the events where it is missing, damaged or counted otherwise. */

/** Of the tables and of how is counted: another one counts everything anew. */
const COUNTED_AS = 1;

export const demandFile = (storeFolder: string): string => join(storeFolder, "demand.db");

const NAMES = `
CREATE TABLE texts (id INTEGER PRIMARY KEY, text TEXT NOT NULL UNIQUE, stems TEXT NOT NULL) STRICT;
CREATE TABLE products (id INTEGER PRIMARY KEY, name TEXT NOT NULL UNIQUE) STRICT;
CREATE TABLE rules (id INTEGER PRIMARY KEY, name TEXT NOT NULL UNIQUE) STRICT;
CREATE TABLE segments (
  id INTEGER PRIMARY KEY, is_bot INTEGER NOT NULL, device TEXT NOT NULL, language TEXT NOT NULL, place TEXT NOT NULL,
  UNIQUE (is_bot, device, language, place)
) STRICT;
-- Searches and visits to which something may still be added, and what came before its search; as JSON.
CREATE TABLE open_searches (id TEXT PRIMARY KEY, number INTEGER NOT NULL, state TEXT NOT NULL) STRICT, WITHOUT ROWID;
CREATE INDEX open_searches_by_number ON open_searches (number);
CREATE TABLE open_visits (id TEXT PRIMARY KEY, number INTEGER NOT NULL, state TEXT NOT NULL) STRICT, WITHOUT ROWID;
CREATE INDEX open_visits_by_number ON open_visits (number);
CREATE TABLE early (number INTEGER PRIMARY KEY, search TEXT NOT NULL, event TEXT NOT NULL) STRICT;
CREATE INDEX early_by_search ON early (search);
CREATE TABLE counted (number INTEGER NOT NULL, time_zone TEXT NOT NULL, currency TEXT NOT NULL) STRICT;
CREATE INDEX texts_by_stems ON texts (stems);
`;

/** Name of a table of counts in the database. */
export const countsOf = (name: TableName): string => `${name}_counts`;

const COUNTS = Object.entries(TABLES).map(([name, { keys, sums }]) => {
  const columns = [...keys, ...sums].map((column) => `${column} INTEGER NOT NULL`).join(", ");
  return `CREATE TABLE ${countsOf(name as TableName)} (${columns}, PRIMARY KEY (${keys.join(", ")})) STRICT, WITHOUT ROWID;`;
});

const BY_TEXT = `
CREATE INDEX searches_by_text ON searches_counts (text, day);
CREATE INDEX refinements_by_next ON refinements_counts (next, week);
CREATE INDEX products_by_product ON products_counts (product, day);
CREATE INDEX rules_by_rule ON rules_counts (rule, day);
`;

/** Of what a store's figures depend beside its events. */
export interface CountedFor {
  timeZone: string;
  currency: string;
  /** Number of the newest event: where more was counted, the log is another one. */
  newest: number;
}

/** Opens a store's counts for writing; new where there are none that serve. */
export function openDemand(file: string, wanted: CountedFor): Database {
  const known = existsSync(file) ? openKnown(file, wanted) : null;
  if (known) return known;
  discardDemand(file);
  const db = connect(file);
  db.transaction(() => {
    db.exec([NAMES, ...COUNTS, BY_TEXT].join("\n"));
    db.prepare("INSERT INTO counted (number, time_zone, currency) VALUES (0, ?, ?)").run(wanted.timeZone, wanted.currency);
    db.pragma(`user_version = ${COUNTED_AS}`);
  })();
  return db;
}

/** Lets a store's counts go: they are made anew out of its events. */
export function discardDemand(file: string): void {
  for (const end of ["", "-wal", "-shm"]) rmSync(file + end, { force: true });
}

function connect(file: string): Database {
  const db = new SQLite(file);
  db.pragma("journal_mode = WAL");
  // What a loss of power takes is counted again.
  db.pragma("synchronous = NORMAL");
  // A portion adds to rows all over the tables: in KiB.
  db.pragma("cache_size = -98304");
  return db;
}

function openKnown(file: string, { timeZone, currency, newest }: CountedFor): Database | null {
  let db: Database | null = null;
  try {
    db = connect(file);
    const isSame =
      db.pragma("user_version", { simple: true }) === COUNTED_AS &&
      db.prepare("SELECT 1 FROM counted WHERE time_zone = ? AND currency = ? AND number <= ?").get(timeZone, currency, newest) !==
        undefined;
    if (isSame) return db;
  } catch (error) {
    // What is damaged is counted anew, the events are there; whatever else goes wrong may pass.
    if (!isDamage(error)) throw error;
  }
  db?.close();
  return null;
}

const isDamage = (error: unknown): boolean => error instanceof SQLite.SqliteError && /^SQLITE_(CORRUPT|NOTADB|ERROR)/.test(error.code);

/** Opens a store's counts for reading; null where there are none yet. */
export function readDemandFile(file: string): Database | null {
  if (!existsSync(file)) return null;
  try {
    const db = new SQLite(file, { readonly: true, fileMustExist: true });
    db.pragma("busy_timeout = 5000");
    if (db.pragma("user_version", { simple: true }) === COUNTED_AS) return db;
    db.close();
  } catch {
    // It is being made, or made anew.
  }
  return null;
}
