import { mkdirSync, mkdtempSync, rmSync } from "node:fs";
import { dirname, join, resolve } from "node:path";
import { pack } from "./archive";
import { copyData } from "./copy-data";
import type { StoreInBackup } from "./manifest";

/**
 * Saves the data of a folder to one file, whether a server is running on it or not.
 * @param only one store; null for all. @returns what is in it. @throws BackupError.
 */
export async function makeBackup(directory: string, to: string, only: string | null = null): Promise<StoreInBackup[]> {
  const target = resolve(to);
  mkdirSync(dirname(target), { recursive: true });
  const folder = mkdtempSync(join(dirname(target), ".backup-"));
  try {
    const madeAt = new Date().toISOString();
    const stores = await copyData(directory, folder, only);
    await pack(folder, target, { madeAt, store: only, stores });
    return stores;
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}
