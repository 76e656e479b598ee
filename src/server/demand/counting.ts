import { mkdirSync } from "node:fs";
import { Worker } from "node:worker_threads";
import type { StoreRow } from "../db/stores";
import type { EventLog } from "../log/event-log";
import { noteTrouble } from "../operations/trouble";
import { demandFile } from "./database";

/** Keeps what shoppers did counted, each store in a thread of its own while there is something to count. */
export function demandCounting(database: string, storeFolder: (store: string) => string, events: EventLog) {
  const running = new Map<string, Promise<void>>();
  /** The newest event that is counted, of stores that were counted since the start. */
  const counted = new Map<string, number>();
  let isClosed = false;

  async function count({ id: store, timeZone, currency, locale }: StoreRow): Promise<void> {
    events.flush();
    const newest = events.newest(store);
    if (newest === 0 || counted.get(store) === newest) return;
    mkdirSync(storeFolder(store), { recursive: true });
    await inThread({ database, file: demandFile(storeFolder(store)), store, timeZone, currency, locale, newest });
    counted.set(store, newest);
  }

  return {
    /** Counts what is not counted yet; two who ask at once get the same. */
    count(row: StoreRow): Promise<void> {
      const known = running.get(row.id);
      if (known) return known;
      const work = count(row).finally(() => running.delete(row.id));
      running.set(row.id, work);
      return work;
    },
    async refresh(rows: readonly StoreRow[]): Promise<void> {
      for (const row of rows) {
        if (isClosed) return;
        await this.count(row).catch((error: unknown) => noteTrouble(`What shoppers of “${row.id}” did is not counted`, error));
      }
    },
    close(): void {
      isClosed = true;
    },
    forget: (store: string): void => void counted.delete(store),
  };
}

function inThread(workerData: object): Promise<void> {
  return new Promise((done, fail) => {
    const worker = new Worker(new URL("./count-worker.js", import.meta.url), { workerData });
    worker.once("message", () => done());
    worker.once("error", fail);
    worker.once("exit", (code) => fail(new Error(`Counting what shoppers did ended with code ${code}.`)));
  });
}
