import { setImmediate } from "node:timers/promises";

const SLICE = 5;

/** Runs work that comes in steps, and lets everything else have its turn every few milliseconds. */
export async function runYielding(steps: Iterable<unknown>): Promise<void> {
  let started = performance.now();
  for (const _ of steps) {
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
