import type { Database } from "better-sqlite3";

interface ReleaseRow {
  number: number;
  revision: number;
  note: string;
  by: string;
  at: string;
}

const COLUMNS = "number, revision, note, by, at";

/** Releases: copies of the settings that never change. */
export function releasesTable(db: Database) {
  const all = db.prepare<[string], ReleaseRow>(`SELECT ${COLUMNS} FROM releases WHERE store = ? ORDER BY number DESC`);
  const one = db.prepare<[string, number], ReleaseRow & { settings: string }>(
    `SELECT ${COLUMNS}, settings FROM releases WHERE store = ? AND number = ?`,
  );
  const last = db.prepare<[string], { number: number | null }>("SELECT max(number) AS number FROM releases WHERE store = ?");
  const insert = db.prepare(`INSERT INTO releases (store, ${COLUMNS}, settings) VALUES (?, ?, ?, ?, ?, ?, ?)`);
  return {
    all: (store: string) => all.all(store),
    one: (store: string, number: number) => one.get(store, number) ?? null,
    last: (store: string) => last.get(store)?.number ?? null,
    insert: (store: string, release: ReleaseRow, settings: unknown) =>
      insert.run(store, release.number, release.revision, release.note, release.by, release.at, JSON.stringify(settings)),
  };
}
