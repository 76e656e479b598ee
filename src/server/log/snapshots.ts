import { Worker } from "node:worker_threads";
import { type LogStats, NO_STATS } from "@core/log/tally";
import type { Database } from "better-sqlite3";
import { noteTrouble } from "../operations/trouble";
import type { EventLog } from "./event-log";
import { removeEvents } from "./removal";
import { type LogSnapshot, snapshotsTable } from "./snapshots-table";

const NO_SNAPSHOT: LogSnapshot = { number: 0, at: "", stats: NO_STATS };
const DAY = 86_400_000;

/**
 * The numbered snapshots of the log: all that an answer takes from the log comes from one of them.
 * @param most events of a store that are kept.
 */
export function logSnapshots(db: Database, database: string, events: EventLog, most = Number.POSITIVE_INFINITY) {
  const table = snapshotsTable(db);
  const memory = new Map<string, LogSnapshot>();
  /** Newest event that a store's snapshot knows. */
  const counted = new Map<string, number>();
  const running = new Map<string, Promise<LogSnapshot>>();

  function of(store: string): LogSnapshot {
    const known = memory.get(store);
    if (known) return known;
    const snapshot = table.latest(store) ?? NO_SNAPSHOT;
    memory.set(store, snapshot);
    return snapshot;
  }

  async function count(store: string): Promise<LogSnapshot> {
    events.flush();
    const newest = events.newest(store);
    const at = new Date().toISOString();
    await removeEvents(events, database, store, new Date(Date.now() - events.keepDays(store) * DAY).toISOString());
    const number = of(store).number + 1;
    const { stats, before } = await tallyIn({ database, store, number, until: at, most });
    // What is too many is in this count for the last time.
    await removeEvents(events, database, store, before);
    const snapshot = { number, at, stats };
    memory.set(store, snapshot);
    counted.set(store, newest);
    return snapshot;
  }

  return {
    of,
    /** Counts the log anew; two who ask at once get the same. */
    take(store: string): Promise<LogSnapshot> {
      const known = running.get(store);
      if (known) return known;
      const work = count(store).finally(() => running.delete(store));
      running.set(store, work);
      return work;
    },
    /** Counts the logs of which more is known than was counted. */
    async refresh(stores: readonly string[]): Promise<void> {
      for (const store of stores) {
        const newest = events.newest(store);
        if (newest > 0 && counted.get(store) === undefined && of(store).stats.until >= events.lastMoment(store)) counted.set(store, newest);
        if (newest > 0 && counted.get(store) !== newest)
          await this.take(store).catch((error: unknown) => noteTrouble(`The log of “${store}” is not counted`, error));
      }
    },
    forget(store: string): void {
      memory.delete(store);
      counted.delete(store);
    },
  };
}
export type LogSnapshots = ReturnType<typeof logSnapshots>;

/** @returns what the log comes to, and the moment before which there are more events than may be kept. */
function tallyIn(workerData: {
  database: string;
  store: string;
  number: number;
  until: string;
  most: number;
}): Promise<{ stats: LogStats; before: string }> {
  return new Promise((done, fail) => {
    const worker = new Worker(new URL("./tally-worker.js", import.meta.url), { workerData });
    worker.once("message", done);
    worker.once("error", fail);
    worker.once("exit", (code) => fail(new Error(`Counting the log ended with code ${code}.`)));
  });
}
