import { readdirSync } from "node:fs";
import { rm } from "node:fs/promises";
import { join } from "node:path";
import { Cron } from "croner";
import { noteTrouble } from "../operations/trouble";
import { backupInProcess } from "./in-process";
import { backupName, tooMany } from "./name";

/** When and where the data are saved by themselves. */
export interface BackupPlan {
  folder: string;
  /** A cron expression, in the time zone of the machine. */
  at: string;
  /** How many are kept; the oldest go. */
  keep: number;
}

/** The last backup that was made by itself. */
export interface LastBackup {
  at: string;
  file: string;
  /** Why it was not made; null where it was. */
  failure: string | null;
}

/** Saves the data by a plan. @returns what came of it last, and a way to end it. */
export function scheduleBackups(directory: string, { folder, at, keep }: BackupPlan) {
  let last: LastBackup | null = null;
  const job = new Cron(at, { protect: true, unref: true }, async () => {
    const now = new Date();
    const file = join(folder, backupName(now, null));
    try {
      await backupInProcess(directory, file, null);
      for (const name of tooMany(readdirSync(folder), keep)) await rm(join(folder, name), { force: true });
      last = { at: now.toISOString(), file, failure: null };
    } catch (error) {
      noteTrouble("The backup was not made", error);
      last = { at: now.toISOString(), file, failure: error instanceof Error ? error.message : String(error) };
    }
  });
  return { last: () => last, stop: () => job.stop() };
}

/** Whether a text is a cron expression. */
export function isSchedule(text: string): boolean {
  try {
    return new Cron(text, { paused: true }).nextRun() !== null;
  } catch {
    return false;
  }
}
