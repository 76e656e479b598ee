import { isRow } from "@core/feed/flatten";
import { JSONParser } from "@streamparser/json";
import { FeedError } from "./feed-error";
import { type FeedRow, LONGEST_LINE } from "./feed-row";
import { placeOfRows, type RowPlace } from "./json-shape";
import type { TextFile } from "./open-text";

/** Reads a JSON file that holds its rows in an array, at the top or inside objects, by their ids, or one after the other. */
export async function* readJson(file: TextFile): AsyncGenerator<FeedRow> {
  let entry = 0;
  for await (const value of readEntries(file, placeOfRows(file.head))) {
    entry++;
    yield isRow(value) ? { line: entry, row: value } : { line: entry, problem: "The entry is no object." };
  }
}

/** What is at a place, one after the other. A member of an object gets its name as its id where it has none. */
export async function* readEntries(file: TextFile, { path, kind }: RowPlace): AsyncGenerator<unknown> {
  const isRoot = kind === "roots";
  // A key that the parser would take for a pattern is matched by any, and looked at below.
  const pattern = path.map((key) => (key === "" || /[.*]/.test(key) ? "*" : key));
  const parser = new JSONParser({
    paths: [isRoot ? "$" : `$.${[...pattern, "*"].join(".")}`],
    keepStack: false,
    ...(isRoot ? { separator: "" } : {}),
  });
  const found: unknown[] = [];
  let sinceLast = 0;
  let failure: Error | null = null;
  parser.onValue = ({ value, key, stack }) => {
    sinceLast = 0;
    if (path.some((part, i) => stack[i + 1]?.key !== part)) return;
    if (kind === "members" ? typeof key !== "string" : kind === "array" && typeof key !== "number") return;
    const copy: unknown = structuredClone(value);
    found.push(kind === "members" && isRow(copy) && copy.id === undefined ? { id: key, ...copy } : copy);
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
  if (!parser.isEnded) parser.end();
  if (failure) throw new FeedError("The file ends in the middle: it is not JSON to its end. Export it again.");
}

function broken(error: Error): FeedError {
  const where = /position (\d+)/i.exec(error.message)?.[1];
  return new FeedError(`The file is not JSON${where ? ` from character ${where} on` : ""}. Export it again, or send JSON Lines.`);
}
