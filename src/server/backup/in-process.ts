import { execFile } from "node:child_process";
import { fileURLToPath } from "node:url";
import { promisify } from "node:util";

const PROGRAM = new URL("./backup.js", import.meta.url);

/** Makes a backup in a process of its own, so that no search waits for it. @throws with the words of that process. */
export async function backupInProcess(directory: string, file: string, store: string | null): Promise<void> {
  const args = [fileURLToPath(PROGRAM), "--data", directory, "--to", file, ...(store === null ? [] : ["--store", store])];
  await promisify(execFile)(process.execPath, args).catch((error: Error & { stderr?: string }) => {
    throw new Error(error.stderr?.trim() || error.message);
  });
}
