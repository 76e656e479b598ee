/** What came of one way to trouble a server. */
export interface Row {
  what: string;
  tried: number;
  /** Writes that were answered with success and are not there, or are there by half. */
  lost: number;
  /** Processes that ended by themselves. */
  crashes: number;
  /** Starts that were refused for more than what was damaged. */
  refused: number;
  /** Answers of 500 and above but 503 and 507. */
  failed: number;
  /** The longest time in which nothing was answered, in ms; null where that is not what it is about. */
  stall: number | null;
  note: string;
  /** What went wrong, for whoever looks into it. */
  details: string[];
}

export const newRow = (what: string): Row => ({
  what,
  tried: 0,
  lost: 0,
  crashes: 0,
  refused: 0,
  failed: 0,
  stall: null,
  note: "",
  details: [],
});

const HEAD = ["trouble", "tried", "lost", "crashes", "refused", "5xx", "longest stall", "note"];

export function tableOf(rows: readonly Row[]): string {
  const lines = rows.map((row) => [
    row.what,
    row.tried.toLocaleString("en"),
    row.lost,
    row.crashes,
    row.refused,
    row.failed,
    row.stall === null ? "" : `${Math.round(row.stall)} ms`,
    row.note,
  ]);
  const rule = HEAD.map((_, i) => (i === 0 || i === HEAD.length - 1 ? "---" : "---:"));
  return [HEAD, rule, ...lines].map((cells) => `| ${cells.join(" | ")} |`).join("\n");
}

export const isBad = ({ lost, crashes, refused, failed }: Row): boolean => lost + crashes + refused + failed > 0;

/** Numbers from 0 to 1 that are the same for the same seed (linear congruence). */
export function randomFrom(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state * 1664525 + 1013904223) >>> 0;
    return state / 2 ** 32;
  };
}

export const pick = <T>(random: () => number, list: readonly T[]): T => list[Math.floor(random() * list.length)];
