import type { LogStats } from "@core/log/tally";
import type { Together } from "@core/log/together";

const memory = new WeakMap<LogStats, Together>();

/** What was bought together, laid out once for each count of a log. */
export function togetherOf(stats: LogStats): Together {
  let together = memory.get(stats);
  if (!together) {
    together = new Map(Object.entries(stats.together));
    memory.set(stats, together);
  }
  return together;
}
