import { mkdirSync } from "node:fs";
import { join } from "node:path";
import SQLite, { type Database } from "better-sqlite3";

const MIGRATIONS = import.meta.glob<string>("./migrations/*.sql", { query: "?raw", import: "default", eager: true });

/** Opens the main database of a data directory and brings it up to date. */
export function openDatabase(directory: string): Database {
  mkdirSync(directory, { recursive: true });
  const db = new SQLite(join(directory, "clever-shelf.db"));
  db.pragma("journal_mode = WAL");
  db.pragma("synchronous = NORMAL");
  db.pragma("foreign_keys = ON");
  db.pragma("busy_timeout = 5000");
  migrate(db);
  return db;
}

/** Applies the numbered migrations that a database has not seen, each whole or not at all. */
function migrate(db: Database): void {
  const current = Number(db.pragma("user_version", { simple: true }));
  const steps = Object.entries(MIGRATIONS)
    .map(([path, sql]) => ({ number: Number(/(\d+)-[^/]*\.sql$/.exec(path)?.[1]), sql }))
    .sort((a, b) => a.number - b.number);
  for (const { number, sql } of steps) {
    if (number <= current) continue;
    db.transaction(() => {
      db.exec(sql);
      db.pragma(`user_version = ${number}`);
    })();
  }
}
