import { mkdirSync } from "node:fs";
import { join } from "node:path";
import SQLite, { type Database } from "better-sqlite3";
import { expectDatabase, lockFolder } from "./lock";
import { migrate } from "./migrate";

const NAME = "clever-shelf.db";
const MIGRATIONS = import.meta.glob<string>("./migrations/*.sql", { query: "?raw", import: "default", eager: true });

/** Opens the main database of a data directory for this process alone, and brings it up to date. @throws FolderError. */
export function openDatabase(directory: string): Database {
  mkdirSync(directory, { recursive: true });
  lockFolder(directory);
  expectDatabase(directory, NAME);
  const db = new SQLite(join(directory, NAME));
  db.pragma("journal_mode = WAL");
  // What was answered with 200 outlives a loss of power.
  db.pragma("synchronous = FULL");
  db.pragma("foreign_keys = ON");
  db.pragma("busy_timeout = 5000");
  // A database that may not grow behaves as on a full disk; for tests of that, where no small disk can be had.
  const { CLEVER_SHELF_MOST_PAGES: most } = process.env;
  if (most) db.pragma(`max_page_count = ${Number(most)}`);
  migrate(db, MIGRATIONS);
  return db;
}
