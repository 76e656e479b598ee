import { Worker } from "node:worker_threads";
import type { Progress } from "@core/progress";
import { Problem } from "../http/problem";
import { fairTurns, overloaded } from "../http/turns";
import { log } from "../operations/logger";
import { type Changes, changesBetween } from "./changes";
import type { Answer, FromWorker, Note, Question, Told, ToWorker, WorkerTask } from "./messages";
import type { OtherWork } from "./other-work";

interface PoolOptions {
  /** Which kind of work it does; for logs and metrics. */
  name: string;
  /** How many workers. */
  size: number;
  /** How much one worker does at a time: work in steps goes on side by side. */
  atOnce: number;
  /** After how long without an answer a worker is taken to be stuck, in ms. */
  stuckAfter: number;
  bounds: { waitingPerClient: number; waitingPerStore: number; waiting: number };
  task: WorkerTask;
  onNote: (note: Note) => void;
  /** Makes a worker; for tests of what becomes of those that die. */
  start?: (task: WorkerTask) => Worker;
}

/** What is asked, and for whom. */
export interface Asked {
  question: Question;
  /** What the worker has to know of the store. */
  told: Told;
  client: string;
  /** Which settings it is about: those of a draft are laid out by few workers, so that the others stay with shoppers. */
  source: "draft" | "live";
  /** How long the answer may take in a worker that knows the store, in ms; beyond it the answer is that there is none. */
  budget?: number;
  /** Told of an answer that came after that. */
  onLate?: (answer: Answer) => void;
  /** That whoever asked has left. */
  left?: AbortSignal;
}

/** What is being worked out, and how far it is. */
export interface UnderWay extends Progress {
  /** What was asked. */
  name: string;
}

interface Waiting {
  asked: Asked;
  isAgain: boolean;
  /** Ends the worker where it does not answer for so long that it never will. */
  watch?: NodeJS.Timeout;
  /** Tells the worker that who asked has left. */
  tellLeft?: () => void;
  progress?: Progress;
  done: (answer: Answer) => void;
  fail: (error: Error) => void;
}

/** One worker, with what it knows and what it is busy with. */
interface Member {
  place: number;
  worker: Worker;
  known: Map<string, Told>;
  /** What stores are about to be, made ready meanwhile. */
  next: Map<string, Told>;
  /** Stores of which it has answered something with what it was told last. */
  warm: Set<string>;
  busy: Map<number, Waiting>;
}

const startWorker = (workerData: WorkerTask) => new Worker(new URL("./worker.js", import.meta.url), { workerData });

/**
 * Workers that answer questions about stores. Each is told what changed of a store before it is asked; who is at work already is asked
 * last. One that dies is replaced, and what it was asked is asked once more.
 */
