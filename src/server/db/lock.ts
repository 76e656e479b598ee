import { existsSync, readdirSync } from "node:fs";
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
  const db = new SQLite(join(directory, "lock.db"), { timeout: MOST_WAIT });
  try {
    // A transaction that never ends and writes nothing; the lock is the system's own, so that nobody has to remove it.
    db.exec("BEGIN EXCLUSIVE");
  } catch (error) {
    db.close();
    if ((error as { code?: string }).code !== "SQLITE_BUSY") throw error;
    throw new FolderError(`Another server uses the data in ${directory}. Stop it first, or choose another folder with --data.`);
  }
  held.push(db);
}

/** @throws FolderError where the database is missing beside catalogues that it should know of. */
export function expectDatabase(directory: string, name: string): void {
  const stores = join(directory, "stores");
  if (existsSync(join(directory, name)) || !existsSync(stores) || readdirSync(stores).length === 0) return;
  throw new FolderError(
    `${directory} holds catalogues, but their database ${name} is missing. Put it back, from a copy where there is one. To begin anew, move the folder “stores” away.`,
  );
}
