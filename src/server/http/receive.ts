import { randomUUID } from "node:crypto";
import { createWriteStream, mkdirSync, rmSync } from "node:fs";
import type { IncomingMessage } from "node:http";
import { join } from "node:path";
import { Readable, Transform } from "node:stream";
import { pipeline } from "node:stream/promises";
import type { ReadableStream } from "node:stream/web";
import type { HttpBindings } from "@hono/node-server";
import type { Context } from "hono";
import { hasNoSpace } from "../operations/trouble";
import { Problem } from "./problem";

const MOST_BYTES = 2 * 1024 * 1024 * 1024;

/** How long a body that is held in memory may take to come, in ms. */
const MOST_WAIT = 30_000;

const LATE = `The body did not come within ${MOST_WAIT / 1000} seconds. Send it again.`;
const BROKEN = "The upload broke off. Send the file again.";

/**
 * Reads a request's body as it comes, and stops as soon as it is too large or takes too long: neither costs memory.
 * @throws Problem 413, 408.
 */
export async function receiveBytes(c: Context, most: number, what = "file"): Promise<Buffer> {
  const tooLarge = () =>
    new Problem(
      413,
      `The ${what} is larger than ${most < 1024 * 1024 ? `${most / 1024} kB` : `${most / 1024 / 1024} MB`}. Send it in parts.`,
    );
  const length = c.req.header("content-length");
  if (Number(length ?? 0) > most) throw tooLarge();
  const incoming = (c.env as Partial<HttpBindings> | undefined)?.incoming;
  if (incoming && length !== undefined) return receiveWhole(incoming);
  const reader = c.req.raw.body?.getReader();
  const chunks: Uint8Array[] = [];
  let size = 0;
  let isLate = false;
  const timer = setTimeout(() => {
    isLate = true;
    void reader?.cancel().catch(() => undefined);
  }, MOST_WAIT);
  try {
    for (let part = await reader?.read(); part && !part.done; part = await reader?.read()) {
      size += part.value.length;
      if (size > most) throw tooLarge();
      chunks.push(part.value);
    }
  } catch (error) {
    if (error instanceof Problem || hasNoSpace(error)) throw error;
    if (!isLate) throw new Problem(400, BROKEN);
  } finally {
    clearTimeout(timer);
    // What is not read is left to the connection: it is not cut before the answer has come through.
    reader?.releaseLock();
  }
  if (isLate) throw new Problem(408, LATE);
  return Buffer.concat(chunks);
}

/** The body of a request that says how long it is, as it comes from the connection: the server gives no more than that. */
function receiveWhole(incoming: IncomingMessage): Promise<Buffer> {
  return new Promise((done, fail) => {
    const chunks: Buffer[] = [];
    const timer = setTimeout(() => end(new Problem(408, LATE)), MOST_WAIT);
    const end = (problem: Problem | null) => {
      clearTimeout(timer);
      incoming.off("data", take).off("end", whole).off("close", broken);
      if (problem) fail(problem);
      else done(chunks.length === 1 ? chunks[0] : Buffer.concat(chunks));
    };
    const take = (chunk: Buffer) => void chunks.push(chunk);
    const whole = () => end(null);
    const broken = () => end(new Problem(400, BROKEN));
    incoming.on("data", take).on("end", whole).on("close", broken);
  });
}

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
    throw error instanceof Problem || hasNoSpace(error) ? error : new Problem(400, BROKEN);
  }
  if (size === 0) {
    rmSync(upload, { force: true });
    throw new Problem(400, "The file is empty.");
  }
  return upload;
}
