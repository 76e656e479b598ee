import { parentPort, workerData } from "node:worker_threads";
import SQLite from "better-sqlite3";
import { numberedEvents } from "../log/event-log";
import { countNewEvents } from "./count-events";
import { type CountedFor, openDemand } from "./database";

/** Counts what shoppers of a store did since it was counted last, beside the searches. */
const { database, file, store, ...of } = workerData as { database: string; file: string; store: string; locale: string } & CountedFor;
const events = new SQLite(database, { readonly: true, fileMustExist: true });
events.pragma("busy_timeout = 5000");
const db = openDemand(file, of);
let counted = 0;
for (const count of countNewEvents(db, numberedEvents(events, store), of)) counted += count;
db.close();
events.close();
parentPort?.postMessage({ counted });
