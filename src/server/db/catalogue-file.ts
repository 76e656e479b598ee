import { mkdirSync } from "node:fs";
import { dirname, join } from "node:path";
import type { Catalogue, Field, Page, Product } from "@core/catalogue/types";
import SQLite, { type Database } from "better-sqlite3";
import { addSums, damagedRows, productTexts, readFact, readFields, readPages, readRows, SCHEMA, sumOf } from "./catalogue-rows";
import { Damaged } from "./damage";
import { FILES, type Files } from "./files";

/**
 * Each state of a catalogue is a database file of its own, written whole by an import and taken into use by one
 * update of the store's row: a kill at any moment leaves the former catalogue as it was.
 */

export function catalogueFile(directory: string, store: string, number: number): string {
  return join(directory, "stores", store, `catalogue-${number}.db`);
}

export function removeCatalogueFile(file: string, files: Files = FILES): void {
  for (const suffix of ["", "-wal", "-shm", "-journal"]) files.remove(file + suffix);
  for (const suffix of [".index", ".index.part"]) files.remove(file.replace(/\.db$/, suffix));
}

/** Writes a catalogue to a new file. */
export function writeCatalogue(file: string, catalogue: Catalogue, number = 0, files: Files = FILES): void {
  removeCatalogueFile(file, files);
  mkdirSync(dirname(file), { recursive: true });
  const db = new SQLite(file);
  // Nothing reads the file before it is whole, so one flush at the end is all the safety it needs.
  db.pragma("journal_mode = OFF");
  db.pragma("synchronous = OFF");
  db.exec(SCHEMA);
  const product = db.prepare("INSERT INTO products (id, place, product, sum) VALUES (?, ?, ?, ?)");
  const page = db.prepare("INSERT INTO pages (id, place, page, sum) VALUES (?, ?, ?, ?)");
  const fact = db.prepare("INSERT INTO facts (name, value, sum) VALUES (?, ?, ?)");
  const put = (statement: typeof product, entry: { id: string }, place: number) => {
    const text = JSON.stringify(entry);
    statement.run(entry.id, place, text, sumOf(entry.id, text));
  };
  const say = (name: string, value: string) => fact.run(name, value, sumOf(name, value));
  db.transaction(() => {
    catalogue.products.forEach((entry, place) => {
      put(product, entry, place);
    });
    catalogue.pages.forEach((entry, place) => {
      put(page, entry, place);
    });
    say("number", String(number));
    say("locale", catalogue.locale);
    say("fields", JSON.stringify(catalogue.fields));
  })();
  // Changing the journal of a large file takes a while, which is better spent here than where it is opened.
  db.pragma("journal_mode = WAL");
  db.close();
  files.sync(file);
  // The name of a file is part of its folder.
  files.sync(dirname(file));
}

/** Opens a catalogue for reading and for changes to single products. */
export function openCatalogue(file: string) {
  const db: Database = new SQLite(file, { fileMustExist: true });
  try {
    db.pragma("journal_mode = WAL");
    // What was answered with 200 outlives a loss of power.
    db.pragma("synchronous = FULL");
    db.pragma("busy_timeout = 5000");
    addSums(db);
    return changesOf(db);
  } catch (error) {
    db.close();
    throw error;
  }
}
export type CatalogueFile = ReturnType<typeof openCatalogue>;

function changesOf(db: Database) {
  const place = (table: string) => `(SELECT coalesce(max(place), -1) + 1 FROM ${table})`;
  const put = db.prepare(
    `INSERT INTO products (id, place, product, sum) VALUES (?, ${place("products")}, ?, ?)
     ON CONFLICT (id) DO UPDATE SET product = excluded.product, sum = excluded.sum`,
  );
  const remove = db.prepare("DELETE FROM products WHERE id = ?");
  const putPage = db.prepare(
    `INSERT INTO pages (id, place, page, sum) VALUES (?, ?, ?, ?)
     ON CONFLICT (id) DO UPDATE SET page = excluded.page, sum = excluded.sum`,
  );
  const lastPage = db.prepare<[], { place: number }>("SELECT coalesce(max(place), -1) AS place FROM pages");
  const removePage = db.prepare("DELETE FROM pages WHERE id = ?");
  const setFact = db.prepare(
    "INSERT INTO facts (name, value, sum) VALUES (?, ?, ?) ON CONFLICT (name) DO UPDATE SET value = excluded.value, sum = excluded.sum",
  );
  const set = (name: string, value: string) => void setFact.run(name, value, sumOf(name, value));
  const write = (statement: typeof put, entry: { id: string }) => {
    const text = JSON.stringify(entry);
    statement.run(entry.id, text, sumOf(entry.id, text));
  };
  return {
    read: () => readRows(db),
    damagedRows: () => damagedRows(db),
    setFields: (fields: readonly Field[]): void => set("fields", JSON.stringify(fields)),
    /** The number of the catalogue's state, which grows with every change to a product. */
    number: () => Number(readFact(db, "number") ?? 0),
    setNumber: (number: number) => set("number", String(number)),
    /** Does several changes at once, all or none. */
    together: <T>(changes: () => T): T => db.transaction(changes)(),
    /** Puts several products in at once, all or none. */
    putProducts: db.transaction((products: readonly Product[], removed: readonly string[]) => {
      for (const product of products) write(put, product);
      for (const id of removed) remove.run(id);
    }),
    putPages: db.transaction((pages: readonly Page[], removed: readonly string[]) => {
      for (const id of removed) removePage.run(id);
      // Looked for once: there is no index of their places.
      let place = lastPage.get()?.place ?? -1;
      for (const page of pages) {
        const text = JSON.stringify(page);
        putPage.run(page.id, ++place, text, sumOf(page.id, text));
      }
    }),
    /** Looks whether the file is whole as a database; it reads all of it. @throws Damaged. */
    check(): void {
      const said = db.pragma("quick_check(1)", { simple: true });
      if (said !== "ok") throw new Damaged(String(said));
    },
    close: () => db.close(),
  };
}

function withReading<T>(file: string, read: (db: Database) => T): T {
  const db = new SQLite(file, { fileMustExist: true, readonly: true });
  try {
    return read(db);
  } finally {
    db.close();
  }
}

/** The products of a catalogue file as JSON, one after the other, without holding them all; damaged rows are as ones that are not there. */
export function* readProductTexts(file: string): Generator<{ id: string; product: string }> {
  const db = new SQLite(file, { fileMustExist: true, readonly: true });
  try {
    yield* productTexts(db);
  } finally {
    db.close();
  }
}

/** How many products a catalogue file holds; 0 where it cannot be read. */
export function countProducts(file: string): number {
  try {
    return withReading(file, (db) => db.prepare<[], number>("SELECT count(*) FROM products").pluck().get() ?? 0);
  } catch {
    return 0;
  }
}

/** Fields and pages of a catalogue file. */
export const readFrame = (file: string): Pick<Catalogue, "fields" | "pages"> =>
  withReading(file, (db) => ({ fields: readFields(db), pages: readPages(db) }));

/** The whole catalogue of a file that nobody else writes to. @throws Damaged. */
export function readCatalogue(file: string): Catalogue {
  return withReading(file, (db) => {
    const { catalogue, damaged } = readRows(db);
    if (damaged.length > 0) throw new Damaged(`${damaged.length} rows of ${file} are damaged.`);
    return catalogue;
  });
}
