import { mkdirSync } from "node:fs";
import { join } from "node:path";
import SQLite, { type Database } from "better-sqlite3";
import { migrate } from "./migrate";

const MIGRATIONS = import.meta.glob<string>("./migrations/*.sql", { query: "?raw", import: "default", eager: true });

/** Opens the main database of a data directory and brings it up to date. */
export function openDatabase(directory: string): Database {
  mkdirSync(directory, { recursive: true });
  const db = new SQLite(join(directory, "clever-shelf.db"));
  db.pragma("journal_mode = WAL");
  // What was answered with 200 outlives a loss of power.
  db.pragma("synchronous = FULL");
  db.pragma("foreign_keys = ON");
  db.pragma("busy_timeout = 5000");
  migrate(db, MIGRATIONS);
  return db;
}
