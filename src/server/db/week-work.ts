import type { WorkState } from "@contract/demand";
import type { Database } from "better-sqlite3";

/** What became of pieces of this week's work, by their ids. */
export function weekWorkTable(db: Database) {
  const all = db.prepare<[string], WorkState & { item: string }>(
    "SELECT item, state, until, person, note, by, at FROM week_work WHERE store = ?",
  );
  const put = db.prepare(
    `INSERT INTO week_work (store, item, state, until, person, note, by, at) VALUES (?, ?, ?, ?, ?, ?, ?, ?)
     ON CONFLICT (store, item) DO UPDATE SET state = excluded.state, until = excluded.until, person = excluded.person, note = excluded.note,
       by = excluded.by, at = excluded.at`,
  );
  return {
    all: (store: string): Map<string, WorkState> => new Map(all.all(store).map(({ item, ...state }) => [item, state])),
    put: (store: string, item: string, { state, until, person, note, by, at }: WorkState): void =>
      void put.run(store, item, state, until, person, note, by, at),
  };
}
export type WeekWork = ReturnType<typeof weekWorkTable>;
