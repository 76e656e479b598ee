import { type LogStats, NO_STATS } from "@core/log/tally";
import type { Database } from "better-sqlite3";
import { readKeptJson } from "../db/kept-json";

/** What the log came to at a moment. */
export interface LogSnapshot {
  /** Counts up; 0 before the log was counted for the first time. */
  number: number;
  at: string;
  stats: LogStats;
}

const KEPT = 3;

/** The snapshots of the log that are kept: the last ones of each store. */
export function snapshotsTable(db: Database) {
  const latest = db.prepare<[string], { number: number; at: string; stats: string }>(
    "SELECT number, at, stats FROM log_snapshots WHERE store = ? ORDER BY number DESC LIMIT 1",
  );
  const insert = db.prepare("INSERT INTO log_snapshots (store, number, at, stats) VALUES (?, ?, ?, ?)");
  const thin = db.prepare("DELETE FROM log_snapshots WHERE store = ? AND number <= ?");
  return {
    latest(store: string): LogSnapshot | null {
      const row = latest.get(store);
      // One that is damaged is counted anew; its number is taken, so that no answer is taken for another.
      return row ? { ...row, stats: { ...NO_STATS, ...readKeptJson<Partial<LogStats>>(row.stats, {}) } } : null;
    },
    insert: db.transaction((store: string, { number, at, stats }: LogSnapshot) => {
      insert.run(store, number, at, JSON.stringify(stats));
      thin.run(store, number - KEPT);
    }),
  };
}
