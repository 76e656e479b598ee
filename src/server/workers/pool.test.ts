import { EventEmitter } from "node:events";
import { setTimeout as wait } from "node:timers/promises";
import type { Worker } from "node:worker_threads";
import { build } from "@core/index/build";
import { Settings } from "@core/settings/schema";
import { Problem } from "../http/problem";
import type { FromWorker, Note, Told, ToWorker } from "./messages";
import { createPool } from "./pool";

const row = { id: "corner", name: "Corner", locale: "en", languages: ["en"], currency: "GBP", timeZone: "UTC", catalogue: 1 };
const index = build({ locale: "en", fields: [], products: [], pages: [] });
const settings = Settings.parse({});
const told: Told = {
  row,
  catalogueNumber: 1,
  index,
  draft: { revision: 1, settings },
  live: { release: 1, revision: 1, settings },
  logNumber: 0,
};
const edited: Told = {
  ...told,
  draft: { revision: 2, settings: { ...settings, words: { w: { does: "ignore", words: ["a"], on: true } } } },
};

/** A worker that does what a test says. */
class Played extends EventEmitter {
  readonly heard: ToWorker[] = [];
  isEnded = false;
  unref = () => this;
  postMessage = (message: ToWorker) => void this.heard.push(structuredClone(message));
  say = (message: FromWorker) => this.emit("message", message);
  terminate = async () => {
    this.isEnded = true;
    this.emit("exit", 1);
    return 1;
  };
  get asked(): { id: number; name: string }[] {
    return this.heard.flatMap((one) => (one.kind === "ask" ? [{ id: one.id, name: one.question.name }] : []));
  }
  get last(): number {
    return this.asked.at(-1)?.id ?? 0;
  }
  answer = (value: unknown = "done", id = this.last) => this.say({ kind: "answer", id, answer: { value } });
}

function poolOf(size: number, bounds = { waitingPerClient: 9, waitingPerStore: 9, waiting: 9 }, stuckAfter = 60_000) {
  const workers: Played[] = [];
  const notes: Note[] = [];
  const pool = createPool({
    name: "search",
    size,
    atOnce: 1,
    stuckAfter,
    bounds,
    task: { database: "", logLevel: "silent", slowSearch: 300, nice: 0 },
    onNote: (note) => notes.push(note),
    start: () => {
      const worker = new Played();
      workers.push(worker);
      return worker as unknown as Worker;
    },
  });
  const ask = (name = "search", more: { told?: Told; source?: "draft" | "live"; budget?: number; left?: AbortSignal } = {}) => {
    const asked = pool.ask({ question: { name, input: null }, told, client: "c", source: "live", ...more });
    asked.catch(() => undefined);
    return asked;
  };
  return { pool, workers, notes, ask };
}
const tick = () => wait(0);

