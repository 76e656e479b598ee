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

export const NO_SNAPSHOT: LogSnapshot = { number: 0, at: "", stats: NO_STATS };

/** Reads the latest snapshots of stores; for whoever only reads. */
export function readSnapshots(db: Database): (store: string) => LogSnapshot {
  const latest = db.prepare<[string], { number: number; at: string; stats: string }>(
    "SELECT number, at, stats FROM log_snapshots WHERE store = ? ORDER BY number DESC LIMIT 1",
  );
  return (store) => {
    const row = latest.get(store);
    // One that is damaged is counted anew; its number is taken, so that no answer is taken for another.
    return row ? { ...row, stats: { ...NO_STATS, ...readKeptJson<Partial<LogStats>>(row.stats, {}) } } : NO_SNAPSHOT;
  };
}

/** The snapshots of the log that are kept: the last ones of each store. */
export function snapshotsTable(db: Database) {
  const newest = db.prepare<[string], { number: number; at: string }>(
    "SELECT number, at FROM log_snapshots WHERE store = ? ORDER BY number DESC LIMIT 1",
  );
  const insert = db.prepare("INSERT INTO log_snapshots (store, number, at, stats) VALUES (?, ?, ?, ?)");
  const removeFrom = db.prepare("DELETE FROM log_snapshots WHERE store = ? AND number >= ?");
  const thin = db.prepare("DELETE FROM log_snapshots WHERE store = ? AND number <= ?");
  return {
    latest: readSnapshots(db),
    /** Number of the latest, and when it was taken; 0 and "" where there is none. */
    newest: (store: string): { number: number; at: string } => newest.get(store) ?? { number: 0, at: "" },
    /** Takes a snapshot of another server as the last one. */
    put: db.transaction((store: string, { number, at, stats }: LogSnapshot) => {
      removeFrom.run(store, number);
      insert.run(store, number, at, JSON.stringify(stats));
      thin.run(store, number - 1);
    }),
    insert: db.transaction((store: string, { number, at, stats }: LogSnapshot) => {
      insert.run(store, number, at, JSON.stringify(stats));
      thin.run(store, number - KEPT);
    }),
  };
}
