import { monitorEventLoopDelay } from "node:perf_hooks";

/**
 * For measuring from outside: on SIGUSR2 the longest stall of the event loop since the last signal, in milliseconds, is
 * written to standard error as one line of JSON.
 */
export function measureOnSignal(): void {
  const delay = monitorEventLoopDelay({ resolution: 5 });
  delay.enable();
  process.on("SIGUSR2", () => {
    const stall = Math.max(0, delay.max / 1e6 - 5);
    delay.reset();
    process.stderr.write(`${JSON.stringify({ stall })}\n`);
  });
}
