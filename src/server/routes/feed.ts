import { randomUUID } from "node:crypto";
import { createWriteStream, mkdirSync, rmSync } from "node:fs";
import { join } from "node:path";
import { Readable, Transform } from "node:stream";
import { pipeline } from "node:stream/promises";
import type { ReadableStream } from "node:stream/web";
import type { Context } from "hono";
import { z } from "zod";
import type { Engine } from "../engine/engine";
import type { Api } from "../http/api";
import { parseWith } from "../http/api";
import { notFound, Problem } from "../http/problem";
import type { Imports } from "../jobs/imports";
import { FORMATS, type Format } from "../jobs/read-feed";
import { JobShape } from "./shapes";

const MOST_BYTES = 2 * 1024 * 1024 * 1024;
const JobId = z.strictObject({ job: z.string() }).meta({ id: "JobId" });
const FeedQuery = z.object({
  format: z.string().optional(),
  mode: z.string().optional(),
  map: z.string().optional(),
  dry: z.string().optional(),
});
const Wishes = z.record(z.string().max(400), z.string().max(120));

const TYPES: Record<string, Format> = {
  "text/csv": "csv",
  "text/tab-separated-values": "tsv",
  "application/json": "json",
  "application/x-ndjson": "jsonl",
  "application/jsonl": "jsonl",
  "application/jsonlines": "jsonl",
};

export function feedRoutes(api: Api, engine: Engine, imports: Imports): void {
  const readJob = (id: string) => {
    const job = imports.job(id);
    if (!job) throw notFound(`job “${id}”`);
    const { store: _store, ...shape } = job;
    return shape;
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
        const store = engine.store(param("store")).row.id;
        const format = formatOf(c, query.format);
        const mode = query.mode ?? "replace";
        if (mode !== "replace" && mode !== "merge")
          throw new Problem(422, `mode: “${mode}” is not a mode; use replace or merge.`, [
            { path: "/mode", message: "Use replace or merge." },
          ]);
        const wishes = query.map === undefined ? {} : parseWith(Wishes, readMap(query.map));
        const upload = await receive(c, join(engine.directory, "stores", store));
        return { job: imports.start(store, upload, { format, mode, wishes, dry: query.dry === "true" }) };
      },
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

function formatOf(c: Context, asked: string | undefined): Format {
  const type = (c.req.header("content-type") ?? "").split(";")[0].trim().toLowerCase();
  const format = asked ?? TYPES[type];
  if ((FORMATS as readonly string[]).includes(format ?? "")) return format as Format;
  throw new Problem(415, `Say what the file is: format=${FORMATS.join(", format=")}, or a Content-Type such as text/csv.`);
}

function readMap(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    throw new Problem(422, "map: this is not JSON. Send an object from column to role or field.", [{ path: "/map", message: "Not JSON." }]);
  }
}

/** Writes the body to a file as it comes, so that its size costs no memory. */
async function receive(c: Context, folder: string): Promise<string> {
  const { body } = c.req.raw;
  if (!body) throw new Problem(400, "The file is empty.");
  mkdirSync(folder, { recursive: true });
  const upload = join(folder, `upload-${randomUUID()}`);
  let size = 0;
  const counter = new Transform({
    transform(chunk: Buffer, _encoding, done) {
      size += chunk.length;
      done(size > MOST_BYTES ? new Problem(413, "The file is larger than 2 GB.") : null, chunk);
    },
  });
  try {
    await pipeline(Readable.fromWeb(body as ReadableStream), counter, createWriteStream(upload));
  } catch (error) {
    rmSync(upload, { force: true });
    throw error instanceof Problem ? error : new Problem(400, "The upload broke off. Send the file again.");
  }
  if (size === 0) {
    rmSync(upload, { force: true });
    throw new Problem(400, "The file is empty.");
  }
  return upload;
}
