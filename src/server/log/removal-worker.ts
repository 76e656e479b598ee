import { workerData } from "node:worker_threads";
import { connectLoosely } from "../db/database";
import { removedEvents } from "./event-log";

/** How long others may write between two steps, in ms. */
const PAUSE = 5;
const never = new Int32Array(new SharedArrayBuffer(4));

/** Takes old events out of the log beside the searches. */
const { database, store, before } = workerData as { database: string; store: string; before: string };
const db = connectLoosely(database);
for (const _ of removedEvents(db, store, before)) Atomics.wait(never, 0, 0, PAUSE);
db.close();
