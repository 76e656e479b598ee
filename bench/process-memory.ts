import { readdirSync, readFileSync } from "node:fs";

/** The processes that a process runs now. */
export function processesOf(pid: number): number[] {
  return readdirSync(`/proc/${pid}/task`).flatMap((thread) =>
    readFileSync(`/proc/${pid}/task/${thread}/children`, "utf8").split(" ").filter(Boolean).map(Number),
  );
}

/** The most memory that a process has held so far, with that of the processes it runs now, in MB. */
function mostMemoryOf(pid: number): number {
  try {
    const own = Number(/VmHWM:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, "utf8"))?.[1] ?? 0) / 1024;
    return processesOf(pid).reduce((sum, child) => sum + mostMemoryOf(child), own);
  } catch {
    // It ended while it was looked at.
    return 0;
  }
}

/** Looks at a process again and again. @returns what ends the looking, and says the most it has held, in MB. */
export function watchMemory(pid: number, every = 50): () => number {
  let most = 0;
  const looking = setInterval(() => {
    most = Math.max(most, mostMemoryOf(pid));
  }, every);
  return () => {
    clearInterval(looking);
    return Math.max(most, mostMemoryOf(pid));
  };
}
