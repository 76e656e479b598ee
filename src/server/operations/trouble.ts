import { log } from "./logger";

/** What went wrong in the background, where nobody waits for an answer that could say it. */
interface Trouble {
  what: string;
  why: string;
  /** In milliseconds since 1970. */
  at: number;
}

const TOLD_FOR = 10 * 60_000;
let last: Trouble | null = null;

/** Writes down that something went wrong; the process goes on. @param error may be said in words, where nothing was thrown. */
export function noteTrouble(what: string, error: unknown): void {
  const why = hasNoSpace(error) ? "there is no space left on the disk" : error instanceof Error ? error.message : String(error);
  log.error({ ...(hasNoSpace(error) || typeof error === "string" ? {} : { err: error }) }, `${what}: ${why}`);
  last = { what, why, at: Date.now() };
}

/** What went wrong in the last minutes, in a sentence; null where nothing did. */
export function troubleNow(now = Date.now()): string | null {
  return last && now - last.at < TOLD_FOR ? `${last.what}: ${last.why}.` : null;
}

/** Does what would be well to write. On a full disk it is left, which is told where words are given. @returns whether it was done. */
export function whereThereIsRoom(write: () => unknown, otherwise: string | null = null): boolean {
  try {
    write();
    return true;
  } catch (error) {
    if (!hasNoSpace(error)) throw error;
    if (otherwise) noteTrouble(otherwise, error);
    return false;
  }
}

/** Codes of the system and of the database that mean a full disk, or a quota that is used up. */
const FULL = new Set(["ENOSPC", "EDQUOT", "SQLITE_FULL"]);

export function hasNoSpace(error: unknown): boolean {
  return error instanceof Error && (FULL.has(String((error as NodeJS.ErrnoException).code)) || hasNoSpace(error.cause));
}
