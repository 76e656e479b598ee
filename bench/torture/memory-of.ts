import { readFileSync } from "node:fs";

/** Memory that a process has in use, in MB. */
export function memoryOf(pid: number): number {
  const found = /VmRSS:\s+(\d+) kB/.exec(readFileSync(`/proc/${pid}/status`, "utf8"));
  return Math.round(Number(found?.[1] ?? 0) / 1024);
}

export const median = (numbers: readonly number[]): number => [...numbers].sort((a, b) => a - b)[Math.floor(numbers.length / 2)] ?? 0;
