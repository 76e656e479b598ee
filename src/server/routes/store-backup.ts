import { createReadStream } from "node:fs";
import { mkdtemp, rm, stat } from "node:fs/promises";
import { tmpdir } from "node:os";
import { basename, join } from "node:path";
import { Readable } from "node:stream";
import { backupInProcess } from "../backup/in-process";
import { backupName } from "../backup/name";
import type { Engine } from "../engine/engine";
import { Problem } from "../http/problem";
import { hasNoSpace, noteTrouble } from "../operations/trouble";

/** Saves a store beside the searches, and sends the file as it is read; it is gone when it was sent. */
export async function sendBackup(engine: Engine, store: string): Promise<Response> {
  // What shoppers just did goes along.
  engine.events.flush();
  engine.offers.flush();
  const folder = await mkdtemp(join(tmpdir(), "clever-shelf-"));
  const file = join(folder, backupName(new Date(), store));
  const remove = () => rm(folder, { recursive: true, force: true }).catch(() => undefined);
  try {
    await backupInProcess(engine.directory, file, store);
    const sent = createReadStream(file);
    sent.once("close", remove);
    const headers = {
      "content-type": "application/gzip",
      "content-length": String((await stat(file)).size),
      "content-disposition": `attachment; filename="${basename(file)}"`,
    };
    return new Response(Readable.toWeb(sent) as unknown as BodyInit, { headers });
  } catch (error) {
    await remove();
    if (hasNoSpace(error)) throw error;
    noteTrouble(`The backup of “${store}” was not made`, error);
    throw new Problem(503, `The backup was not made: ${error instanceof Error ? error.message : String(error)}`);
  }
}
