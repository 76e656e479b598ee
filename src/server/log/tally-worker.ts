import { parentPort, workerData } from "node:worker_threads";
import { LogTally } from "@core/log/tally";
import SQLite from "better-sqlite3";
import { beyondQuota, eventsOf } from "./event-log";

/** Counts a store's log beside the searches. */
const { database, store, until, most } = workerData as { database: string; store: string; until: string; most: number };
const db = new SQLite(database, { readonly: true });
const tally = new LogTally(until);
for (const event of eventsOf(db, store)) tally.add(event);
const before = beyondQuota(db, store, most);
db.close();
parentPort?.postMessage({ stats: tally.result(), before });