export function createPool({ name, size, atOnce, stuckAfter, bounds, task, onNote, start = startWorker }: PoolOptions) {
  const turns = fairTurns(bounds, size * atOnce);
  const members: Member[] = [];
  let isClosed = false;
  let last = 0;
  let deaths = 0;

  function memberAt(place: number): Member {
    members[place] ??= startAt(place);
    return members[place];
  }

  function startAt(place: number): Member {
    const member: Member = { place, worker: start(task), known: new Map(), next: new Map(), warm: new Set(), busy: new Map() };
    member.worker.on("message", (message: FromWorker) => hear(member, message));
    member.worker.on("error", (error) => log.error({ err: error, pool: name }, "A worker died"));
    member.worker.on("exit", () => replace(member));
    member.worker.unref();
    return member;
  }

  function hear(member: Member, message: FromWorker): void {
    if (message.kind === "note") {
      onNote(message.note);
      return;
    }
    const waiting = member.busy.get(message.id);
    if (!waiting) return;
    if (message.kind === "progress") {
      waiting.progress = message.progress;
      return;
    }
    member.busy.delete(message.id);
    putAway(waiting);
    member.warm.add(waiting.asked.told.row.id);
    if (message.kind === "answer") waiting.done(message.answer);
    else if (message.kind === "problem") waiting.fail(new Problem(message.status as 422, message.detail, message.errors, message.headers));
    else waiting.fail(Object.assign(new Error(message.message), { stack: message.stack }));
  }

  function replace(dead: Member): void {
    if (members[dead.place] === dead) delete members[dead.place];
    if (isClosed) return;
    deaths++;
    for (const waiting of dead.busy.values()) {
      putAway(waiting);
      if (waiting.isAgain) waiting.fail(new Error(`What was asked ended two workers: ${waiting.asked.question.name}.`));
      else give(memberAt(dead.place), { ...waiting, isAgain: true });
    }
  }

  /** The worker to ask: one with the least to do, of those the one that has the least to be told; drafts from the first on, what is live from the last. */
  function pick({ told, source }: Asked): Member {
    const places = Array.from({ length: size }, (_, place) => place);
    if (atOnce > 1) return memberAt(places[hash(told.row.id) % size]);
    const cost = (place: number): number => {
      const member = members[place];
      const known = member?.known.get(told.row.id);
      const isKnown = known?.index === told.index && known[source] === told[source];
      return (member?.busy.size ?? 0) * 4 + (isKnown ? 0 : 2) + (source === "draft" ? place : size - place) / (size + 1);
    };
    return memberAt(places.reduce((best, place) => (cost(place) < cost(best) ? place : best)));
  }

  function give(member: Member, waiting: Waiting): void {
    const id = ++last;
    const { question, told, left } = waiting.asked;
    tell(member, told);
    const watch = setTimeout(() => void member.worker.terminate(), stuckAfter);
    watch.unref();
    const tellLeft = () => post(member, { kind: "left", id });
    left?.addEventListener("abort", tellLeft, { once: true });
    member.busy.set(id, { ...waiting, watch, tellLeft });
    post(member, { kind: "ask", id, question });
  }

  function tell(member: Member, told: Told): void {
    const store = told.row.id;
    const next = member.next.get(store);
    const isOfNext = next !== undefined && next.index === told.index;
    const before = isOfNext ? next : member.known.get(store);
    const changes = changesBetween(before ?? null, told);
    if (!isOfNext && isNothing(changes)) return;
    if (isOfNext) member.next.delete(store);
    if (before?.index !== told.index || before.live !== told.live || before.draft !== told.draft) member.warm.delete(store);
    member.known.set(store, told);
    post(member, { kind: "tell", store, changes, isOfNext });
  }

  /** Has a worker do beside its searches what the first ones in a catalogue would wait for. */
  function makeReady(member: Member, told: Told, isDraft = false): Promise<Answer> {
    const store = told.row.id;
    const before = member.known.get(store);
    const isNext = before !== undefined && before.index !== told.index;
    if (isNext) {
      member.next.set(store, told);
      post(member, { kind: "next", store, changes: changesBetween(before, told) });
    } else tell(member, told);
    const input: OtherWork["make ready"]["input"] = { store, isNext, hasDraft: member.place === 0, isDraft };
    const asked: Asked = { question: { name: "make ready", input }, told: isNext ? before : told, client: "server", source: "live" };
    return new Promise((done, fail) => give(member, { asked, isAgain: false, done, fail }));
  }

  function putAway({ watch, tellLeft, asked: { left } }: Waiting): void {
    clearTimeout(watch);
    if (tellLeft) left?.removeEventListener("abort", tellLeft);
  }

  const post = (member: Member, message: ToWorker) => member.worker.postMessage(message);

  return {
    name,
    size,
    waiting: turns.waiting,
    busy: () => members.reduce((sum, member) => sum + (member?.busy.size ?? 0), 0),
    deaths: () => deaths,
    /** What of a store is being worked out, as far as that is known. */
    underWay: (store: string): UnderWay[] =>
      members.flatMap((member) =>
        [...(member?.busy.values() ?? [])].flatMap(({ asked: { question, told }, progress }) =>
          progress && told.row.id === store ? [{ name: question.name, ...progress }] : [],
        ),
      ),
    /** Starts the workers, so that the first who asks need not wait for that. */
    begin(): void {
      for (let place = 0; place < size; place++) memberAt(place);
    },
    /** Lays out an edited draft where the next search of it will be answered. */
    async prepareDraft(told: Told): Promise<void> {
      await makeReady(memberAt(0), told, true);
    },
    /** Makes a store ready for its first search, by one worker after the other: it may be about to have another catalogue. */
    async makeReady(told: Told): Promise<void> {
      for (let place = 0; place < size; place++) await makeReady(memberAt(place), told);
    },
    /** @throws Problem where it is refused, or there is no time for it; NobodyWaits where who asked left. */
    async ask(asked: Asked): Promise<Answer> {
      const end = await turns.turn(asked.client, asked.told.row.id, asked.left);
      const member = pick(asked);
      const isWarm = member.warm.has(asked.told.row.id);
      const work = new Promise<Answer>((done, fail) => give(member, { asked, isAgain: false, done, fail })).finally(end);
      if (asked.budget === undefined || !isWarm) return work;
      return inTime(work, asked.budget, asked.onLate);
    },
    /** A store that is no longer there. */
    forget(store: string): void {
      for (const member of members) {
        if (!member?.known.delete(store)) continue;
        member.warm.delete(store);
        member.next.delete(store);
        post(member, { kind: "forget", store });
      }
    },
    async close(): Promise<void> {
      isClosed = true;
      await Promise.all(members.map((member) => member?.worker.terminate()));
    },
  };
}
export type Pool = ReturnType<typeof createPool>;

const isNothing = (changes: Changes) =>
  changes.kind === "same" || (changes.kind === "entries" && changes.gone.length + changes.put.length === 0);

/** What a search comes to within its time; who waits longer is told to come again. */
async function inTime<T>(work: Promise<T>, budget: number, onLate: (found: T) => void = () => undefined): Promise<T> {
  let timer: NodeJS.Timeout | undefined;
  const late = new Promise<never>((_, fail) => {
    timer = setTimeout(() => {
      fail(overloaded(`There was no answer within ${budget} ms`));
      work.then(onLate, () => undefined);
    }, budget);
  });
  work.catch(() => undefined);
  return Promise.race([work, late]).finally(() => clearTimeout(timer));
}

function hash(text: string): number {
  let sum = 0;
  for (let i = 0; i < text.length; i++) sum = (sum * 31 + text.charCodeAt(i)) >>> 0;
  return sum;
}
