import { Worker } from "node:worker_threads";
import type { Database } from "better-sqlite3";
import { noteTrouble } from "../operations/trouble";
import type { EventLog } from "./event-log";
import { removeEvents } from "./removal";
import { type LogSnapshot, snapshotsTable } from "./snapshots-table";

const DAY = 86_400_000;

/**
 * The numbered snapshots of the log: all that an answer takes from the log comes from one of them.
 * @param most events of a store that are kept.
 */
export function logSnapshots(db: Database, database: string, events: EventLog, most = Number.POSITIVE_INFINITY) {
  const table = snapshotsTable(db);
  /** Number of the latest of each store. */
  const numbers = new Map<string, number>();
  /** The ones that were read in this thread. */
  const memory = new Map<string, LogSnapshot>();
  /** Newest event that a store's snapshot knows. */
  const counted = new Map<string, number>();
  const running = new Map<string, Promise<void>>();

  function numberOf(store: string): number {
    const known = numbers.get(store) ?? table.newest(store).number;
    numbers.set(store, known);
    return known;
  }

  function of(store: string): LogSnapshot {
    const known = memory.get(store);
    if (known?.number === numberOf(store)) return known;
    const snapshot = table.latest(store);
    memory.set(store, snapshot);
    return snapshot;
  }

  async function count(store: string): Promise<void> {
    events.flush();
    const newest = events.newest(store);
    const until = new Date().toISOString();
    await removeEvents(events, database, store, new Date(Date.now() - events.keepDays(store) * DAY).toISOString());
    const number = numberOf(store) + 1;
    const { before } = await tallyIn({ database, store, number, until, most });
    // What is too many is in this count for the last time.
    await removeEvents(events, database, store, before);
    numbers.set(store, number);
    counted.set(store, newest);
  }

  return {
    of,
    /** The number of the latest; 0 before the first count. */
    numberOf,
    /** Takes a snapshot of another server as the last one. */
    follow(store: string, snapshot: LogSnapshot): void {
      table.put(store, snapshot);
      numbers.set(store, snapshot.number);
    },
    /** Counts the log anew; two who ask at once get the same. */
    take(store: string): Promise<void> {
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
        if (newest > 0 && counted.get(store) === undefined && table.newest(store).at >= events.lastMoment(store))
          counted.set(store, newest);
        if (newest > 0 && counted.get(store) !== newest)
          await this.take(store).catch((error: unknown) => noteTrouble(`The log of “${store}” is not counted`, error));
      }
    },
    forget(store: string): void {
      numbers.delete(store);
      memory.delete(store);
      counted.delete(store);
    },
  };
}
export type LogSnapshots = ReturnType<typeof logSnapshots>;

/** Counts a log in another thread, which keeps what it came to. @returns the moment before which there are more events than may be kept. */
function tallyIn(workerData: {
  database: string;
  store: string;
  number: number;
  until: string;
  most: number;
}): Promise<{ before: string }> {
  return new Promise((done, fail) => {
    const worker = new Worker(new URL("./tally-worker.js", import.meta.url), { workerData });
    worker.once("message", done);
    worker.once("error", fail);
    worker.once("exit", (code) => fail(new Error(`Counting the log ended with code ${code}.`)));
  });
}
