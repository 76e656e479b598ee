import { randomUUID } from "node:crypto";
import { closeSync, existsSync, openSync, readdirSync, readFileSync, readSync, rmSync, statSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import type { Database } from "better-sqlite3";
import { whereThereIsRoom } from "../operations/trouble";
import { FolderError } from "./lock";

/** Says which data a folder holds, beside the database that says the same: the one does not go unnoticed without the other. */
const IDENTITY = "folder.json";
/** There as long as a server has the data open, and after one that did not end by itself. */
const OPEN = "open";

export const MAIN = "clever-shelf.db";

/** @throws FolderError where the database is missing beside what it should know of. */
export function expectDatabase(directory: string): void {
  const file = join(directory, MAIN);
  if (existsSync(file) && statSync(file).size > 0) return;
  const stores = join(directory, "stores");
  const holds = existsSync(join(directory, IDENTITY)) || (existsSync(stores) && readdirSync(stores).length > 0);
  if (holds)
    throw new FolderError(
      `${directory} holds the data of shops, but their database ${MAIN} is missing or empty. Put it back, from a backup where there is one (npm run restore). To begin anew, move the folder away.`,
    );
}

/** @throws FolderError where the database is that of another folder, whose catalogues would be taken for leftovers here. */
export function expectSame(directory: string, db: Database): void {
  const file = join(directory, IDENTITY);
  const said = existsSync(file) ? readIdentity(file) : null;
  // A database that has lost what was written to it last may not know any more.
  const id = readId(db) ?? makeIdentity(db, said ?? randomUUID());
  if (!id || said === id) return;
  if (said !== null)
    throw new FolderError(
      `The database in ${directory} belongs to other data than the catalogues beside it. Restore the one that was there; if this is meant, remove ${file}.`,
    );
  whereThereIsRoom(() => writeFileSync(file, sayIdentity(id)));
}

/** Names of stores whose catalogues are there although the database knows nothing of them. */
export function unknownStores(directory: string, known: ReadonlySet<string>): string[] {
  const stores = join(directory, "stores");
  if (!existsSync(stores)) return [];
  const folders = readdirSync(stores, { withFileTypes: true }).flatMap((entry) => (entry.isDirectory() ? entry.name : []));
  return folders.filter((id) => !known.has(id) && readdirSync(join(stores, id)).some((name) => /^catalogue-\d+\.db$/.test(name)));
}

/** @returns null on a full disk: the next start makes it. */
function makeIdentity(db: Database, id: string): string | null {
  return whereThereIsRoom(() => db.prepare("INSERT INTO folder (id) VALUES (?)").run(id)) ? id : null;
}

/** What the file beside a database says of it. */
export const identify = (db: Database): string => sayIdentity(readId(db) ?? makeIdentity(db, randomUUID()) ?? "");

const sayIdentity = (id: string) => `${JSON.stringify({ id })}\n`;
const readId = (db: Database) => db.prepare<[], { id: string }>("SELECT id FROM folder").get()?.id;

function readIdentity(file: string): string | null {
  try {
    return String((JSON.parse(readFileSync(file, "utf8")) as { id: unknown }).id);
  } catch {
    return null;
  }
}

/**
 * Whether the last server on the folder ended by itself. After one that did not, what it wrote last stands in files beside the
 * databases.
 */
export const wasLeftOpen = (directory: string): boolean => existsSync(join(directory, OPEN));

/** Whether a database that was left open lacks the file with what was written to it last, or that is not such a file any more. */
export function lacksJournal(file: string): boolean {
  if (!existsSync(file)) return false;
  const journal = `${file}-wal`;
  if (!existsSync(journal)) return true;
  const [magic = JOURNAL] = headOf(journal);
  return (magic & ~1) !== JOURNAL;
}

/** How a write-ahead log of SQLite begins; the last bit says the order of bytes of its checksums (SQLite: The WAL File Format). */
const JOURNAL = 0x377f0682;

/** The first 32-bit word of a file; none where it is empty. */
function headOf(file: string): number[] {
  const descriptor = openSync(file, "r");
  try {
    const bytes = Buffer.alloc(4);
    return readSync(descriptor, bytes, 0, 4, 0) === 4 ? [bytes.readUInt32BE()] : [];
  } finally {
    closeSync(descriptor);
  }
}

export function markOpen(directory: string): void {
  whereThereIsRoom(() => writeFileSync(join(directory, OPEN), ""));
}
/** The same of the catalogue of one store: not every store is opened by every server. @param folder of the store. */
export const wasCatalogueLeftOpen = (folder: string): boolean => existsSync(join(folder, OPEN));
export function markCatalogueOpen(folder: string): void {
  if (existsSync(folder)) markOpen(folder);
}
export const markClosed = (directory: string): void => rmSync(join(directory, OPEN), { force: true });
