import { cpSync, existsSync, mkdirSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { setTimeout as pause } from "node:timers/promises";
import SQLite, { type Database } from "better-sqlite3";
import { catalogueFile } from "../db/catalogue-file";
import { migrateMain } from "../db/database";
import { identify, MAIN } from "../db/folder";
import { BackupError, type StoreInBackup } from "./manifest";

/** The databases of a data folder, each held as it was at one moment, whatever is written to it since. */
interface Held {
  main: Database;
  catalogues: { store: string; number: number; db: Database; products: number }[];
  release: () => void;
}

const MOST_TRIES = 40;
const ALL_PAGES = 2 ** 31 - 1;

/**
 * Copies the data of a folder as it was at one moment, also while a server writes to it: what was answered with 200 before is in the
 * copy, and nothing is in it by half. Saved indexes are left out, since they can be made of the rest.
 * @param only one store; null for all. @throws BackupError.
 */
export async function copyData(directory: string, into: string, only: string | null): Promise<StoreInBackup[]> {
  if (!existsSync(join(directory, MAIN))) throw new BackupError(`There is no data in ${directory}. Name its folder with --data.`);
  const held = await holdStill(directory, only);
  try {
    mkdirSync(into, { recursive: true });
    await copyDatabase(held.main, join(into, MAIN));
    for (const { store, number, db } of held.catalogues) {
      mkdirSync(join(into, "stores", store), { recursive: true });
      await copyDatabase(db, catalogueFile(into, store, number));
      const feed = join("stores", store, `feed-${number}`);
      if (existsSync(join(directory, feed))) cpSync(join(directory, feed), join(into, feed));
    }
    const stores = held.main.prepare<[], { id: string }>("SELECT id FROM stores").all();
    for (const { id } of stores)
      if ((only === null || id === only) && existsSync(join(directory, "media", id)))
        cpSync(join(directory, "media", id), join(into, "media", id), { recursive: true, dereference: false });
    return settle(into, only, held);
  } finally {
    held.release();
  }
}

async function copyDatabase(db: Database, file: string): Promise<void> {
  // All at once: a copy in pieces begins anew each time something is written.
  await db.backup(file, { progress: () => ALL_PAGES });
}

/** Begins to read everything at one moment. */
async function holdStill(directory: string, only: string | null): Promise<Held> {
  for (let tries = 1; ; tries++) {
    const held = tryToHold(directory, only);
    if (held && (held.isOneMoment || tries >= MOST_TRIES)) return held;
    held?.release();
    if (!held && tries >= MOST_TRIES) throw new BackupError(`A catalogue in ${directory} cannot be read, so nothing was saved.`);
    await pause(5 * tries);
  }
}

/** @returns null where a catalogue was replaced meanwhile, so that its file is gone. */
function tryToHold(directory: string, only: string | null): (Held & { isOneMoment: boolean }) | null {
  const opened: Database[] = [];
  const open = (file: string) => {
    const db = new SQLite(file, { readonly: true, fileMustExist: true, timeout: 5_000 });
    opened.push(db);
    return db;
  };
  const release = () => {
    for (const db of opened) db.close();
  };
  try {
    const watcher = open(join(directory, MAIN));
    const before = watcher.pragma("data_version", { simple: true });
    const main = open(join(directory, MAIN));
    main.exec("BEGIN");
    const rows = main.prepare<[], { id: string; catalogue: number }>("SELECT id, catalogue FROM stores").all();
    const wanted = rows.filter(({ id, catalogue }) => catalogue > 0 && (only === null || id === only));
    const catalogues = wanted.map(({ id, catalogue }) => {
      const db = open(catalogueFile(directory, id, catalogue));
      db.exec("BEGIN");
      const { count } = db.prepare<[], { count: number }>("SELECT count(*) AS count FROM products").get() ?? { count: 0 };
      return { store: id, number: catalogue, db, products: count };
    });
    // What was written to the main database meanwhile may go with what a catalogue has already.
    const isOneMoment = watcher.pragma("data_version", { simple: true }) === before;
    return { main, catalogues, release, isOneMoment };
  } catch {
    release();
    return null;
  }
}

/** Makes the copy of the main database one of its own, and says what is in it. */
function settle(into: string, only: string | null, { catalogues }: Held): StoreInBackup[] {
  const db = new SQLite(join(into, MAIN));
  try {
    db.pragma("journal_mode = DELETE");
    db.pragma("foreign_keys = ON");
    migrateMain(db);
    if (only !== null) {
      db.prepare("DELETE FROM stores WHERE id <> ?").run(only);
      if (db.prepare("SELECT 1 FROM stores").get() === undefined) throw new BackupError(`There is no store “${only}”.`);
      db.exec("DELETE FROM folder");
      db.exec("VACUUM");
    }
    writeFileSync(join(into, "folder.json"), identify(db));
    const products = new Map(catalogues.map((entry) => [entry.store, entry.products]));
    return db
      .prepare<[], Omit<StoreInBackup, "products">>(
        `SELECT id, name, coalesce((SELECT revision FROM drafts WHERE store = id), 0) AS revision,
           (SELECT max(number) FROM releases WHERE store = id) AS release
         FROM stores ORDER BY id`,
      )
      .all()
      .map((row) => ({ ...row, products: products.get(row.id) ?? 0 }));
  } finally {
    db.close();
  }
}
