import { parentPort, workerData } from "node:worker_threads";
import { LogTally } from "@core/log/tally";
import { connectLoosely } from "../db/database";
import { beyondQuota, eventsOf } from "./event-log";
import { snapshotsTable } from "./snapshots-table";

/** Counts a store's log beside the searches, and keeps what came of it. */
const { database, store, number, until, most } = workerData as {
  database: string;
  store: string;
  number: number;
  until: string;
  most: number;
};
/** What is popular, and what proposals rest on, is what was done lately: so many days up to the last one of which there is something. */
const LATELY = 56;
const DAY = 86_400_000;

const db = connectLoosely(database);
const last = db.prepare<[string], string | null>("SELECT max(at) FROM events WHERE store = ?").pluck().get(store);
const from = last ? new Date((Math.floor(Date.parse(last) / DAY) - LATELY + 1) * DAY).toISOString() : "";
const tally = new LogTally(until);
for (const event of eventsOf(db, store, from)) tally.add(event);
const stats = tally.result();
const before = beyondQuota(db, store, most);
snapshotsTable(db).insert(store, { number, at: until, stats });
db.close();
parentPort?.postMessage({ before });
