import { randomUUID } from "node:crypto";
import { rm } from "node:fs/promises";
import { dirname, join } from "node:path";
import { FILES, type Files } from "./files";

/**
 * Removes a file whose name may be taken again at once. Large files take a while to go, which no search waits for; what
 * a stop leaves behind is removed at the next start.
 */
export function discard(file: string, files: Files = FILES): void {
  const gone = join(dirname(file), `gone-${randomUUID()}`);
  try {
    files.rename(file, gone);
  } catch {
    return;
  }
  void rm(gone, { force: true }).catch(() => undefined);
}
