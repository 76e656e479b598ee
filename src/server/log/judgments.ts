import type { Database } from "better-sqlite3";

/** What somebody thought of a product as a result of a search. */
export interface Judgment {
  query: string;
  product: string;
  verdict: "good" | "bad";
  by: string;
  at: string;
}

/** The judgments of results, one for each query and product. */
export function judgmentsTable(db: Database) {
  const ofQuery = db.prepare<[string, string], Judgment>(
    "SELECT query, product, verdict, by, at FROM judgments WHERE store = ? AND query = ? ORDER BY product",
  );
  const all = db.prepare<[string], Judgment>(
    "SELECT query, product, verdict, by, at FROM judgments WHERE store = ? ORDER BY query, product",
  );
  const put = db.prepare(
    `INSERT INTO judgments (store, query, product, verdict, by, at) VALUES (?, ?, ?, ?, ?, ?)
     ON CONFLICT (store, query, product) DO UPDATE SET verdict = excluded.verdict, by = excluded.by, at = excluded.at`,
  );
  const remove = db.prepare("DELETE FROM judgments WHERE store = ? AND query = ? AND product = ?");
  return {
    ofQuery: (store: string, query: string): Judgment[] => ofQuery.all(store, query),
    all: (store: string): Judgment[] => all.all(store),
    put: (store: string, { query, product, verdict, by, at }: Judgment): void => void put.run(store, query, product, verdict, by, at),
    remove: (store: string, query: string, product: string): void => void remove.run(store, query, product),
  };
}
