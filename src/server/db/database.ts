import { mkdirSync } from "node:fs";
import { join } from "node:path";
import SQLite, { type Database } from "better-sqlite3";
import { noteTrouble } from "../operations/trouble";
import { expectDatabase, expectSame, lacksJournal, MAIN, markOpen, unknownStores, wasLeftOpen } from "./folder";
import { FolderError, lockFolder } from "./lock";
import { migrate } from "./migrate";
import { isWholeDatabase, salvage } from "./salvage";

const MIGRATIONS = import.meta.glob<string>("./migrations/*.sql", { query: "?raw", import: "default", eager: true });

/** The main database of a data folder, and what has to be said of it. */
export interface Opened {
  db: Database;
  /** What was lost or damaged, in sentences; null where all is as it was left. */
  damage: string | null;
  /** Whether the last server on the folder was stopped in the middle: then everything is looked at more closely. */
  wasLeftOpen: boolean;
}

/** Opens the main database of a data folder for this process alone, and brings it up to date. @throws FolderError. */
export function openDatabase(directory: string): Opened {
  mkdirSync(directory, { recursive: true });
  lockFolder(directory);
  expectDatabase(directory);
  const file = join(directory, MAIN);
  const leftOpen = wasLeftOpen(directory);
  const said = [
    leftOpen && lacksJournal(file)
      ? `The last server was stopped in the middle, and ${MAIN}-wal, which it left, is missing or damaged: what was changed last may be lost.`
      : null,
    isWholeDatabase(file) ? null : salvageMain(file),
  ].filter((sentence) => sentence !== null);
  const db = connect(file);
  // What was answered with 200 outlives a loss of power.
  db.pragma("synchronous = FULL");
  migrateMain(db);
  expectSame(directory, db);
  markOpen(directory);
  const unknown = unknownStores(directory, new Set(db.prepare<[], string>("SELECT id FROM stores").pluck().all()));
  if (unknown.length > 0)
    said.push(
      `There are catalogues of stores that the database does not know: ${unknown.join(", ")}. Restore a backup where they are missed.`,
    );
  for (const sentence of said) noteTrouble("The database was damaged", sentence);
  return { db, damage: said.length > 0 ? said.join(" ") : null, wasLeftOpen: leftOpen };
}

/** Brings a main database up to date. */
export const migrateMain = (db: Database): void => migrate(db, MIGRATIONS);

function salvageMain(file: string): string {
  const salvaged = salvage(file, migrateMain);
  if (!salvaged)
    throw new FolderError(
      `The database ${file} is damaged, and nothing of it can be read. Restore a backup (npm run restore), or begin anew by moving the folder away.`,
    );
  return `The database was damaged; ${salvaged.lost}. What could be read is in use, the damaged file is kept as ${salvaged.kept}.`;
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
