import { platform, setPriority } from "node:os";
import { dirname, join } from "node:path";
import { parentPort, workerData } from "node:worker_threads";
import SQLite from "better-sqlite3";
import { draftsTable } from "../db/drafts";
import { feedMemoryTable } from "../db/feed-memory";
import { jobsTable } from "../db/jobs";
import { releasesTable } from "../db/releases";
import { weekWorkTable } from "../db/week-work";
import { demandFile, readDemandFile } from "../demand/database";
import { authorsOf } from "../engine/authors";
import type { EngineView } from "../engine/view";
import { notFound, Problem } from "../http/problem";
import { readKeepDays } from "../log/event-log";
import { offersTable } from "../log/offers";
import { searchFacts } from "../log/search-facts";
import { setAsideTable } from "../log/set-aside";
import { readSnapshots } from "../log/snapshots-table";
import { log, setLogLevel } from "../operations/logger";
import { setSlowSearch } from "../routes/answers";
import { asTask, type Task } from "../task";
import { provideKnownWords } from "../words/known-words";
import type { Answer, FromWorker, Question, ToWorker, WorkerTask } from "./messages";
import { MirroredStore } from "./mirrored-store";
import { Noted, workOf } from "./work";

/** Answers what it is asked, out of what it was told; reads the database, and never writes. */

const { database, logLevel, slowSearch, nice } = workerData as WorkerTask;
const port = parentPort;
if (!port) throw new Error("This is a worker of the server.");
if (nice > 0 && platform() === "linux") {
  try {
    // There a priority is one of the thread alone.
    setPriority(nice);
  } catch {
    // It works at the same priority.
  }
}
setLogLevel(logLevel as Parameters<typeof setLogLevel>[0]);
setSlowSearch(slowSearch);
provideKnownWords();

const db = new SQLite(database, { readonly: true, fileMustExist: true });
db.pragma("busy_timeout = 5000");
const stores = new Map<string, MirroredStore>();
/** What stores are about to be. */
const nexts = new Map<string, MirroredStore>();
const drafts = draftsTable(db);
const snapshots = readSnapshots(db);
const reader = { releases: releasesTable(db), log: snapshots };
const { all } = offersTable(db);
const jobs = jobsTable(db);
const send = (message: FromWorker, transfer: readonly (ArrayBuffer | ReadableStream)[] = []) =>
  port.postMessage(message, transfer as ArrayBuffer[]);

const authors = authorsOf(drafts);
const noted = new Noted();
const engine: EngineView = {
  store(id) {
    const store = stores.get(id);
    if (!store) throw notFound(`store “${id}”`);
    return store;
  },
  authors,
  shoppers: {
    remember: (searchId, shown) => {
      if (!noted.take({ shown })) send({ kind: "note", note: { kind: "shown", searchId, shown } });
    },
    offered: (store, { blocks }) => {
      if (!noted.take({ offered: blocks })) send({ kind: "note", note: { kind: "offered", store, blocks } });
    },
  },
  events: { keepDays: readKeepDays(db) },
  offers: { all },
  releases: reader.releases,
  weekWork: weekWorkTable(db),
  imports: { all: (store) => jobs.latest(store).filter(({ state }) => state === "done") },
  demand(store, read) {
    const counts = readDemandFile(demandFile(join(dirname(database), "stores", store)));
    if (!counts) return null;
    try {
      return read(counts);
    } finally {
      counts.close();
    }
  },
  searchFacts: searchFacts(db),
  setAside: setAsideTable(db),
  tables: { feeds: feedMemoryTable(db) },
};
const work = workOf(engine, noted, (id, isNext) => (isNext ? nexts : stores).get(id));

/** How often it is told how far work is, in ms. */
const TOLD_EVERY = 250;

/** What was asked and has no answer yet, and whether who asked has left. */
const asked = new Map<number, { hasLeft: boolean }>();

function taskOf(id: number): Task {
  const state = { hasLeft: false };
  asked.set(id, state);
  let told = performance.now();
  return {
    isWanted: () => !state.hasLeft,
    report(progress) {
      if (performance.now() - told < TOLD_EVERY) return;
      told = performance.now();
      send({ kind: "progress", id, progress });
    },
  };
}

async function answer(id: number, question: Question): Promise<void> {
  try {
    const found = await asTask(taskOf(id), () => work(question));
    send({ kind: "answer", id, answer: found }, transferredOf(found));
  } catch (error) {
    if (error instanceof Problem) {
      const { status, detail, errors, headers } = error;
      send({ kind: "problem", id, status, detail, errors, headers });
    } else {
      const { message, stack = "" } = error instanceof Error ? error : new Error(String(error));
      send({ kind: "failed", id, message, stack });
    }
  } finally {
    asked.delete(id);
  }
}

function transferredOf(found: Answer): (ArrayBuffer | ReadableStream)[] {
  if ("shop" in found) return [found.shop.rest.buffer];
  if ("value" in found || found.body === null) return [];
  return found.body instanceof Uint8Array ? [found.body.buffer] : [found.body];
}

port.on("message", (message: ToWorker) => {
  switch (message.kind) {
    case "tell": {
      const known = message.isOfNext ? nexts.get(message.store) : stores.get(message.store);
      const store = known ?? new MirroredStore(reader);
      if (message.isOfNext) nexts.delete(message.store);
      stores.set(message.store, store);
      store.tell(message.changes);
      return;
    }
    case "next":
      nexts.set(message.store, new MirroredStore(reader, stores.get(message.store), message.changes));
      return;
    case "forget":
      stores.delete(message.store);
      nexts.delete(message.store);
      authors.forget(message.store);
      return;
    case "left": {
      const question = asked.get(message.id);
      if (question) question.hasLeft = true;
      return;
    }
    case "ask":
      void answer(message.id, message.question);
  }
});
process.on("unhandledRejection", (error) => log.error({ err: error }, "Something in a worker failed"));
