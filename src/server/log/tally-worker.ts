import { parentPort, workerData } from "node:worker_threads";
import { LogTally } from "@core/log/tally";
import SQLite from "better-sqlite3";
import { eventsOf } from "./event-log";

/** Counts a store's log beside the searches. */
const { database, store, until } = workerData as { database: string; store: string; until: string };
const db = new SQLite(database, { readonly: true });
const tally = new LogTally(until);
for (const event of eventsOf(db, store)) tally.add(event);
db.close();
parentPort?.postMessage(tally.result());
