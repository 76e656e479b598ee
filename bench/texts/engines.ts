import SQLite from "better-sqlite3";
import MiniSearch from "minisearch";
import { assembleRows } from "../../src/core/feed/assemble";
import type { Row } from "../../src/core/feed/flatten";
import { proposeMapping } from "../../src/core/feed/mapping";
import { type Ask, ownEngine, PLACES } from "../quality";
import type { TextRow, TextShop } from "./shops";

const FIELDS = ["title", "description"] as const;
const TITLE = 4;

export interface Engine {
  name: string;
  ask: Ask;
}

/** This engine after a fresh import, and general ones beside it. */
export function enginesFor({ rows }: TextShop): Engine[] {
  return [{ name: "Clever Shelf", ask: own(rows) }, ...database(rows), ...library(rows)];
}

export function catalogueOf(rows: readonly TextRow[]) {
  const sent = rows.map(({ id, title, description, brand, category }) => ({ id, title, description, brand, category }) as unknown as Row);
  const { fields, products } = assembleRows(sent, proposeMapping(sent, "en-GB"));
  return { locale: "en-GB", fields, products, pages: [] };
}

const own = (rows: readonly TextRow[]): Ask => ownEngine(catalogueOf(rows));

function database(rows: readonly TextRow[]): Engine[] {
  const db = new SQLite(":memory:");
  db.exec(`CREATE VIRTUAL TABLE p USING fts5 (id UNINDEXED, ${FIELDS.join(", ")}, tokenize = 'porter unicode61')`);
  const insert = db.prepare("INSERT INTO p VALUES (?, ?, ?)");
  for (const { id, title, description } of rows) insert.run(id, title, description);
  const find = db.prepare<[string], { id: string }>(`SELECT id FROM p WHERE p MATCH ? ORDER BY bm25(p, 0, ${TITLE}, 1) LIMIT ${PLACES}`);
  const terms = (query: string) => (query.match(/[\p{L}\p{N}]+/gu) ?? []).map((word) => `"${word}"`);
  const by = (sign: string) => (query: string) => (terms(query).length === 0 ? [] : find.all(terms(query).join(sign)).map(({ id }) => id));
  const [all, any] = [by(" AND "), by(" OR ")];
  return [
    { name: "FTS5, all words", ask: all },
    { name: "FTS5, any word", ask: any },
    { name: "FTS5, filled up", ask: (query) => [...new Set([...all(query), ...any(query)])].slice(0, PLACES) },
  ];
}

function library(rows: readonly TextRow[]): Engine[] {
  const made = new MiniSearch({ fields: [...FIELDS] });
  made.addAll([...rows]);
  const boost = { title: TITLE };
  const first = (found: { id: string }[]) => found.slice(0, PLACES).map(({ id }) => id);
  return [
    { name: "library, plain", ask: (query) => first(made.search(query, { boost }) as never) },
    {
      name: "library, fuzzy",
      ask: (query) => first(made.search(query, { boost, fuzzy: (term) => (term.length < 4 ? 0 : term.length < 8 ? 1 : 2) }) as never),
    },
  ];
}
