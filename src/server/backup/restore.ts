import { existsSync, mkdirSync, mkdtempSync, readdirSync, rmSync } from "node:fs";
import { basename, dirname, join, resolve } from "node:path";
import SQLite from "better-sqlite3";
import { FILES } from "../db/files";
import { MAIN } from "../db/folder";
import { holdingFolder } from "../db/lock";
import { unpack } from "./archive";
import { BackupError, type Manifest } from "./manifest";
import { putStore } from "./put-store";

/** What came of putting a backup back. */
interface Restored {
  manifest: Manifest;
  /** Where what was there before is kept now; null where nothing was. */
  before: string | null;
}

/**
 * Puts a backup back: all of it as the data folder, or the one store that it is of among the others. It is looked at whole before
 * anything is touched.
 * @param replaces whether what is there may give way; it is kept beside. @throws BackupError.
 */
export async function restore(from: string, to: string, replaces: boolean): Promise<Restored> {
  const directory = resolve(to);
  mkdirSync(dirname(directory), { recursive: true });
  const folder = mkdtempSync(join(dirname(directory), `.${basename(directory)}-restoring-`));
  try {
    const manifest = await unpack(resolve(from), folder);
    checkDatabases(from, folder);
    FILES.remove(join(folder, "manifest.json"));
    if (!holdsData(directory)) {
      rmSync(directory, { recursive: true, force: true });
      moveInto(folder, directory);
      return { manifest, before: null };
    }
    const before = await holdingFolder(directory, () =>
      manifest.store === null ? replaceAll(folder, directory, replaces) : putStore(folder, directory, manifest.store, replaces),
    );
    return { manifest, before };
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

/** A folder that was only ever locked holds nothing. */
const holdsData = (directory: string) => existsSync(directory) && readdirSync(directory).some((name) => !/^(lock\.db.*|open)$/.test(name));

function checkDatabases(from: string, folder: string): void {
  for (const name of readdirSync(folder, { recursive: true }).map(String)) {
    if (!name.endsWith(".db")) continue;
    const db = new SQLite(join(folder, name), { readonly: true });
    try {
      if (db.pragma("integrity_check(1)", { simple: true }) !== "ok") throw new Error();
    } catch {
      throw new BackupError(`${from}: ${name} in it is damaged. Nothing was changed; take another backup.`);
    } finally {
      db.close();
    }
  }
  if (!existsSync(join(folder, MAIN))) throw new BackupError(`${from} has no ${MAIN}, so it is no backup of a data folder.`);
}

function replaceAll(folder: string, directory: string, replaces: boolean): string {
  if (!replaces)
    throw new BackupError(
      `${directory} holds data already, and nothing was changed. Choose another folder with --data, or say --replace: what is there is kept beside it.`,
    );
  const before = `${directory}.before-${new Date().toISOString().replace(/[:.]/g, "-")}`;
  FILES.rename(directory, before);
  moveInto(folder, directory);
  return before;
}

function moveInto(folder: string, directory: string): void {
  FILES.rename(folder, directory);
  FILES.sync(dirname(directory));
}
