import { closeSync, fsyncSync, mkdirSync, openSync, rmSync } from "node:fs";
import { dirname, join } from "node:path";
import type { Catalogue, Field, Page, Product } from "@core/catalogue/types";
import SQLite, { type Database } from "better-sqlite3";

/**
 * Each state of a catalogue is a database file of its own, written whole by an import and taken into use by one
 * update of the store's row: a kill at any moment leaves the former catalogue as it was.
 */

const SCHEMA = `
CREATE TABLE products (id TEXT PRIMARY KEY, place INTEGER NOT NULL, product TEXT NOT NULL) STRICT;
CREATE INDEX products_by_place ON products (place);
CREATE TABLE pages (id TEXT PRIMARY KEY, place INTEGER NOT NULL, page TEXT NOT NULL) STRICT;
CREATE TABLE facts (name TEXT PRIMARY KEY, value TEXT NOT NULL) STRICT;
`;

export function catalogueFile(directory: string, store: string, number: number): string {
  return join(directory, "stores", store, `catalogue-${number}.db`);
}

export function removeCatalogueFile(file: string): void {
  for (const suffix of ["", "-wal", "-shm", "-journal"]) rmSync(file + suffix, { force: true });
  for (const suffix of [".index", ".index.part"]) rmSync(file.replace(/\.db$/, suffix), { force: true });
}

/** Writes a catalogue to a new file. */
export function writeCatalogue(file: string, catalogue: Catalogue, number = 0): void {
  removeCatalogueFile(file);
  mkdirSync(dirname(file), { recursive: true });
  const db = new SQLite(file);
  // Nothing reads the file before it is whole, so one flush at the end is all the safety it needs.
  db.pragma("journal_mode = OFF");
  db.pragma("synchronous = OFF");
  db.exec(SCHEMA);
  const product = db.prepare("INSERT INTO products (id, place, product) VALUES (?, ?, ?)");
  const page = db.prepare("INSERT INTO pages (id, place, page) VALUES (?, ?, ?)");
  const fact = db.prepare("INSERT INTO facts (name, value) VALUES (?, ?)");
  db.transaction(() => {
    catalogue.products.forEach((entry, place) => {
      product.run(entry.id, place, JSON.stringify(entry));
    });
    catalogue.pages.forEach((entry, place) => {
      page.run(entry.id, place, JSON.stringify(entry));
    });
    fact.run("number", String(number));
    fact.run("locale", catalogue.locale);
    fact.run("fields", JSON.stringify(catalogue.fields));
  })();
  // Changing the journal of a large file takes a while, which is better spent here than where it is opened.
  db.pragma("journal_mode = WAL");
  db.close();
  syncToDisk(file);
  // The name of a file is part of its folder.
  syncToDisk(dirname(file));
}

function syncToDisk(path: string): void {
  const descriptor = openSync(path, "r");
  try {
    fsyncSync(descriptor);
  } finally {
    closeSync(descriptor);
  }
}

/** Opens a catalogue for reading and for changes to single products. */
export function openCatalogue(file: string) {
  const db: Database = new SQLite(file, { fileMustExist: true });
  db.pragma("journal_mode = WAL");
  // What was answered with 200 outlives a loss of power.
  db.pragma("synchronous = FULL");
  db.pragma("busy_timeout = 5000");
  const put = db.prepare(
    "INSERT INTO products (id, place, product) VALUES (?, (SELECT coalesce(max(place), -1) + 1 FROM products), ?) ON CONFLICT (id) DO UPDATE SET product = excluded.product",
  );
  const remove = db.prepare("DELETE FROM products WHERE id = ?");
  const putPage = db.prepare(
    "INSERT INTO pages (id, place, page) VALUES (?, (SELECT coalesce(max(place), -1) + 1 FROM pages), ?) ON CONFLICT (id) DO UPDATE SET page = excluded.page",
  );
  const removePage = db.prepare("DELETE FROM pages WHERE id = ?");
  const getFact = db.prepare<[string], { value: string }>("SELECT value FROM facts WHERE name = ?");
  const setFact = db.prepare("INSERT INTO facts (name, value) VALUES (?, ?) ON CONFLICT (name) DO UPDATE SET value = excluded.value");
  const setFacts = db.transaction((facts: Record<string, string>) => {
    for (const [name, value] of Object.entries(facts)) setFact.run(name, value);
  });
  return {
    read: () => readAll(db),
    setFields: (fields: readonly Field[]) => setFacts({ fields: JSON.stringify(fields) }),
    /** The number of the catalogue's state, which grows with every change to a product. */
    number: () => Number(getFact.get("number")?.value ?? 0),
    setNumber: (number: number) => setFact.run("number", String(number)),
    /** Does several changes at once, all or none. */
    together: <T>(changes: () => T): T => db.transaction(changes)(),
    /** Puts several products in at once, all or none. */
    putProducts: db.transaction((products: readonly Product[], removed: readonly string[]) => {
      for (const product of products) put.run(product.id, JSON.stringify(product));
      for (const id of removed) remove.run(id);
    }),
    putPages: db.transaction((pages: readonly Page[], removed: readonly string[]) => {
      for (const id of removed) removePage.run(id);
      for (const page of pages) putPage.run(page.id, JSON.stringify(page));
    }),
    close: () => db.close(),
  };
}
export type CatalogueFile = ReturnType<typeof openCatalogue>;

/** The products of a catalogue file as JSON, one after the other, without holding them all. */
export function* readProductTexts(file: string): Generator<{ id: string; product: string }> {
  const db = new SQLite(file, { fileMustExist: true, readonly: true });
  try {
    yield* db.prepare<[], { id: string; product: string }>("SELECT id, product FROM products ORDER BY place").iterate();
  } finally {
    db.close();
  }
}

/** Fields and pages of a catalogue file. */
export function readFrame(file: string): Pick<Catalogue, "fields" | "pages"> {
  const db = new SQLite(file, { fileMustExist: true, readonly: true });
  try {
    return { fields: readFields(db), pages: readPages(db) };
  } finally {
    db.close();
  }
}

/** The whole catalogue of a file that nobody else writes to. */
export function readCatalogue(file: string): Catalogue {
  const db = new SQLite(file, { fileMustExist: true, readonly: true });
  try {
    return readAll(db);
  } finally {
    db.close();
  }
}

function readFields(db: Database): Field[] {
  return JSON.parse(db.prepare<[], { value: string }>("SELECT value FROM facts WHERE name = 'fields'").get()?.value ?? "[]");
}

function readPages(db: Database): Page[] {
  return db
    .prepare<[], { page: string }>("SELECT page FROM pages ORDER BY place")
    .all()
    .map((row) => JSON.parse(row.page));
}

function readAll(db: Database): Catalogue {
  const fact = (name: string) => db.prepare<[string], { value: string }>("SELECT value FROM facts WHERE name = ?").get(name)?.value;
  return {
    locale: fact("locale") ?? "en",
    fields: readFields(db),
    products: db
      .prepare<[], { product: string }>("SELECT product FROM products ORDER BY place")
      .all()
      .map((row) => JSON.parse(row.product)),
    pages: readPages(db),
  };
}
