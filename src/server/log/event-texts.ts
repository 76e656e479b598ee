import { once } from "node:events";
import { Worker } from "node:worker_threads";
import type { EventFormat } from "./event-lines";

/** A store's events as a text file, piece by piece as it is taken; a thread of its own reads and writes them, so that no search waits. */
export async function* eventTexts(database: string, store: string, format: EventFormat): AsyncGenerator<string> {
  const worker = new Worker(new URL("./event-texts-worker.js", import.meta.url), { workerData: { database, store, format } });
  try {
    for (;;) {
      worker.postMessage("next");
      const [piece] = (await once(worker, "message")) as [string | null];
      if (piece === null) return;
      yield piece;
    }
  } finally {
    await worker.terminate();
  }
}
