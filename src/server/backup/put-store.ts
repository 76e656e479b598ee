import { cpSync, existsSync, mkdirSync, readdirSync } from "node:fs";
import { dirname, join } from "node:path";
import SQLite, { type Database } from "better-sqlite3";
import { catalogueFile } from "../db/catalogue-file";
import { migrateMain } from "../db/database";
import { FILES } from "../db/files";
import { MAIN } from "../db/folder";
import { demandFile, discardDemand } from "../demand/database";
import { makeBackup } from "./make";
import { BackupError } from "./manifest";

/**
 * Puts the one store of a backup into a data folder that has others.
 * @param replaces whether the store may be there already; it is saved to a backup of its own first.
 * @returns that backup; null where there was no such store. @throws BackupError.
 */
export async function putStore(folder: string, directory: string, store: string, replaces: boolean): Promise<string | null> {
  // A backup of a former version is brought up to date, so that its tables are those it goes into.
  const saved = new SQLite(join(folder, MAIN));
  migrateMain(saved);
  const number = saved.prepare<[string], { catalogue: number }>("SELECT catalogue FROM stores WHERE id = ?").get(store)?.catalogue ?? 0;
  saved.close();
  const db = new SQLite(join(directory, MAIN));
  try {
    db.pragma("foreign_keys = ON");
    db.pragma("synchronous = FULL");
    migrateMain(db);
    const isThere = db.prepare("SELECT 1 FROM stores WHERE id = ?").get(store) !== undefined;
    if (isThere && !replaces)
      throw new BackupError(
        `There is a store “${store}” in ${directory} already, and nothing was changed. Say --replace to put the backup in its place; what is there is saved first.`,
      );
    const before = isThere ? join(directory, `before-${store}-${Date.now()}.tar.gz`) : null;
    if (before) await makeBackup(directory, before, store);
    const next = number === 0 ? 0 : placeCatalogue(folder, directory, store, number);
    // Its events get other numbers than those that were counted.
    discardDemand(demandFile(join(directory, "stores", store)));
    copyRows(db, join(folder, MAIN), store, next);
    for (const part of ["media"])
      if (existsSync(join(folder, part, store))) cpSync(join(folder, part, store), join(directory, part, store), { recursive: true });
    return before;
  } finally {
    db.close();
  }
}

/** @returns the number that the catalogue has in its new folder, where others may have been before it. */
function placeCatalogue(folder: string, directory: string, store: string, number: number): number {
  const stored = join(directory, "stores", store);
  mkdirSync(stored, { recursive: true });
  const taken = readdirSync(stored).map((name) => Number(/^catalogue-(\d+)\./.exec(name)?.[1] ?? 0));
  const next = Math.max(0, ...taken) + 1;
  const file = catalogueFile(directory, store, next);
  cpSync(catalogueFile(folder, store, number), file);
  const feed = join(folder, "stores", store, `feed-${number}`);
  if (existsSync(feed)) cpSync(feed, join(stored, `feed-${next}`));
  FILES.sync(file);
  FILES.sync(dirname(file));
  return next;
}

/** Takes the rows of a store from one database into another, all or none. */
function copyRows(db: Database, from: string, store: string, catalogue: number): void {
  db.prepare("ATTACH ? AS saved").run(from);
  const tables = db
    .prepare<[], { name: string }>(
      `SELECT name FROM saved.sqlite_master WHERE type = 'table' AND name <> 'stores'
         AND EXISTS (SELECT 1 FROM pragma_table_info(sqlite_master.name) WHERE name = 'store')`,
    )
    .all();
  const columnsOf = (table: string) =>
    db
      .prepare<[string], { name: string; type: string; pk: number }>("SELECT name, type, pk FROM pragma_table_info(?)")
      .all(table)
      // Numbers that the database gave are given anew: they may be taken.
      .filter(({ type, pk }) => !(pk === 1 && type === "INTEGER"))
      .map(({ name }) => `"${name}"`)
      .join(", ");
  const copy = (table: string, key: string) =>
    db
      .prepare(`INSERT INTO main."${table}" (${columnsOf(table)}) SELECT ${columnsOf(table)} FROM saved."${table}" WHERE ${key} = ?`)
      .run(store);
  db.transaction(() => {
    db.prepare("DELETE FROM main.stores WHERE id = ?").run(store);
    copy("stores", "id");
    db.prepare("UPDATE main.stores SET catalogue = ? WHERE id = ?").run(catalogue, store);
    for (const { name } of tables) copy(name, "store");
  })();
  db.exec("DETACH saved");
}
