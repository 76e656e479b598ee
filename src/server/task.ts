import { AsyncLocalStorage } from "node:async_hooks";
import type { Progress } from "@core/progress";
import { Problem } from "./http/problem";

/** What something is worked out for. */
export interface Task {
  /** Whether anybody waits for it still: work in steps ends where nobody does. */
  isWanted(): boolean;
  /** Told how far the work is. */
  report(progress: Progress): void;
}

/** Ends work that nobody waits for any more; nobody is there to read it. */
export class NobodyWaits extends Problem {
  constructor() {
    super(503, "Nobody waits for this answer any more.");
  }
}

const tasks = new AsyncLocalStorage<Task | undefined>();

/** The task that what runs now belongs to; none for what is worked out for the server itself. */
export const currentTask = (): Task | undefined => tasks.getStore();

/** Begins work that belongs to a task. @param task none for work that goes on whoever leaves. */
export const asTask = <T>(task: Task | undefined, begin: () => T): T => tasks.run(task, begin);

/**
 * Begins work that several may wait for: it goes on as long as one of them does.
 * @returns what joins those who wait, and gives what the work comes to.
 */
export function shareWork<T>(begin: () => Promise<T>): () => Promise<T> {
  const askers: (Task | undefined)[] = [];
  const shared: Task = {
    isWanted: () => askers.some((asker) => asker === undefined || asker.isWanted()),
    report: (progress) => {
      for (const asker of askers) asker?.report(progress);
    },
  };
  let result: Promise<T> | null = null;
  return () => {
    askers.push(currentTask());
    result ??= asTask(shared, begin);
    return result;
  };
}
