/** A line of the table: what was measured, beside what, and the greatest ratio of the two that is good enough. */
export interface Figure {
  what: string;
  products: number;
  here: number;
  beside: number | null;
  /** What is beside; "" where nothing does. */
  than: string;
  unit: string;
  goal?: number;
}

export function quantile(values: readonly number[], share: number): number {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))];
}

export function timed<T>(work: () => T): [number, T] {
  const started = performance.now();
  const result = work();
  return [performance.now() - started, result];
}

export async function timedAsync(work: () => Promise<unknown>): Promise<number> {
  const started = performance.now();
  await work();
  return performance.now() - started;
}
