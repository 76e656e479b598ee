import type { Progress } from "@core/progress";
import { asTask, currentTask, shareWork, type Task } from "./task";
import { runYielding } from "./yielding";

/** Whoever asks, and may leave. */
function asker() {
  const told: Progress[] = [];
  const state = { isHere: true, told };
  const task: Task = { isWanted: () => state.isHere, report: (progress) => told.push(progress) };
  return Object.assign(state, { task });
}

/** Work in steps of 6 ms each, which counts them. */
function work(steps: number) {
  const count = { made: 0 };
  function* make() {
    while (count.made < steps) {
      const end = performance.now() + 6;
      while (performance.now() < end);
      count.made++;
      yield { done: count.made, of: steps, what: "searches" } satisfies Progress;
    }
  }
  return { count, run: async () => runYielding(make()).then(() => count.made) };
}

describe("work in steps", () => {
  it("tells its task how far it is, and ends soon after whoever waits has left", async () => {
    const one = asker();
    const { count, run } = work(1_000);
    const done = asTask(one.task, run);
    const refused = expect(done).rejects.toThrow("Nobody waits");
    while (one.told.length < 3) await new Promise((turn) => setImmediate(turn));
    expect(one.told[1]).toEqual({ done: 2, of: 1_000, what: "searches" });
    one.isHere = false;
    const made = count.made;
    await refused;
    expect(count.made - made).toBeLessThanOrEqual(1);
  });

  it("that belongs to nobody goes on to its end", async () => {
    expect(currentTask()).toBeUndefined();
    expect(await work(3).run()).toBe(3);
    const gone = asker();
    gone.isHere = false;
    expect(await asTask(gone.task, () => asTask(undefined, work(3).run))).toBe(3);
  });
});

describe("work that several wait for", () => {
  it("is done once, goes on while one of them is there, and tells each how far it is", async () => {
    const [first, second] = [asker(), asker()];
    const { run } = work(6);
    let begun = 0;
    const join = shareWork(() => {
      begun++;
      return run();
    });
    const results = [asTask(first.task, join), asTask(second.task, join)];
    first.isHere = false;
    expect(await Promise.all(results)).toEqual([6, 6]);
    expect(begun).toBe(1);
    expect(second.told.map(({ done }) => done)).toEqual([2, 3, 4, 5, 6]);
  });

  it("ends when the last of them left, also where it is part of other work that is shared", async () => {
    const [first, second] = [asker(), asker()];
    const { count, run } = work(1_000);
    const inner = shareWork(run);
    const outer = shareWork(async () => (await inner()) + 1);
    const results = [asTask(first.task, outer), asTask(second.task, outer)];
    const refused = Promise.all(results.map((result) => expect(result).rejects.toThrow("Nobody waits")));
    first.isHere = false;
    while (count.made < 3) await new Promise((turn) => setImmediate(turn));
    second.isHere = false;
    await refused;
    expect(count.made).toBeLessThan(1_000);
  });
});
