import type { Database } from "better-sqlite3";

export interface ReleaseRow {
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
  const removeFrom = db.prepare("DELETE FROM releases WHERE store = ? AND number >= ?");
  return {
    /** Takes a release of another server as the last one. */
    put: db.transaction((store: string, release: ReleaseRow, settings: unknown) => {
      removeFrom.run(store, release.number);
      insert.run(store, release.number, release.revision, release.note, release.by, release.at, JSON.stringify(settings));
    }),
    all: (store: string) => all.all(store),
    one: (store: string, number: number) => one.get(store, number) ?? null,
    last: (store: string) => last.get(store)?.number ?? null,
    insert: (store: string, release: ReleaseRow, settings: unknown) =>
      insert.run(store, release.number, release.revision, release.note, release.by, release.at, JSON.stringify(settings)),
  };
}
