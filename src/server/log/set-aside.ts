import type { Database } from "better-sqlite3";

/** A search that fails and is left so. */
export interface SetAside {
  text: string;
  reason: string;
  by: string;
  at: string;
}

/** Searches that are not to be repaired: not of the range. */
export function setAsideTable(db: Database) {
  const all = db.prepare<[string], SetAside>("SELECT text, reason, by, at FROM set_aside WHERE store = ? ORDER BY text");
  const put = db.prepare(
    `INSERT INTO set_aside (store, text, reason, by, at) VALUES (?, ?, ?, ?, ?)
     ON CONFLICT (store, text) DO UPDATE SET reason = excluded.reason, by = excluded.by, at = excluded.at`,
  );
  const remove = db.prepare("DELETE FROM set_aside WHERE store = ? AND text = ?");
  return {
    all: (store: string): SetAside[] => all.all(store),
    put: (store: string, { text, reason, by, at }: SetAside): void => void put.run(store, text, reason, by, at),
    remove: (store: string, text: string): boolean => remove.run(store, text).changes > 0,
  };
}
