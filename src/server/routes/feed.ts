import { createReadStream, existsSync } from "node:fs";
import { join } from "node:path";
import { Readable } from "node:stream";
import { ColumnWishes } from "@contract/feed";
import { GROUPING_WAYS, type GroupingWay } from "@core/feed/group-options";
import type { Wish } from "@core/feed/mapping";
import { lookUp } from "@core/records";
import { readJson } from "@core/text/read-json";
import { parse } from "csv-parse";
import type { Context } from "hono";
import type { Engine } from "../engine/engine";
import { FORMATS, type Format } from "../feed/formats";
import { notFound, Problem } from "../http/problem";
import { receive } from "../http/receive";
import { parseWith } from "../http/serve";
import type { Imports } from "../jobs/imports";
import type { SomeHandlers } from "./handlers";

const TYPES: Record<string, Format> = {
  "text/csv": "csv",
  "text/tab-separated-values": "tsv",
  "application/json": "json",
  "application/x-ndjson": "jsonl",
  "application/jsonl": "jsonl",
  "application/jsonlines": "jsonl",
  "application/ld+json": "jsonld",
  "application/rss+xml": "rss",
  "application/atom+xml": "rss",
  "application/xml": "rss",
  "text/xml": "rss",
};

/** Types that say nothing of what the file holds: it is looked into. */
const SILENT = new Set(["", "application/octet-stream", "application/gzip", "application/x-gzip", "text/plain", "multipart/form-data"]);

export function feedHandlers(engine: Engine, imports: Imports) {
  const readJob = (id: string) => {
    const job = imports.job(id);
    if (!job) throw notFound(`job “${id}”`);
    const { store: _store, createdAt: _createdAt, ...shape } = job;
    return shape;
  };
  const sendProblems = (id: string, list: string): Response => {
    const format = list.replace(/^problems\./, "");
    const job = imports.job(id);
    const file = job ? join(engine.storeFolder(job.store), `problems-${job.id}.csv`) : "";
    if (!job || !existsSync(file) || (format !== "csv" && format !== "jsonl")) throw notFound(`list of problems of job “${id}”`);
    const table = createReadStream(file);
    const body =
      format === "csv"
        ? table
        : Readable.from(
            asLines(table.pipe(parse({ columns: true, cast: (value, { column }) => (column === "line" ? Number(value) : value) }))),
          );
    const type = format === "csv" ? "text/csv" : "application/x-ndjson";
    return new Response(Readable.toWeb(body) as ReadableStream, {
      headers: { "content-type": `${type}; charset=utf-8`, "content-disposition": `attachment; filename="problems.${format}"` },
    });
  };
  return {
    "POST /api/stores/{store}/feed": async ({ c, query, params }) => {
      const store = engine.store(params.store);
      const format = formatFor(c, query.format);
      const wishes: Record<string, Wish> = query.map === undefined ? {} : parseWith(ColumnWishes, readMap(query.map));
      const grouping = query.options === undefined ? undefined : readWays(query.options);
      const upload = await receive(c, engine.storeFolder(store.row.id));
      return {
        job: imports.start(store, upload, { format, mode: query.mode, wishes, dry: query.dry === "true", grouping, name: query.name }),
      };
    },
    "POST /api/stores/{store}/feed/again": ({ params, body: { map, options, ...rest } }) => ({
      job: imports.again(engine.store(params.store), { ...rest, wishes: map, grouping: options, format: null }),
    }),
    "GET /api/stores/{store}/feed/memory": ({ params }) => engine.tables.feeds.of(engine.store(params.store).row.id),
    "PATCH /api/stores/{store}/feed/memory": ({ params, body }) => engine.tables.feeds.change(engine.store(params.store).row.id, body),
    "GET /api/stores/{store}/jobs": ({ params }) =>
      imports.jobs(engine.store(params.store).row.id).map(({ store: _store, problems: _problems, ...job }) => job),
    "GET /api/jobs/{job}/{list}": ({ params }) => sendProblems(params.job, params.list),
    "GET /api/jobs/{job}": ({ params }) => readJob(params.job),
    "POST /api/jobs/{job}/confirm": ({ params }) => {
      readJob(params.job);
      imports.confirm(params.job);
      return readJob(params.job);
    },
    "DELETE /api/jobs/{job}": ({ params }) => {
      readJob(params.job);
      imports.cancel(params.job);
      return readJob(params.job);
    },
  } satisfies SomeHandlers;
}

/** The format that was asked for or that the content type says; null where the file itself is to tell. */
function formatFor(c: Context, asked: string | undefined): Format | null {
  const type = (c.req.header("content-type") ?? "").split(";")[0].trim().toLowerCase();
  if (asked === undefined && SILENT.has(type)) return null;
  const format = asked ?? lookUp(TYPES, type);
  if ((FORMATS as readonly string[]).includes(format ?? "")) return format as Format;
  throw new Problem(415, `Say what the file is: format=${FORMATS.join(", format=")}, or a Content-Type such as text/csv.`);
}

function readWays(text: string): GroupingWay[] {
  const ways = text.split(",").filter((way) => way !== "" && way !== "none");
  const wrong = ways.find((way) => !(GROUPING_WAYS as readonly string[]).includes(way));
  if (wrong)
    throw new Problem(422, `options: “${wrong}” is no way to find options; use ${GROUPING_WAYS.join(", ")} or none.`, [
      { path: "/options", message: "Not a way." },
    ]);
  return ways as GroupingWay[];
}

async function* asLines(rows: AsyncIterable<unknown>): AsyncGenerator<string> {
  for await (const row of rows) yield `${JSON.stringify(row)}\n`;
}

function readMap(text: string): unknown {
  try {
    return readJson(text);
  } catch {
    throw new Problem(422, "map: this is not JSON. Send an object from column to role or field.", [{ path: "/map", message: "Not JSON." }]);
  }
}
