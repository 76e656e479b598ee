import { createReadStream, existsSync } from "node:fs";
import { join } from "node:path";
import { Readable } from "node:stream";
import { GROUPING_WAYS, type GroupingWay } from "@core/feed/group-options";
import type { Wish } from "@core/feed/mapping";
import { parse } from "csv-parse";
import type { Context } from "hono";
import { z } from "zod";
import type { Engine } from "../engine/engine";
import { FORMATS, type Format } from "../feed/formats";
import type { Api } from "../http/api";
import { parseWith } from "../http/api";
import { notFound, Problem } from "../http/problem";
import { receive } from "../http/receive";
import type { Imports } from "../jobs/imports";
import { FeedMemoryPatch, FeedMemoryShape, JobInList, JobShape, ReadAgain, Wishes } from "./shapes";

const JobId = z.strictObject({ job: z.string() }).meta({ id: "JobId" });
const FeedQuery = z.object({
  format: z.string().optional(),
  mode: z.string().optional(),
  map: z.string().optional(),
  dry: z.string().optional(),
  options: z.string().optional(),
  name: z.string().optional(),
});

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

export function feedRoutes(api: Api, engine: Engine, imports: Imports): void {
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
  api
    .route({
      method: "post",
      path: "/api/stores/{store}/feed",
      summary: "Import a catalogue",
      accepts: "*",
      query: FeedQuery,
      answers: { status: 202, schema: JobId },
      handle: async ({ c, query, param }) => {
        const store = engine.store(param("store"));
        const format = formatFor(c, query.format);
        const mode = query.mode ?? "replace";
        if (mode !== "replace" && mode !== "merge")
          throw new Problem(422, `mode: “${mode}” is not a mode; use replace or merge.`, [
            { path: "/mode", message: "Use replace or merge." },
          ]);
        const wishes: Record<string, Wish> = query.map === undefined ? {} : parseWith(Wishes, readMap(query.map));
        const grouping = query.options === undefined ? undefined : readWays(query.options);
        const upload = await receive(c, engine.storeFolder(store.row.id));
        return { job: imports.start(store, upload, { format, mode, wishes, dry: query.dry === "true", grouping, name: query.name }) };
      },
    })
    .route({
      method: "post",
      path: "/api/stores/{store}/feed/again",
      summary: "Read the last file again, with other columns or options",
      body: ReadAgain,
      answers: { status: 202, schema: JobId },
      handle: ({ param, body: { map, options, ...rest } }) => ({
        job: imports.again(engine.store(param("store")), { ...rest, wishes: map, grouping: options, format: null }),
      }),
    })
    .route({
      method: "get",
      path: "/api/stores/{store}/feed/memory",
      summary: "What is remembered of the feeds for the next import",
      answers: { status: 200, schema: FeedMemoryShape },
      handle: ({ param }) => engine.tables.feeds.of(engine.store(param("store")).row.id),
    })
    .route({
      method: "patch",
      path: "/api/stores/{store}/feed/memory",
      summary: "Change what is remembered: groups that are no options, and the shares that make an import wait or stop",
      body: FeedMemoryPatch,
      answers: { status: 200, schema: FeedMemoryShape },
      handle: ({ param, body }) => engine.tables.feeds.change(engine.store(param("store")).row.id, body),
    })
    .route({
      method: "get",
      path: "/api/stores/{store}/jobs",
      summary: "The latest jobs of a store, the newest first",
      answers: { status: 200, schema: z.array(JobInList) },
      handle: ({ param }) => imports.jobs(engine.store(param("store")).row.id).map(({ store: _store, problems: _problems, ...job }) => job),
    })
    .route({
      method: "get",
      path: "/api/jobs/{job}/{list}",
      summary: "All problems of an import, by line and column: problems.csv or problems.jsonl",
      answers: { status: 200, type: "text/csv" },
      handle: ({ param }) => sendProblems(param("job"), param("list")),
    })
    .route({
      method: "get",
      path: "/api/jobs/{job}",
      summary: "How far a job is",
      answers: { status: 200, schema: JobShape },
      handle: ({ param }) => readJob(param("job")),
    })
    .route({
      method: "post",
      path: "/api/jobs/{job}/confirm",
      summary: "Say yes to a job that waits",
      answers: { status: 200, schema: JobShape },
      handle: ({ param }) => {
        readJob(param("job"));
        imports.confirm(param("job"));
        return readJob(param("job"));
      },
    })
    .route({
      method: "delete",
      path: "/api/jobs/{job}",
      summary: "Cancel a job",
      answers: { status: 200, schema: JobShape },
      handle: ({ param }) => {
        readJob(param("job"));
        imports.cancel(param("job"));
        return readJob(param("job"));
      },
    });
}

/** The format that was asked for or that the content type says; null where the file itself is to tell. */
function formatFor(c: Context, asked: string | undefined): Format | null {
  const type = (c.req.header("content-type") ?? "").split(";")[0].trim().toLowerCase();
  if (asked === undefined && SILENT.has(type)) return null;
  const format = asked ?? TYPES[type];
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
    return JSON.parse(text);
  } catch {
    throw new Problem(422, "map: this is not JSON. Send an object from column to role or field.", [{ path: "/map", message: "Not JSON." }]);
  }
}
