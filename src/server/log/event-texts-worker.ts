import { parentPort, workerData } from "node:worker_threads";
import SQLite from "better-sqlite3";
import { type EventFormat, linesOf } from "./event-lines";
import { eventsOf } from "./event-log";

/** Writes a store's events as text beside the searches: a piece whenever one is asked for, null after the last. */
const { database, store, format } = workerData as { database: string; store: string; format: EventFormat };
const db = new SQLite(database, { readonly: true });
const pieces = linesOf(eventsOf(db, store), format);
parentPort?.on("message", () => {
  const { value, done } = pieces.next();
  parentPort?.postMessage(done ? null : value);
  if (!done) return;
  db.close();
  parentPort?.close();
});
