import { realpathSync, type Stats, statSync } from "node:fs";
import { join, normalize, resolve, sep } from "node:path";
import { serveStatic } from "@hono/node-server/serve-static";
import type { Context, MiddlewareHandler } from "hono";
import { etag } from "hono/etag";
import { notFound, Problem } from "./problem";

/** What is sent from folders; sources, maps and whatever else is beside it is not. */
const SENT = /\.(?:html|js|css|svg|woff2|json|png|ico)$/;

export interface Files {
  /** Folder on the disk. */
  folder: string;
  /** The file within it that an address means. */
  fileOf: (path: string) => string;
  headers: (path: string) => Record<string, string>;
  /** Whether each file has a compressed one beside it. */
  isCompressed?: boolean;
}

/**
 * Sends files of a folder, also when links lead out of it none that is outside: whole or in part, and nothing where the browser has it still.
 * A problem 404 where there is none, 416 for a part that it has not.
 */
export function sendFiles({ folder, fileOf, headers, isCompressed = false }: Files): MiddlewareHandler {
  const root = resolve(folder);
  const remember = etag();
  return (c, next) =>
    remember(c, async () => {
      const path = decodePath(c);
      const file = fileOf(path);
      const found = fileWithin(root, file);
      if (!found) throw notFound(`file “${file}”`);
      checkRange(c, found.size);
      c.header("accept-ranges", "bytes");
      c.header("etag", `W/"${found.size.toString(36)}-${Math.round(found.mtimeMs).toString(36)}"`);
      for (const [name, value] of Object.entries(headers(path))) c.header(name, value);
      // By its name on the disk: an address may be written in many ways.
      const answer = await serveStatic({ root, path: file, precompressed: isCompressed })(c, next);
      if (answer) c.res = answer;
    });
}

/** Whether a folder has a file that is sent. */
export const hasFile = (folder: string, path: string) => fileWithin(resolve(folder), path) !== null;

function fileWithin(root: string, path: string): Stats | null {
  const file = normalize(join(root, path));
  if (!file.startsWith(root + sep) || !SENT.test(file)) return null;
  const found = statSync(file, { throwIfNoEntry: false });
  return found?.isFile() && realpathSync(file).startsWith(realpathSync(root) + sep) ? found : null;
}

/** A part that begins behind the end is none. */
function checkRange(c: Context, size: number): void {
  const range = c.req.header("range");
  if (range === undefined) return;
  const [, from, to] = /^bytes=(\d+)-(\d*)$/.exec(range.trim()) ?? [];
  const isPart = from !== undefined && Number(from) < size && (to === "" || Number(to) >= Number(from));
  if (!isPart) throw new Problem(416, `The file has ${size} bytes; ask for a part of these, such as bytes=0-${Math.max(0, size - 1)}.`);
}

export function decodePath(c: Context): string {
  try {
    return decodeURIComponent(c.req.path);
  } catch {
    throw notFound(`address “${c.req.path}”`);
  }
}
