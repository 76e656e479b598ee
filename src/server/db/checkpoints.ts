import { stat } from "node:fs/promises";
import { Worker } from "node:worker_threads";
import type { Database } from "better-sqlite3";
import { noteTrouble } from "../operations/trouble";

/** Size of a journal in bytes from which it is copied back into its database. */
const LARGE = 4 * 1024 * 1024;
const LOOK_EVERY = 1_000;
/** Pages of 4 kB from which the database copies its journal back itself, within the call that writes: where nobody else came to it. */
const AT_MOST = 100_000;
/** What a journal keeps of its size once it was copied back, in bytes. */
const KEPT = 64 * 1024 * 1024;

/**
 * Copies the journals of databases back in a thread of its own: done by the connection that writes, that waits for the disk, and all
 * searches with it.
 */
export class Checkpoints {
  private readonly files = new Set<string>();
  private readonly underWay = new Set<string>();
  private worker: Worker | null = null;
  private readonly looking = setInterval(() => void this.look(), LOOK_EVERY);

  constructor() {
    this.looking.unref();
  }

  /** From now on sees to the journal of a connection's database. */
  watch(db: Database): void {
    db.pragma(`wal_autocheckpoint = ${AT_MOST}`);
    db.pragma(`journal_size_limit = ${KEPT}`);
    this.files.add(db.name);
  }

  close(): void {
    clearInterval(this.looking);
    this.files.clear();
    void this.worker?.terminate();
  }

  private async look(): Promise<void> {
    for (const file of this.files) {
      const journal = await stat(`${file}-wal`).catch(() => null);
      if (!journal || journal.size < LARGE || this.underWay.has(file)) continue;
      this.underWay.add(file);
      this.worker ??= this.start();
      this.worker.postMessage(file);
    }
  }

  private start(): Worker {
    const worker = new Worker(new URL("./checkpoint-worker.js", import.meta.url));
    worker.unref();
    worker.on("message", ({ file, error }: { file: string; error?: Error }) => {
      this.underWay.delete(file);
      if (error) noteTrouble(`The journal of ${file} is not copied back`, error);
    });
    worker.on("error", (error) => {
      this.worker = null;
      this.underWay.clear();
      noteTrouble("Journals are not copied back", error);
    });
    return worker;
  }
}
