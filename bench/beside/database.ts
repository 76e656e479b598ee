import SQLite from "better-sqlite3";
import type { Catalogue } from "../../src/core/catalogue/types";
import { OWN, type Searched } from "../fields";
import type { Asked } from "../shop";
import { columnsOf, documentsOf } from "./columns";

/** A results page by the full-text search of the database: bm25 with weights, the first 24, counts by GROUP BY. */
export function databasePage(catalogue: Catalogue, searched: Searched = OWN): (asked: Asked) => number {
  const db = new SQLite(":memory:");
  const keys = Object.keys(searched.weights);
  db.exec(`CREATE VIRTUAL TABLE p USING fts5 (${keys.map((key) => key.replace("-", "_")).join(", ")}, tokenize = 'porter unicode61')`);
  const columns = columnsOf(catalogue, searched);
  db.transaction(() => {
    const insert = db.prepare(
      `INSERT INTO p (rowid, ${keys.map((key) => key.replace("-", "_")).join(", ")}) VALUES (?, ${keys.map(() => "?").join(", ")})`,
    );
    for (const document of documentsOf(catalogue, searched)) insert.run(document.id, ...keys.map((key) => document[key]));
    columns.forEach(({ held, numbers }, f) => {
      db.exec(`CREATE TABLE f${f} (document INTEGER, value INTEGER, number REAL)`);
      const add = db.prepare(`INSERT INTO f${f} VALUES (?, ?, ?)`);
      held.forEach((values, document) => {
        for (const value of values) add.run(document, value, numbers?.[document] ?? null);
      });
      db.exec(`CREATE INDEX f${f}d ON f${f} (document, value, number)`);
    });
  })();
  db.exec(
    "CREATE TEMP TABLE hits (document INTEGER PRIMARY KEY, score REAL); CREATE TEMP TABLE narrowed (document INTEGER PRIMARY KEY, score REAL)",
  );
  const clear = db.prepare("DELETE FROM hits");
  const find = db.prepare(
    `INSERT INTO hits SELECT rowid, bm25(p, ${keys.map((key) => searched.weights[key]).join(", ")}) FROM p WHERE p MATCH ?`,
  );
  const first = db.prepare("SELECT document FROM narrowed ORDER BY score LIMIT 24");
  const clearNarrowed = db.prepare("DELETE FROM narrowed");

  return ({ query, filters }) => {
    const words = query.match(/[\p{L}\p{N}]+/gu) ?? [];
    if (words.length === 0) return 0;
    clear.run();
    find.run(words.map((word, i) => `"${word}"${i === words.length - 1 ? "*" : ""}`).join(" AND "));
    const conditions = columns.flatMap((column, f) =>
      filters[column.key] ? [{ column, sql: condition(column, f, filters[column.key]) }] : [],
    );
    const narrow = (kept: typeof conditions) => {
      clearNarrowed.run();
      db.prepare(
        `INSERT INTO narrowed SELECT * FROM hits ${kept.length > 0 ? `WHERE ${kept.map(({ sql }) => sql).join(" AND ")}` : ""}`,
      ).run();
    };
    narrow(conditions);
    let counted = first.all().length;
    const count = (f: number) => db.prepare(`SELECT value, count(*) FROM narrowed JOIN f${f} USING (document) GROUP BY value`).all().length;
    columns.forEach((column, f) => {
      if (!filters[column.key]) counted += count(f);
    });
    for (const { column } of conditions) {
      narrow(conditions.filter((other) => other.column !== column));
      counted += count(columns.indexOf(column));
    }
    return counted;
  };
}

function condition(column: ReturnType<typeof columnsOf>[number], f: number, choice: Asked["filters"][string]): string {
  const test =
    "min" in choice
      ? `number BETWEEN ${choice.min} AND ${choice.max}`
      : `value IN (${choice.any.map((value) => column.values.indexOf(value)).join(", ")})`;
  return `EXISTS (SELECT 1 FROM f${f} WHERE f${f}.document = hits.document AND ${test})`;
}
