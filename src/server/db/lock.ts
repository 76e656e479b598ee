import { rmSync } from "node:fs";
import { join } from "node:path";
import SQLite, { type Database } from "better-sqlite3";

/** What cannot be opened, in words for whoever starts the server. */
export class FolderError extends Error {}

/** How long a server that is just ending is waited for, in ms. */
const MOST_WAIT = 4_000;

/** Held as long as the process lives; the system lets go of the lock when it ends, however it ends. */
const held: Database[] = [];

/**
 * Takes a data folder for this process alone: two servers on one folder would undo each other's work.
 * @throws FolderError where another process has it.
 */
export function lockFolder(directory: string): void {
  held.push(lock(directory));
}

/** Has a data folder for itself while something is done. @throws FolderError where another process has it. */
export async function holdingFolder<T>(directory: string, work: () => T | Promise<T>): Promise<T> {
  const db = lock(directory);
  try {
    return await work();
  } finally {
    db.close();
  }
}

function lock(directory: string): Database {
  const file = join(directory, "lock.db");
  const db = new SQLite(file, { timeout: MOST_WAIT });
  try {
    // A transaction that never ends and writes nothing; the lock is the system's own, so that nobody has to remove it.
    db.exec("BEGIN EXCLUSIVE");
    return db;
  } catch (error) {
    db.close();
    const { code } = error as { code?: string };
    if (code === "SQLITE_NOTADB" || code === "SQLITE_CORRUPT") {
      // There is nothing in it, so there is nothing to lose.
      rmSync(file);
      return lock(directory);
    }
    if (code !== "SQLITE_BUSY") throw error;
    throw new FolderError(`Another server uses the data in ${directory}. Stop it first, or choose another folder with --data.`);
  }
}
