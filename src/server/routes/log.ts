import { rmSync } from "node:fs";
import { Readable } from "node:stream";
import { queryKey } from "@core/log/tally";
import type { Engine } from "../engine/engine";
import { personOf } from "../http/person";
import { Problem } from "../http/problem";
import { receive } from "../http/receive";
import { type EventFormat, isEventFormat } from "../log/event-lines";
import { eventTexts } from "../log/event-texts";
import { readEvents } from "../log/read-events";
import type { Workers } from "../workers/workers";
import type { SomeHandlers } from "./handlers";

const TYPES: Record<EventFormat, string> = { csv: "text/csv; charset=utf-8", jsonl: "application/x-ndjson; charset=utf-8" };

/** What shoppers did: recorded, counted, read and written as a file; and what was thought of results. */
export function logHandlers(engine: Engine, workers: Workers) {
  const { events, snapshots, judgments } = engine;
  const idOf = ({ store }: { store: string }) => engine.store(store).row.id;
  const summary = (params: { store: string }) => workers.workOut(engine.store(params.store), "log", { store: params.store });
  return {
    "POST /api/stores/{store}/events": ({ body, params }) => {
      events.add(idOf(params), Array.isArray(body) ? body : [body]);
    },
    "PATCH /api/stores/{store}/log": ({ params, body }) => {
      events.setKeepDays(idOf(params), body.keepDays);
      return summary(params);
    },
    "POST /api/stores/{store}/log/snapshots": async ({ params }) => {
      await snapshots.take(idOf(params));
      return summary(params);
    },
    "GET /api/stores/{store}/log/{file}": ({ params }) => {
      const id = idOf(params);
      const [what, format] = params.file.split(".");
      if (what !== "events" || !isEventFormat(format)) throw new Problem(404, "The log can be had as events.csv and events.jsonl.");
      events.flush();
      return new Response(Readable.toWeb(Readable.from(eventTexts(engine.db.name, id, format))) as ReadableStream, {
        headers: { "content-type": TYPES[format], "content-disposition": `attachment; filename="${id}-events.${format}"` },
      });
    },
    "POST /api/stores/{store}/log/events": async ({ c, params, query }) => {
      const id = idOf(params);
      const upload = await receive(c, engine.storeFolder(id));
      try {
        const report = await readEvents(upload, query.format, (batch) => events.write(id, batch));
        await snapshots.take(id);
        return report;
      } finally {
        rmSync(upload, { force: true });
      }
    },
    "GET /api/stores/{store}/judgments": ({ params, query }) =>
      query.query === undefined ? judgments.all(idOf(params)) : judgments.ofQuery(idOf(params), queryKey(query.query)),
    "PUT /api/stores/{store}/judgments": ({ c, params, body }) => {
      const id = idOf(params);
      const query = queryKey(body.query);
      if (query === "") throw new Problem(422, "query: A search without a word cannot be judged.");
      if (body.verdict === null) judgments.remove(id, query, body.product);
      else judgments.put(id, { query, product: body.product, verdict: body.verdict, by: personOf(c), at: new Date().toISOString() });
      return judgments.ofQuery(id, query);
    },
  } satisfies SomeHandlers;
}
