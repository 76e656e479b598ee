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
  const db = connect(join(directory, NAME));
  // What was answered with 200 outlives a loss of power.
  db.pragma("synchronous = FULL");
  migrate(db, MIGRATIONS);
  return db;
}

/**
 * A second connection to the main database for what is told to nobody as done, such as what shoppers did: a loss of power may take
 * what was written last, and nothing waits for the disk.
 */
export function connectLoosely(file: string): Database {
  const db = connect(file);
  db.pragma("synchronous = NORMAL");
  return db;
}

function connect(file: string): Database {
  const db = new SQLite(file);
  db.pragma("journal_mode = WAL");
  db.pragma("foreign_keys = ON");
  db.pragma("busy_timeout = 5000");
  // A database that may not grow behaves as on a full disk; for tests of that, where no small disk can be had.
  const { CLEVER_SHELF_MOST_PAGES: most } = process.env;
  if (most) db.pragma(`max_page_count = ${Number(most)}`);
  return db;
}
