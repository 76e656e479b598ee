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
const db = connectLoosely(database);
const tally = new LogTally(until);
for (const event of eventsOf(db, store)) tally.add(event);
const stats = tally.result();
const before = beyondQuota(db, store, most);
snapshotsTable(db).insert(store, { number, at: until, stats });
db.close();
parentPort?.postMessage({ before });
