import { parentPort } from "node:worker_threads";
import SQLite from "better-sqlite3";

/** Copies journals back into their databases, beside all who read and write them. */
parentPort?.on("message", (file: string) => {
  try {
    const db = new SQLite(file, { fileMustExist: true });
    try {
      db.pragma("wal_checkpoint(PASSIVE)");
    } finally {
      db.close();
    }
    parentPort?.postMessage({ file });
  } catch (error) {
    parentPort?.postMessage({ file, error });
  }
});
