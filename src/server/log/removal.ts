import { Worker } from "node:worker_threads";
import type { EventLog } from "./event-log";

/** Takes a store's events that are older than a moment out of the log, in a thread of its own: that a disk is slow holds up nobody. */
export async function removeEvents(events: Pick<EventLog, "hasOlder">, database: string, store: string, before: string): Promise<void> {
  if (!events.hasOlder(store, before)) return;
  await new Promise<void>((done, fail) => {
    const worker = new Worker(new URL("./removal-worker.js", import.meta.url), { workerData: { database, store, before } });
    worker.once("error", fail);
    worker.once("exit", (code) => (code === 0 ? done() : fail(new Error(`Removing events ended with code ${code}.`))));
  });
}
