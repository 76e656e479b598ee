import { randomUUID } from "node:crypto";
import { copyFileSync, existsSync, linkSync, readdirSync, renameSync, rmSync } from "node:fs";
import { totalmem } from "node:os";
import { join } from "node:path";
import { setImmediate as pause } from "node:timers/promises";
import type { GroupingWay } from "@core/feed/group-options";
import type { Wish } from "@core/feed/mapping";
import { catalogueFile, removeCatalogueFile } from "../db/catalogue-file";
import { discard } from "../db/discard";
import { indexFile, openIndex } from "../db/index-file";
import type { Job } from "../db/jobs";
import { endAt } from "../end-at";
import type { Engine } from "../engine/engine";
import type { Store } from "../engine/store";
import type { Format } from "../feed/formats";
import { Problem } from "../http/problem";
import type { ImportMessage, ImportReport, ImportTask } from "./messages";
import { startProcess } from "./own-process";

interface Running {
  job: Job;
  process: ReturnType<typeof startProcess> | null;
  task: ImportTask;
  catalogue: number;
}

/** What whoever sends a feed decides about it. */
interface ImportOptions {
  format: Format | null;
  mode: "replace" | "merge";
  wishes: Record<string, Wish>;
  dry: boolean;
  grouping?: GroupingWay[];
  name?: string;
}

/** Rows live for a moment: with room for many of them, few are copied by the collector. In MB. */
const YOUNG_MEMORY = 96;

/** An import may take half of the machine's memory, in MB. */
const MOST_MEMORY = Math.max(1024, Math.floor(totalmem() / 2 / 1024 ** 2));

