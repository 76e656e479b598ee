import { randomUUID } from "node:crypto";
import { rmSync } from "node:fs";
import { Worker } from "node:worker_threads";
import { catalogueFile, removeCatalogueFile } from "../db/catalogue-file";
import type { Job } from "../db/jobs";
import type { Engine } from "../engine/engine";
import { Problem } from "../http/problem";
import type { ImportMessage, ImportTask } from "./messages";

/** A replace that would remove more than this share of the products waits for a yes. */
export const MOST_REMOVED = 0.3;

interface Running {
  job: Job;
  worker: Worker;
  task: ImportTask;
  number: number;
}

/** Imports that are under way, one a store at a time. */
export function createImports(engine: Engine) {
  const running = new Map<string, Running>();

  function save(job: Job): void {
    engine.tables.jobs.save(job);
  }

  function end(entry: Running): void {
    running.delete(entry.job.id);
    rmSync(entry.task.upload, { force: true });
    save(entry.job);
    void entry.worker.terminate();
  }

  function fail(entry: Running, message: string): void {
    if (!running.has(entry.job.id)) return;
    entry.job.state = "failed";
    entry.job.message = message;
    removeCatalogueFile(entry.task.next);
    end(entry);
  }

  function hear(entry: Running, message: ImportMessage): void {
    const { job, task, worker } = entry;
    if (message.kind === "progress") {
      Object.assign(job, { done: message.done, total: message.total, message: message.message });
      return;
    }
    if (message.kind === "failed") {
      Object.assign(job, { problems: message.problems, problemCount: message.problemCount });
      fail(entry, message.message);
      return;
    }
    if (message.kind === "written") {
      Object.assign(job, { problems: message.problems, problemCount: message.problemCount, result: { ...message.counts, dry: task.dry } });
      if (task.dry) {
        job.state = "done";
        job.message = "Dry run: nothing was changed.";
        end(entry);
      } else if (task.mode === "replace" && message.removedShare > MOST_REMOVED) {
        job.state = "waiting";
        job.message = `This file would remove ${message.counts.removed} products, ${Math.round(message.removedShare * 100)} % of the catalogue. Confirm if that is meant.`;
        save(job);
      } else {
        worker.postMessage({ kind: "index" });
      }
      return;
    }
    const store = engine.store(job.store);
    engine.adopt(store, entry.number, message.index);
    job.state = "done";
    job.done = job.total = store.catalogue.products.length;
    job.message = `${store.catalogue.products.length} products are in use.`;
    end(entry);
  }

  return {
    start(store: string, upload: string, options: Pick<ImportTask, "format" | "mode" | "wishes" | "dry">): string {
      if ([...running.values()].some((entry) => entry.job.store === store)) {
        rmSync(upload, { force: true });
        throw new Problem(409, "An import of this store is under way. Wait for it or cancel it first.");
      }
      const { row } = engine.store(store);
      const number = row.catalogue + 1;
      const task: ImportTask = {
        ...options,
        upload,
        locale: row.locale,
        next: catalogueFile(engine.directory, store, number),
        current: row.catalogue > 0 ? catalogueFile(engine.directory, store, row.catalogue) : null,
      };
      const id = randomUUID();
      engine.tables.jobs.insert(id, store, "import");
      const job: Job = {
        id,
        store,
        kind: "import",
        state: "running",
        done: 0,
        total: 0,
        message: "Reading the file",
        problems: [],
        problemCount: 0,
        result: null,
      };
      const worker = new Worker(new URL("./import-worker.js", import.meta.url), { workerData: task });
      const entry: Running = { job, worker, task, number };
      running.set(id, entry);
      worker.on("message", (message: ImportMessage) => {
        try {
          hear(entry, message);
        } catch (error) {
          fail(entry, `The import failed: ${error instanceof Error ? error.message : String(error)}. The catalogue was left as it was.`);
        }
      });
      worker.on("error", (error) => fail(entry, `The import failed: ${error.message}. The catalogue was left as it was.`));
      return id;
    },
    job(id: string): Job | null {
      return running.get(id)?.job ?? engine.tables.jobs.one(id);
    },
    confirm(id: string): void {
      const entry = running.get(id);
      if (entry?.job.state !== "waiting") throw new Problem(409, "This job does not wait for a yes.");
      entry.job.state = "running";
      entry.worker.postMessage({ kind: "index" });
    },
    cancel(id: string): void {
      const entry = running.get(id);
      if (!entry) return;
      entry.job.state = "cancelled";
      entry.job.message = "Cancelled. The catalogue was left as it was.";
      running.delete(id);
      void entry.worker.terminate().then(() => {
        rmSync(entry.task.upload, { force: true });
        removeCatalogueFile(entry.task.next);
      });
      save(entry.job);
    },
    async close(): Promise<void> {
      await Promise.all([...running.values()].map((entry) => entry.worker.terminate()));
    },
  };
}
export type Imports = ReturnType<typeof createImports>;