describe("workers", () => {
  it("are told of a store before they are asked, and later of what changed alone", async () => {
    const { workers, ask } = poolOf(1);
    const first = ask();
    await tick();
    expect(workers[0].heard.map(({ kind }) => kind)).toEqual(["tell", "ask"]);
    workers[0].answer("a");
    expect(await first).toEqual({ value: "a" });
    const again = ask();
    await tick();
    workers[0].answer("b");
    await again;
    expect(workers[0].heard.map(({ kind }) => kind)).toEqual(["tell", "ask", "ask"]);
    void ask("search", { told: edited });
    await tick();
    expect(JSON.stringify(workers[0].heard[3])).toContain('"does":"ignore"');
    expect(JSON.stringify(workers[0].heard[3]).length).toBeLessThan(500);
  });

  it("answer drafts from the first on and what is live from the last, each one thing at a time", async () => {
    const { workers, pool, ask } = poolOf(2);
    pool.begin();
    void ask("live");
    void ask("draft", { source: "draft" });
    void ask("third");
    await tick();
    expect(workers.map(({ asked }) => asked.map(({ name }) => name))).toEqual([["draft"], ["live"]]);
    expect([pool.busy(), pool.waiting()]).toEqual([2, 1]);
    workers[0].answer();
    await tick();
    expect(workers[0].asked.map(({ name }) => name)).toEqual(["draft", "third"]);
  });

  it("that die are replaced, and what they were asked is asked once more", async () => {
    const { workers, pool, ask } = poolOf(1);
    const asked = ask();
    await tick();
    await workers[0].terminate();
    await tick();
    expect(workers).toHaveLength(2);
    expect(workers[1].heard.map(({ kind }) => kind)).toEqual(["tell", "ask"]);
    workers[1].answer("after all");
    expect(await asked).toEqual({ value: "after all" });
    const fatal = ask("fatal");
    await tick();
    await workers[1].terminate();
    await tick();
    await workers[2].terminate();
    await expect(fatal).rejects.toThrow("ended two workers: fatal");
    expect(pool.deaths()).toBe(3);
  });

  it("that never answer are ended, and what they were asked is asked of another", async () => {
    jest.useFakeTimers();
    try {
      const { workers, ask } = poolOf(1, undefined, 1_000);
      const asked = ask();
      await jest.advanceTimersByTimeAsync(999);
      expect(workers[0].isEnded).toBe(false);
      await jest.advanceTimersByTimeAsync(1);
      expect(workers[0].isEnded).toBe(true);
      workers[1].answer("after all");
      expect(await asked).toEqual({ value: "after all" });
      await jest.advanceTimersByTimeAsync(5_000);
      expect(workers[1].isEnded).toBe(false);
    } finally {
      jest.useRealTimers();
    }
  });

  it("refuse in words, and their mistakes are mistakes of the server", async () => {
    const { workers, notes, ask } = poolOf(1);
    const refused = ask();
    await tick();
    workers[0].say({ kind: "note", note: { kind: "offered", store: "corner", blocks: [] } });
    workers[0].say({ kind: "problem", id: workers[0].last, status: 404, detail: "There is no such product.", errors: [], headers: {} });
    await expect(refused).rejects.toMatchObject({ status: 404, detail: "There is no such product." });
    await expect(refused).rejects.toBeInstanceOf(Problem);
    expect(notes).toHaveLength(1);
    const failed = ask();
    await tick();
    workers[0].say({ kind: "failed", id: workers[0].last, message: "no memory", stack: "Error: no memory" });
    await expect(failed).rejects.toThrow("no memory");
  });

  it("have so long for a search in a store that they know; what is longer on its way is answered with 503", async () => {
    const { workers, ask } = poolOf(1);
    const cold = ask("cold", { budget: 5 });
    await wait(30);
    workers[0].answer("in the end");
    expect(await cold).toEqual({ value: "in the end" });
    const warm = ask("warm", { budget: 5 });
    await expect(warm).rejects.toMatchObject({ status: 503, headers: { "retry-after": "1" } });
    // Its place is taken until it is done with it.
    const next = ask("next");
    await tick();
    expect(workers[0].asked.map(({ name }) => name)).toEqual(["cold", "warm"]);
    workers[0].answer();
    await tick();
    workers[0].answer("next");
    expect(await next).toEqual({ value: "next" });
  });

  it("have no more waiting than there is room for", async () => {
    const { ask } = poolOf(1, { waitingPerClient: 9, waitingPerStore: 9, waiting: 1 });
    void ask();
    void ask();
    await expect(ask()).rejects.toMatchObject({ status: 503 });
  });

  it("make ready what is about to be, and take it over when it is", async () => {
    const { workers, pool, ask } = poolOf(1);
    void ask();
    await tick();
    workers[0].answer();
    const next: Told = { ...told, index: { ...index, version: index.version }, catalogueNumber: 2 };
    const ready = pool.makeReady(next);
    await tick();
    expect(workers[0].heard.map(({ kind }) => kind)).toEqual(["tell", "ask", "next", "ask"]);
    workers[0].answer(null);
    await ready;
    // Searches of what is in use meanwhile tell nothing.
    void ask();
    await tick();
    workers[0].answer();
    void ask("search", { told: next });
    await tick();
    expect(workers[0].heard.slice(4)).toMatchObject([{ kind: "ask" }, { kind: "tell", isOfNext: true }, { kind: "ask" }]);
    expect(JSON.stringify(workers[0].heard[5]).length).toBeLessThan(200);
    pool.forget("corner");
    expect(workers[0].heard.at(-1)).toEqual({ kind: "forget", store: "corner" });
  });

  it("are told that whoever asked has left, and tell how far they are", async () => {
    const { workers, pool, ask } = poolOf(1);
    const left = new AbortController();
    const first = ask("report", { left: left.signal });
    await tick();
    workers[0].say({ kind: "progress", id: workers[0].last, progress: { done: 2, of: 9, what: "searches" } });
    expect(pool.underWay("corner")).toEqual([{ name: "report", done: 2, of: 9, what: "searches" }]);
    expect(pool.underWay("other")).toEqual([]);
    left.abort();
    await tick();
    expect(workers[0].heard.at(-1)).toEqual({ kind: "left", id: workers[0].last });
    workers[0].answer();
    await first;
    expect(pool.underWay("corner")).toEqual([]);
  });

  it("are not told of one that left after the answer", async () => {
    const { workers, ask } = poolOf(1);
    const left = new AbortController();
    const asked = ask("report", { left: left.signal });
    await tick();
    workers[0].answer();
    await asked;
    left.abort();
    await tick();
    expect(workers[0].heard.map(({ kind }) => kind)).not.toContain("left");
  });
});