/** Imports that are under way, one a store at a time. */
export function createImports(engine: Engine) {
  const running = new Map<string, Running>();
  const { jobs, feeds } = engine.tables;
  const isBusy = (store: string) => [...running.values()].some((entry) => entry.job.store === store);

  function end(entry: Running): void {
    running.delete(entry.job.id);
    discard(entry.task.upload);
    jobs.save(entry.job);
    entry.process?.end();
    removeOldProblems(entry.job.store);
  }

  function fail(entry: Running, message: string): void {
    if (!running.has(entry.job.id)) return;
    Object.assign(entry.job, { state: "failed", message });
    removeCatalogueFile(entry.task.next);
    if (!entry.task.dry) engine.find(entry.job.store)?.catalogue.endJournal();
    end(entry);
  }

  /** A list of problems goes with its job. */
  function removeOldProblems(store: string): void {
    const kept = new Set(jobs.latest(store).map((job) => `problems-${job.id}.csv`));
    const folder = engine.storeFolder(store);
    if (!existsSync(folder)) return;
    for (const name of readdirSync(folder)) if (name.startsWith("problems-") && !kept.has(name)) discard(join(folder, name));
  }

  /** The last file stays, so that the reading of its columns can be changed without sending it again. */
  function keepUpload({ job, task }: Running, catalogue: number | "trial"): void {
    const folder = engine.storeFolder(job.store);
    for (const name of readdirSync(folder))
      if (name.startsWith("feed-") && (catalogue !== "trial" || name === "feed-trial")) discard(join(folder, name));
    renameSync(task.upload, join(folder, `feed-${catalogue}`));
  }

  function remember(store: Store, task: ImportTask, report: ImportReport): void {
    const { id } = store.row;
    const renamed = store.catalogue.fieldsRenamed();
    const read = Object.entries(report.mapping).map(([column, entry]) => [column, { ...entry, ...(entry.key && renamed.get(entry.key)) }]);
    feeds.change(id, { columns: { ...feeds.of(id).columns, ...Object.fromEntries(read) }, grouping: task.grouping });
  }

  async function hear(entry: Running, message: ImportMessage): Promise<void> {
    const { job, task } = entry;
    switch (message.kind) {
      case "progress":
        Object.assign(job, { done: message.done, total: message.total, message: message.message });
        return;
      case "failed":
        Object.assign(job, { problems: message.problems, problemCount: message.problemCount });
        fail(entry, message.message);
        return;
      case "written": {
        const { report, problems, problemCount } = message;
        Object.assign(job, { problems, problemCount, result: { ...job.result, ...report, dry: task.dry, mode: task.mode } });
        if (task.dry) {
          Object.assign(job, { state: "done", message: "Dry run: nothing was changed.", done: report.rows, total: report.rows });
          keepUpload(entry, "trial");
          end(entry);
        } else if (message.waits) {
          const share = Math.round(message.removedShare * 100);
          job.state = "waiting";
          job.message = `This file would remove ${report.removed} products, ${share} % of the catalogue. Confirm if that is meant.`;
          jobs.save(job);
        }
        return;
      }
      case "indexed": {
        const store = engine.store(job.store);
        const index = await openIndex(indexFile(task.next), task.number);
        if (!index) throw new Error("the index that was written cannot be read");
        await engine.work.makeReady(store, index);
        if (!running.has(job.id)) return;
        // The job says that it is done in the same step: whoever is stopped here is told the truth at the next start.
        const also = (count: number) => {
          Object.assign(job, { state: "done", done: count, total: count, message: `${count} products are in use.` });
          jobs.save(job);
          remember(store, task, job.result as ImportReport);
        };
        const isWanted = () => running.has(job.id);
        await engine.adopt(store, entry.catalogue, index, { defaults: message.defaults, savedAs: task.number, also, isWanted });
        if (!isWanted()) return;
        endAt("import taken into use");
        await pause();
        keepUpload(entry, entry.catalogue);
        end(entry);
      }
    }
  }

  function begin(entry: Running): void {
    const { job } = entry;
    entry.process = startProcess(new URL("./import-process.js", import.meta.url), entry.task, {
      memory: { old: MOST_MEMORY, young: YOUNG_MEMORY },
      onMessage: (message) => {
        if (running.has(job.id)) void hear(entry, message as ImportMessage).catch(stop);
      },
      onBreak: (isShort) =>
        fail(
          entry,
          isShort
            ? "The catalogue needs more memory than this machine can spare. The former catalogue was left as it was; send the file in parts, with mode=merge."
            : "The import was broken off. The catalogue was left as it was; send the file again.",
        ),
    });
    function stop(error: unknown): void {
      fail(entry, `The import failed: ${error instanceof Error ? error.message : String(error)}. The catalogue was left as it was.`);
    }
  }

  function start(store: Store, upload: string, options: ImportOptions): string {
    const { row } = store;
    if (isBusy(row.id)) {
      rmSync(upload, { force: true });
      throw new Problem(409, "An import of this store is under way. Wait for it or cancel it first.");
    }
    const memory = feeds.of(row.id);
    const id = randomUUID();
    const catalogue = row.catalogue + 1;
    const task: ImportTask = {
      format: options.format,
      mode: options.mode,
      wishes: options.wishes,
      dry: options.dry,
      upload,
      remembered: memory.columns,
      grouping: options.grouping ?? memory.grouping,
      apart: memory.apart,
      merged: memory.merged,
      locale: row.locale,
      next: catalogueFile(engine.directory, row.id, catalogue),
      current: store.catalogue.isOpen ? catalogueFile(engine.directory, row.id, row.catalogue) : null,
      number: store.catalogueNumber + 1,
      problems: join(engine.storeFolder(row.id), `problems-${id}.csv`),
      mostRemoved: memory.mostRemoved,
      mostBad: memory.mostBad,
      resume: false,
    };
    const job: Job = {
      id,
      store: row.id,
      kind: "import",
      state: "running",
      done: 0,
      total: 0,
      message: "Reading the file",
      problems: [],
      problemCount: 0,
      result: options.name ? { file: options.name } : null,
      createdAt: new Date().toISOString(),
    };
    jobs.insert(job);
    const entry: Running = { job, process: null, task, catalogue };
    if (!task.dry) store.catalogue.beginJournal();
    running.set(id, entry);
    begin(entry);
    return id;
  }

  async function cancelOne(entry: Running, message: string): Promise<void> {
    running.delete(entry.job.id);
    Object.assign(entry.job, { state: "cancelled", message });
    if (!entry.task.dry) engine.find(entry.job.store)?.catalogue.endJournal();
    jobs.save(entry.job);
    await entry.process?.end();
    rmSync(entry.task.upload, { force: true });
    removeCatalogueFile(entry.task.next);
  }

  return {
    start,
    running: () => running.size,
    /** Reads the last file again, the one of a dry run if there is one. */
    again(store: Store, options: ImportOptions): string {
      const folder = engine.storeFolder(store.row.id);
      if (isBusy(store.row.id)) throw new Problem(409, "An import of this store is under way. Wait for it or cancel it first.");
      const kept = [join(folder, "feed-trial"), join(folder, `feed-${store.row.catalogue}`)].find((file) => existsSync(file));
      if (!kept) throw new Problem(409, "No file is kept from the last import. Send it again.");
      const upload = join(folder, `upload-${randomUUID()}`);
      try {
        linkSync(kept, upload);
      } catch {
        copyFileSync(kept, upload);
      }
      return start(store, upload, options);
    },
    job(id: string): Job | null {
      return running.get(id)?.job ?? jobs.one(id);
    },
    jobs(store: string): Job[] {
      return jobs.latest(store).map((job) => running.get(job.id)?.job ?? job);
    },
    isBusy,
    confirm(id: string): void {
      const entry = running.get(id);
      if (entry?.job.state !== "waiting") throw new Problem(409, "This job does not wait for a yes.");
      entry.job.state = "running";
      entry.task.resume = true;
      begin(entry);
    },
    cancel(id: string): void {
      const entry = running.get(id);
      if (entry) void cancelOne(entry, "Cancelled. The catalogue was left as it was.");
    },
    /** Ends the jobs of a store that is about to be removed, with all that they were writing. */
    async endOf(store: string): Promise<void> {
      const own = [...running.values()].filter(({ job }) => job.store === store);
      await Promise.all(own.map((entry) => cancelOne(entry, "The store was removed.")));
    },
    async close(): Promise<void> {
      await Promise.all([...running.values()].map((entry) => entry.process?.end()));
    },
  };
}
export type Imports = ReturnType<typeof createImports>;
