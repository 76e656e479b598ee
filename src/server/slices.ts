import { setImmediate } from "node:timers/promises";

const SLICE = 5;

/** Runs work that comes in steps, and lets everything else have its turn every few milliseconds. */
export async function inSlices(steps: Iterable<unknown>): Promise<void> {
  let started = performance.now();
  for (const _ of steps) {
    if (performance.now() - started < SLICE) continue;
    await setImmediate();
    started = performance.now();
  }
}
