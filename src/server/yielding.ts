import { setImmediate } from "node:timers/promises";
import { isProgress } from "@core/progress";
import { currentTask, NobodyWaits } from "./task";

const SLICE = 5;

/**
 * Runs work that comes in steps, and lets everything else have its turn every few milliseconds. Steps that say how far the work is are
 * told to its task.
 * @throws NobodyWaits where its task is wanted by nobody any more.
 */
export async function runYielding(steps: Iterable<unknown>): Promise<void> {
  const task = currentTask();
  let started = performance.now();
  for (const step of steps) {
    if (performance.now() - started < SLICE) continue;
    if (isProgress(step)) task?.report(step);
    await setImmediate();
    if (task?.isWanted() === false) throw new NobodyWaits();
    started = performance.now();
  }
}

/** Items one after the other, with a turn for everything else every few milliseconds; for what is sent as it is made. */
export async function* inTurns<T>(items: Iterable<T>): AsyncGenerator<T> {
  let started = performance.now();
  for (const item of items) {
    yield item;
    if (performance.now() - started < SLICE) continue;
    await setImmediate();
    started = performance.now();
  }
}

/** What work comes to that comes in steps, done in slices. */
export async function resultOf<T>(steps: Generator<unknown, T>): Promise<T> {
  let result: { value: T } | null = null;
  await runYielding(
    (function* () {
      result = { value: yield* steps };
    })(),
  );
  if (result === null) throw new Error("The work did not come to its end.");
  return (result as { value: T }).value;
}
