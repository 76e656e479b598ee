import { existsSync, renameSync, rmSync } from "node:fs";
import SQLite, { type Database, type Statement } from "better-sqlite3";

/** What came of a damaged database. */
interface Salvaged {
  /** Where the damaged one is kept. */
  kept: string;
  /** In words: what could not be read. */
  lost: string;
}

/** The largest table by far, of which reading all takes minutes; whoever counts it says where it is damaged. */
const UNCHECKED = "events";

/** Whether a database file is whole, as far as that can be told in a moment. What is no database at all is not. */
export function isWholeDatabase(file: string): boolean {
  if (!existsSync(file)) return true;
  try {
    const db = new SQLite(file, { fileMustExist: true });
    try {
      const tables = db
        .prepare<[string], { name: string }>("SELECT name FROM sqlite_master WHERE type = 'table' AND name <> ?")
        .all(UNCHECKED);
      return tables.every(({ name }) => db.pragma(`quick_check("${name}")`, { simple: true }) === "ok");
    } finally {
      db.close();
    }
  } catch {
    return false;
  }
}

/**
 * Puts what can be read of a damaged database into a new one in its place; the damaged one is kept beside it.
 * @param make writes the tables of a fresh database. @returns null where nothing can be read: then all is as it was.
 */
export function salvage(file: string, make: (db: Database) => void): Salvaged | null {
  const fresh = `${file}-salvaged`;
  for (const suffix of ["", "-wal", "-shm"]) rmSync(fresh + suffix, { force: true });
  const to = new SQLite(fresh);
  let from: Database | null = null;
  try {
    make(to);
    to.pragma("foreign_keys = OFF");
    from = new SQLite(file, { fileMustExist: true, readonly: true });
    const lost = copyTables(from, to);
    to.pragma("wal_checkpoint(TRUNCATE)");
    from.close();
    to.close();
    const kept = `${file}-damaged-${new Date().toISOString().replace(/[:.]/g, "-")}`;
    for (const suffix of ["", "-wal"]) if (existsSync(file + suffix)) renameSync(file + suffix, kept + suffix);
    rmSync(`${file}-shm`, { force: true });
    renameSync(fresh, file);
    return { kept, lost: lost.length === 0 ? "nothing of it is lost" : `not all of it could be read: ${lost.join(", ")}` };
  } catch {
    from?.close();
    if (to.open) to.close();
    for (const suffix of ["", "-wal", "-shm"]) rmSync(fresh + suffix, { force: true });
    return null;
  }
}

/** @returns the names of tables of which not every row could be read. @throws where not even the names of the tables can be read. */
function copyTables(from: Database, to: Database): string[] {
  from.prepare("SELECT count(*) FROM sqlite_master").get();
  const tables = to.prepare<[], { name: string }>("SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite_%'").all();
  const incomplete = tables.filter(({ name }) => !copyTable(from, to, name)).map(({ name }) => name);
  if (incomplete.length === tables.length) throw new Error("Nothing of the database can be read.");
  return incomplete;
}

/** @returns whether every row could be read. */
function copyTable(from: Database, to: Database, name: string): boolean {
  const names = to.prepare<[string], { name: string }>("SELECT name FROM pragma_table_info(?)").all(name);
  const columns = names.map((column) => `"${column.name}"`).join(", ");
  const put = to.prepare(`INSERT OR IGNORE INTO "${name}" (${columns}) VALUES (${names.map(() => "?").join(", ")})`);
  const take = to.transaction((order: string): boolean => {
    try {
      for (const row of from.prepare<[], unknown[]>(`SELECT ${columns} FROM "${name}" ${order}`).raw().iterate()) putIfFitting(put, row);
      return true;
    } catch {
      // What was read so far stays.
      return false;
    }
  });
  // Behind a broken page in the middle, rows are read from the other end.
  const isWhole = take("");
  if (!isWhole) take("ORDER BY 1 DESC");
  return isWhole;
}

/** A row with a value that its table does not take is left out alone. */
function putIfFitting(put: Statement<unknown[]>, row: unknown[]): void {
  try {
    put.run(...row);
  } catch (error) {
    if (!String((error as { code?: string }).code).startsWith("SQLITE_CONSTRAINT")) throw error;
  }
}
