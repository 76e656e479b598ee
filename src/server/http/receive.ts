import { randomUUID } from "node:crypto";
import { createWriteStream, mkdirSync, rmSync } from "node:fs";
import { join } from "node:path";
import { Readable, Transform } from "node:stream";
import { pipeline } from "node:stream/promises";
import type { ReadableStream } from "node:stream/web";
import type { Context } from "hono";
import { hasNoSpace } from "../trouble";
import { Problem } from "./problem";

const MOST_BYTES = 2 * 1024 * 1024 * 1024;

/** Writes a request's body to a file of a folder as it comes, so that its size costs no memory. @returns the file. */
export async function receive(c: Context, folder: string): Promise<string> {
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
    throw error instanceof Problem || hasNoSpace(error) ? error : new Problem(400, "The upload broke off. Send the file again.");
  }
  if (size === 0) {
    rmSync(upload, { force: true });
    throw new Problem(400, "The file is empty.");
  }
  return upload;
}
