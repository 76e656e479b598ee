import { isRow } from "@core/feed/flatten";
import { JSONParser } from "@streamparser/json";
import { FeedError } from "./feed-error";
import { type FeedRow, LONGEST_LINE } from "./feed-row";
import type { TextFile } from "./open-text";

/** Reads a JSON file that holds its rows in an array, at the top or inside objects, one entry after the other. */
export async function* readJson(file: TextFile): AsyncGenerator<FeedRow> {
  let entry = 0;
  for await (const value of readEntries(file, arrayIn(file.head))) {
    entry++;
    yield isRow(value) ? { line: entry, row: value } : { line: entry, problem: "The entry is no object." };
  }
}

/** The entries of the array that stands under a path of keys. */
export async function* readEntries(file: TextFile, path: readonly string[]): AsyncGenerator<unknown> {
  const parser = new JSONParser({ paths: [`$.${[...path, "*"].join(".")}`], keepStack: false });
  const found: unknown[] = [];
  let sinceLast = 0;
  let failure: Error | null = null;
  parser.onValue = ({ value, key }) => {
    if (typeof key === "number") found.push(structuredClone(value));
    sinceLast = 0;
  };
  parser.onError = (error) => {
    failure = error;
  };
  for await (const chunk of file.open()) {
    sinceLast += (chunk as Buffer).length;
    parser.write(chunk as Buffer);
    if (failure) throw broken(failure);
    if (sinceLast > LONGEST_LINE * 2)
      throw new FeedError("An entry of the file is larger than 16 MB. Check that its brackets and quotes are closed.");
    yield* found;
    found.length = 0;
  }
  if (!parser.isEnded) throw new FeedError("The file ends in the middle: it is not JSON to its end. Export it again.");
}

function broken(error: Error): FeedError {
  const where = /position (\d+)/i.exec(error.message)?.[1];
  return new FeedError(`The file is not JSON${where ? ` from character ${where} on` : ""}. Export it again, or send JSON Lines.`);
}

/**
 * The keys that lead to the first array of objects, as far as the beginning of the file shows it.
 * @throws FeedError when it shows none.
 */
export function arrayIn(head: string): string[] {
  const tokens = head.replace(/^\uFEFF/, "").matchAll(/"(?:[^"\\]|\\.)*"|[[\]{}:,]|[^\s[\]{}:,"]+/g);
  const path: { kind: "object" | "array"; key: string | null }[] = [];
  let last = "";
  let before = "";
  for (const [token] of tokens) {
    const top = path.at(-1);
    if (token === "{" && top?.kind === "array") return path.flatMap(({ kind, key }) => (kind === "object" && key !== null ? [key] : []));
    if (token === ":" && top) top.key = unquote(last);
    if (token === "{") path.push({ kind: "object", key: null });
    if (token === "[") {
      if (top?.kind === "array") path.push({ kind: "array", key: null });
      else path.push({ kind: "array", key: null });
    }
    if (token === "}" || token === "]") path.pop();
    if (path.length === 0 && before === "" && token !== "{" && token !== "[") break;
    before = last;
    last = token;
  }
  if (/^\s*\[\s*\]\s*$/.test(head)) return [];
  if (!/^\s*[[{]/.test(head)) throw new FeedError("The file is not JSON. Export it again, or send JSON Lines.");
  try {
    JSON.parse(head);
  } catch {
    throw new FeedError("The file is not JSON, or holds no list of products near its beginning. Send an array of objects.");
  }
  throw new FeedError("The file holds no list of products. Send an array of objects.");
}

function unquote(token: string): string {
  try {
    return String(JSON.parse(token));
  } catch {
    return token;
  }
}
