import { crc32 } from "node:zlib";
import type { Catalogue, Field, Page, Product } from "@core/catalogue/types";
import type { Database } from "better-sqlite3";
import { Damaged } from "./damage";

/**
 * The tables of a catalogue file. Each row has a checksum of what it says, so that a changed byte is found where nobody would see it: a
 * price is a number before and after. It is null in files of former versions, whose rows are believed.
 */
export const SCHEMA = `
CREATE TABLE products (id TEXT PRIMARY KEY, place INTEGER NOT NULL, product TEXT NOT NULL, sum INTEGER) STRICT;
CREATE INDEX products_by_place ON products (place);
CREATE TABLE pages (id TEXT PRIMARY KEY, place INTEGER NOT NULL, page TEXT NOT NULL, sum INTEGER) STRICT;
CREATE TABLE facts (name TEXT PRIMARY KEY, value TEXT NOT NULL, sum INTEGER) STRICT;
`;

/** Adds what a file of a former version lacks. */
export function addSums(db: Database): void {
  for (const table of ["products", "pages", "facts"]) {
    const has = db.prepare("SELECT 1 FROM pragma_table_info(?) WHERE name = 'sum'").get(table);
    if (!has) db.exec(`ALTER TABLE ${table} ADD COLUMN sum INTEGER`);
  }
}

/** The checksum of a row, with its name, so that no row stands for another. */
export const sumOf = (name: string, text: string): number => crc32(`${name}\n${text}`);

interface Row {
  id: string;
  text: string;
  sum: number | null;
}

const isWhole = ({ id, text, sum }: Row): boolean => sum === null || sum === sumOf(id, text);

const products = (db: Database) => db.prepare<[], Row>("SELECT id, product AS text, sum FROM products ORDER BY place");
const pages = (db: Database) => db.prepare<[], Row>("SELECT id, page AS text, sum FROM pages ORDER BY place");

/** The products of a catalogue as JSON, one after the other, without holding them all; damaged rows are as ones that are not there. */
export function* productTexts(db: Database): Generator<{ id: string; product: string }> {
  for (const row of products(db).iterate()) {
    if (isWhole(row)) yield { id: row.id, product: row.text };
  }
}

const PAGE = 200;

/**
 * Ids of the products and of the pages whose rows are damaged, a step for some of them each. Between two steps nothing is held open, so
 * that products can be changed meanwhile.
 */
export function* damagedRows(db: Database): Generator<void, { products: string[]; pages: string[] }> {
  return { products: yield* damagedIn(db, "products", "product"), pages: yield* damagedIn(db, "pages", "page") };
}

function* damagedIn(db: Database, table: string, column: string): Generator<void, string[]> {
  const some = db.prepare<[number], Row & { number: number }>(
    `SELECT rowid AS number, id, ${column} AS text, sum FROM ${table} WHERE rowid > ? ORDER BY rowid LIMIT ${PAGE}`,
  );
  const found: string[] = [];
  let last = 0;
  for (let rows = some.all(last); rows.length > 0; rows = some.all(last)) {
    for (const row of rows) if (!isWhole(row)) found.push(row.id);
    last = rows[rows.length - 1].number;
    yield;
  }
  return found;
}

export function readFact(db: Database, name: string): string | null {
  const row = db.prepare<[string], Row>("SELECT name AS id, value AS text, sum FROM facts WHERE name = ?").get(name);
  if (row && !isWhole(row)) throw new Damaged(`What the catalogue says of itself is damaged (${name}).`);
  return row?.text ?? null;
}

/** @throws Damaged. */
export const readFields = (db: Database): Field[] => JSON.parse(readFact(db, "fields") ?? "[]");

/** The things of rows that can be read; the ids of what cannot are added to a list. */
function readThings<T>(rows: readonly Row[], damaged: string[]): T[] {
  return rows.flatMap((row) => {
    if (isWhole(row))
      try {
        return [JSON.parse(row.text) as T];
      } catch {
        // One of a former version, without a checksum.
      }
    damaged.push(row.id);
    return [];
  });
}

export const readPages = (db: Database, damaged: string[] = []): Page[] => readThings(pages(db).all(), damaged);

/** What of a catalogue can be read, and the ids of what cannot. @throws Damaged where nothing can. */
export function readRows(db: Database): { catalogue: Catalogue; damaged: string[] } {
  const damaged: string[] = [];
  const catalogue = {
    locale: readFact(db, "locale") ?? "en",
    fields: readFields(db),
    products: readThings<Product>(products(db).all(), damaged),
    pages: readPages(db, damaged),
  };
  return { catalogue, damaged };
}
