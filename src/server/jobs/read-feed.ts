import { closeSync, createReadStream, openSync, readFileSync, readSync } from "node:fs";
import { createInterface } from "node:readline";
import { isRow, type Row } from "@core/catalogue/mapping";
import { parse } from "csv-parse";

export const FORMATS = ["csv", "tsv", "json", "jsonl"] as const;
export type Format = (typeof FORMATS)[number];

/** A row of the feed with its line, or a line that could not be read. */
export type FeedRow = { line: number; row: Row } | { line: number; problem: string };

/** A feed that cannot be read at all: says why, and what to do. */
export class FeedError extends Error {}

const LONGEST_LINE = 8 * 1024 * 1024;

/** Reads the rows of a feed file one after the other. */
export function readFeed(file: string, format: Format): AsyncGenerator<FeedRow> {
  if (looksBinary(file))
    throw new FeedError("The file is not text: it holds bytes that no CSV or JSON file has. Export it again as UTF-8 text.");
  if (format === "jsonl") return readLines(file);
  if (format === "json") return readArray(file);
  return readTable(file, format === "tsv" ? "\t" : delimiterOf(readHead(file).toString("utf8")));
}

const HEAD = 8192;

function looksBinary(file: string): boolean {
  return readHead(file).includes(0);
}

function readHead(file: string): Buffer {
  const head = Buffer.alloc(HEAD);
  const descriptor = openSync(file, "r");
  try {
    return head.subarray(0, readSync(descriptor, head, 0, HEAD, 0));
  } finally {
    closeSync(descriptor);
  }
}

/** The sign that parts the columns: the one that the first line has most of, outside quotes. A comma where there is none. */
export function delimiterOf(head: string): string {
  const [line] = head.replace(/^\uFEFF/, "").split(/\r?\n/);
  const plain = line.replace(/"(?:[^"]|"")*"/g, "");
  const counted = [",", ";", "\t", "|"].map((sign) => ({ sign, count: plain.split(sign).length - 1 }));
  return counted.reduce((best, entry) => (entry.count > best.count ? entry : best)).sign;
}

async function* readLines(file: string): AsyncGenerator<FeedRow> {
  let line = 0;
  for await (const text of createInterface({ input: createReadStream(file, "utf8"), crlfDelay: Number.POSITIVE_INFINITY })) {
    line++;
    const trimmed = text.replace(/^\uFEFF/, "").trim();
    if (trimmed === "") continue;
    if (trimmed.length > LONGEST_LINE) {
      yield { line, problem: `The line is longer than ${LONGEST_LINE / 1024 / 1024} million characters; it was skipped.` };
      continue;
    }
    yield parseLine(trimmed, line);
  }
}

function parseLine(text: string, line: number): FeedRow {
  try {
    const row: unknown = JSON.parse(text);
    return isRow(row) ? { line, row } : { line, problem: "The line is JSON, but no object; it was skipped." };
  } catch {
    return { line, problem: "The line is not JSON; it was skipped." };
  }
}

async function* readArray(file: string): AsyncGenerator<FeedRow> {
  let parsed: unknown;
  try {
    parsed = JSON.parse(readFileSync(file, "utf8").replace(/^\uFEFF/, ""));
  } catch (error) {
    throw new FeedError(`The file is not JSON: ${error instanceof Error ? error.message : "it cannot be read"}.`);
  }
  const rows = Array.isArray(parsed) ? parsed : isRow(parsed) ? Object.values(parsed).find(Array.isArray) : undefined;
  if (!rows) throw new FeedError("The file holds no list of products. Send an array of objects.");
  for (const [i, row] of rows.entries())
    yield isRow(row) ? { line: i + 1, row } : { line: i + 1, problem: "The entry is no object; it was skipped." };
}

async function* readTable(file: string, delimiter: string): AsyncGenerator<FeedRow> {
  const parser = createReadStream(file).pipe(
    parse({
      delimiter,
      bom: true,
      columns: true,
      info: true,
      relax_column_count: true,
      skip_empty_lines: true,
      trim: true,
      max_record_size: LONGEST_LINE,
      skip_records_with_error: false,
    }),
  );
  try {
    for await (const { record, info } of parser) yield { line: info.lines, row: record };
  } catch (error) {
    throw new FeedError(
      `The table cannot be read: ${error instanceof Error ? error.message : "it is broken"}. Check its quotes and export it again.`,
    );
  }
}
