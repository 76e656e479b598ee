import { availableParallelism } from "node:os";
import { setTimeout as pause } from "node:timers/promises";
import type { Index } from "@core/index/types";
import type { LongWork, Store } from "../engine/store";
import { withChanges } from "./changes";
import type { Answer, Note, Question, Told, WorkerTask } from "./messages";
import type { OtherWork } from "./other-work";
import { createPool, type UnderWay } from "./pool";
import { canWait, whoAnswers } from "./who-answers";

/** How much is done at a time, and how long it may take. */
export interface WorkerOptions {
  /** Workers that answer searches. */
  searchWorkers: number;
  /** How long a shopper's search may take, in ms. */
  searchBudget: number;
  waitingPerClient: number;
  waitingPerStore: number;
  /** Of all stores together. */
  waiting: number;
  slowSearch: number;
  logLevel: string;
}

/** Who asks, by which door, and who is told of an answer that came too late for it. */
interface AskedBy {
  client: string;
  isShop: boolean;
  onLate?: (answer: Answer) => void;
  left?: AbortSignal;
}

/** As many as cores. */
export const DEFAULT_WORKERS = availableParallelism();

/** What a screen of the bench waits for, and may hold up others of it; beyond that much waits in the server, it says so. */
const BENCH = { waitingPerClient: 500, waitingPerStore: 500, waiting: 1_000 };

/** How far threads step back whose work nobody waits for as for a search. */
const NICE = { bench: 3, long: 10 };
/** Longer than anything takes that comes to an end, in ms. */
const STUCK = { search: 60_000, besides: 30 * 60_000 };
/** How long that takes place before what takes long, in ms. */
const PATIENCE = 200;
const STEP = 15;

/**
 * The threads that answer: some for searches, one for what screens of the bench show, one for what takes long. Each does its own, so that
 * no search waits for a report, and no report for another.
 */
export function createWorkers(database: string, options: WorkerOptions, onNote: (note: Note) => void) {
  const { searchWorkers: size, searchBudget, waitingPerClient, waitingPerStore, waiting, slowSearch, logLevel } = options;
  const task: WorkerTask = { database, logLevel, slowSearch, nice: 0 };
  const search = createPool({
    name: "search",
    size,
    atOnce: 1,
    stuckAfter: STUCK.search,
    bounds: { waitingPerClient, waitingPerStore, waiting },
    task,
    onNote,
  });
  const besides = { size: 1, atOnce: 8, stuckAfter: STUCK.besides, bounds: BENCH, onNote };
  const bench = createPool({ name: "bench", task: { ...task, nice: NICE.bench }, ...besides });
  const long = createPool({ name: "long", task: { ...task, nice: NICE.long }, ...besides });
  const pools = { search, bench, long };

  /** What takes long waits a moment for searches that are under way: after an edit, the one that shows it comes first. */
  async function untilSearched(): Promise<void> {
    const most = performance.now() + PATIENCE;
    do await pause(STEP);
    while (search.busy() > 0 && performance.now() < most);
  }

  async function ask(store: Store, question: Question, { client, isShop, onLate, left }: AskedBy): Promise<Answer> {
    const source = isShop || sourceOf(question) === "live" ? "live" : "draft";
    if (canWait(question.name)) await untilSearched();
    const told = toldOf(store);
    const budget = isShop ? searchBudget : undefined;
    return pools[whoAnswers(question.name)].ask({ question, told, client, source, budget, onLate, left });
  }

  return {
    pools: Object.values(pools),
    /** Starts those of searches, so that the first who asks need not wait for that. */
    begin: search.begin,
    ask,
    /** What of a store takes its time, and how far it is. */
    underWay: (store: string): UnderWay[] => Object.values(pools).flatMap((pool) => pool.underWay(store)),
    /** Has something worked out that the main thread goes on with. */
    async workOut<Name extends keyof OtherWork>(
      store: Store,
      name: Name,
      input: OtherWork[Name]["input"],
    ): Promise<OtherWork[Name]["value"]> {
      const answer = await ask(store, { name, input }, { client: "server", isShop: false });
      if (!("value" in answer)) throw new Error(`${name} is no request.`);
      return answer.value as OtherWork[Name]["value"];
    },
    /** Has the worker that answers the bench's next search lay out a draft that was just edited. */
    prepareDraft: (store: Store): Promise<void> => search.prepareDraft(toldOf(store)),
    /** Lets the workers of searches know a catalogue and make it ready, one after the other, before it is taken into use. */
    makeReady: (store: Store, index: Index): Promise<void> => search.makeReady({ ...toldOf(store), index }),
    forget(store: string): void {
      for (const pool of Object.values(pools)) pool.forget(store);
    },
    close: () => Promise.all(Object.values(pools).map((pool) => pool.close())),
  };
}
export type Workers = ReturnType<typeof createWorkers>;

function sourceOf({ input }: Question): unknown {
  return (input as { body?: { source?: unknown } } | null)?.body?.source;
}

const known = new WeakMap<Store, Told>();

/** What a worker has to know of a store; what did not change is the same object. */
export function toldOf(store: Store): Told {
  const old = known.get(store);
  const { row, catalogueNumber, index, revision, settings, live, logNumber } = store;
  const draft = old?.draft.settings === settings && old.draft.revision === revision ? old.draft : { revision, settings };
  const told = { row: old && isSameRow(old.row, row) ? old.row : { ...row }, catalogueNumber, index, draft, live, logNumber };
  known.set(store, told);
  return told;
}

const isSameRow = (a: object, b: object) => JSON.stringify(a) === JSON.stringify(b);

/** What takes long, done by workers. @param workers asked for when there is something to do. */
export const longWorkBy = (workers: () => Workers): LongWork => ({
  defaultsOf: (store) => workers().workOut(store, "fresh settings", { store: store.row.id }),
  changed: async (store, index, change) => {
    const given = store.index === index ? null : index;
    const changes = await workers().workOut(store, "changed catalogue", { store: store.row.id, index: given, change });
    return withChanges(index, changes) as typeof index;
  },
  edited: async (store, patch) => {
    const { settings } = store;
    const { changes, texts } = await workers().workOut(store, "edited draft", { store: store.row.id, patch });
    const after = withChanges(settings, changes) as typeof settings;
    // The operations are read where somebody wants them: of a bulk change they are thousands.
    return {
      settings: after,
      texts,
      get patch() {
        return JSON.parse(texts.patch);
      },
      get inverse() {
        return JSON.parse(texts.inverse);
      },
    };
  },
  makeReady: (store, index) => workers().makeReady(store, index),
  layOutDraft: (store) => workers().prepareDraft(store),
  forget: (store) => workers().forget(store),
});
