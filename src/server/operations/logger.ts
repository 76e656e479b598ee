import pino from "pino";

export const LEVELS = ["debug", "info", "warn", "error", "silent"] as const;
export type Level = (typeof LEVELS)[number];

/** What the server writes down: a line of JSON each on the standard error stream, at once, so that the last one before an end is there too. */
export const log = pino(
  { base: null, timestamp: pino.stdTimeFunctions.isoTime, formatters: { level: (level) => ({ level }) } },
  pino.destination({ dest: 2, sync: true }),
);

export function setLogLevel(level: Level): void {
  log.level = level;
}
