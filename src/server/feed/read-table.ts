import type { Row } from "@core/feed/flatten";
import { lookUp, setOwn } from "@core/records";
import { CsvError, parse } from "csv-parse";
import { FeedError, MOST_COLUMNS, tooManyColumns } from "./feed-error";
import { type FeedRow, LONGEST_LINE } from "./feed-row";
import type { TextFile } from "./open-text";
import { type TableHead, tableHead } from "./table-head";

const LONGEST_HEADER = 60_000;
/** How quotes are read: by the standard; with such as stand alone taken as they are; as any other sign. */
type Quotes = "strict" | "loose" | "none";
/** Errors of the parser after which its quotes are read in another way. */
const UNPAIRED = new Set(["CSV_NON_TRIMABLE_CHAR_AFTER_CLOSING_QUOTE", "CSV_INVALID_CLOSING_QUOTE"]);
const UNCLOSED = new Set(["CSV_QUOTE_NOT_CLOSED", "CSV_MAX_RECORD_SIZE"]);

/** Reads a table with one line a product (RFC 4180, and what programs make of it). */
export async function* readTable(file: TextFile, format: "csv" | "tsv"): AsyncGenerator<FeedRow> {
  if (file.head.length > LONGEST_HEADER && !/[\r\n]/.test(file.head))
    throw new FeedError(
      `The first line, which names the columns, is longer than ${LONGEST_HEADER} characters. Check that it is a table with one line a product.`,
    );
  const found = tableHead(file.head);
  const head = format === "tsv" && !found.namesDelimiter ? { ...found, delimiter: "\t" } : found;
  const sofar: Sofar = { done: 0, line: 1, hasLongCells: false };
  for (let quotes: Quotes | null = "strict"; quotes; ) {
    try {
      yield* rowsOf(file, head, quotes, sofar);
      return;
    } catch (error) {
      if (error instanceof FeedError) throw error;
      quotes = nextReading(error, quotes, head.delimiter === "\t" && !sofar.hasLongCells);
      if (!quotes) throw new FeedError(sayError(error, sofar.line));
    }
  }
}

/** How far a table has been read. */
interface Sofar {
  /** Rows, and lines that are none, which were handed on. */
  done: number;
  /** The line of the last record. */
  line: number;
  /** Whether a cell goes over several lines, for which it must be quoted. */
  hasLongCells: boolean;
}

/** Another way of reading the quotes, from the record on at which this one failed; null where there is none. */
function nextReading(error: unknown, quotes: Quotes, mayHaveNone: boolean): Quotes | null {
  if (!(error instanceof CsvError) || quotes === "none") return null;
  const isUnpaired = UNPAIRED.has(error.code);
  if (mayHaveNone && (isUnpaired || UNCLOSED.has(error.code))) return "none";
  return isUnpaired && quotes === "strict" ? "loose" : null;
}

/** Reads the rows of a table that come after those so far, the lines that are none among them. */
async function* rowsOf(
  file: TextFile,
  { delimiter, above, namesDelimiter }: TableHead,
  quotes: Quotes,
  sofar: Sofar,
): AsyncGenerator<FeedRow> {
  const odd = new Set<number>();
  const source = file.open();
  const parser = parse({
    delimiter,
    bom: true,
    record_delimiter: file.head.includes("\n") ? ["\r\n", "\n"] : "\r",
    relax_column_count: true,
    relax_quotes: true,
    max_record_size: LONGEST_LINE,
    ...(quotes === "strict" ? { trim: true } : {}),
    ...(quotes === "loose"
      ? {
          ltrim: true,
          cast: (text: string, { records }: { records: number }) => {
            const { cell, isOdd } = looseCell(text);
            if (isOdd) odd.add(records);
            return cell;
          },
        }
      : {}),
    ...(quotes === "none" ? { trim: true, quote: false } : {}),
  });
  source.on("error", (error) => parser.destroy(error));
  source.pipe(parser);
  let names: string[] | null = null;
  let line = 0;
  let record = -1;
  let met = 0;
  let rows = 0;
  try {
    for await (const cells of parser as AsyncIterable<string[]>) {
      record++;
      const breaks = lineBreaksIn(cells);
      if (breaks > 0 && odd.has(record) && cells.some((cell) => hasSwallowed(cell, delimiter))) throw new FeedError(neverClosed(line));
      line += 1 + breaks;
      if ((cells.length === 1 || record < above) && cells.every((cell) => cell === "")) continue;
      if (record === 0 && namesDelimiter) continue;
      let entry: FeedRow;
      if (record < above) entry = { line, problem: "The line is above the names of the columns." };
      else if (!names) {
        names = nameColumns(cells);
        continue;
      } else if (isRepeated(names, cells)) entry = { line, problem: "The line names the columns once more." };
      else {
        entry = rowOf(names, cells, line, rows === 0);
        if (odd.delete(record)) entry = { note: "Quotes in the line are not in pairs; its cells were read as they are.", ...entry };
        rows++;
      }
      if (met++ < sofar.done) continue;
      sofar.done++;
      sofar.line = line;
      sofar.hasLongCells ||= breaks > 0;
      yield entry;
    }
  } finally {
    source.destroy();
  }
}

/** A cell whose quotes may not be in pairs: those around the whole are taken off, others stay as they are. */
function looseCell(text: string): { cell: string; isOdd: boolean } {
  const cell = text.trimEnd();
  if (!cell.startsWith('"')) return { cell, isOdd: false };
  const inner = cell.length > 1 && cell.endsWith('"') ? cell.slice(1, -1) : null;
  if (inner === null) return { cell, isOdd: true };
  // A blank after the last quote, or a first quote within that opens: the outer ones are around all of it.
  const isAround = cell !== text || /^[^"]*(?:^|\s)"/.test(inner);
  return isAround ? { cell: inner, isOdd: cell === text } : { cell, isOdd: false };
}

/** Whether a cell that begins with a quote holds lines of the table: the quote was opened and never closed. */
function hasSwallowed(cell: string, delimiter: string): boolean {
  const [first, ...lines] = cell.split("\n");
  return first.startsWith('"') && lines.some((line) => line.includes(delimiter));
}

/** Tables that were put together from several may have their names in the middle. */
function isRepeated(names: readonly string[], cells: readonly string[]): boolean {
  return names.length > 1 && cells[0] === names[0] && cells.every((cell, i) => cell === names[i]);
}

/** A line as a row. Empty cells are left out, of which wide tables have many; the first row names every column. */
function rowOf(names: readonly string[], cells: readonly string[], line: number, isFirst: boolean): FeedRow {
  const row: Row = {};
  const count = Math.min(names.length, cells.length);
  for (let i = 0; i < count; i++) if (cells[i] !== "") setOwn(row, names[i], cells[i]);
  if (isFirst) for (const name of names) if (lookUp(row, name) === undefined) setOwn(row, name, "");
  if (cells.length === names.length) return { line, row };
  return { line, row, note: `The line has ${cells.length} cells for ${names.length} columns.` };
}

/** A quoted cell may go over several lines. */
function lineBreaksIn(cells: readonly string[]): number {
  let breaks = 0;
  for (const cell of cells) for (let at = cell.indexOf("\n"); at >= 0; at = cell.indexOf("\n", at + 1)) breaks++;
  return breaks;
}

function sayError(error: unknown, line: number): string {
  const code = error instanceof CsvError ? error.code : "";
  const where = ` after line ${line}`;
  if (code === "CSV_MAX_RECORD_SIZE")
    return `A line${where} is longer than ${LONGEST_LINE / 1024 / 1024} MB; most likely a quote was never closed. Check the quotes and export it again.`;
  if (code === "CSV_QUOTE_NOT_CLOSED") return neverClosed(line);
  return `The table cannot be read: ${error instanceof Error ? error.message : "it is broken"}. Check its quotes and export it again.`;
}

const neverClosed = (line: number) =>
  `A quote that opens after line ${line} is never closed. Close it, or double it where it is part of a text, and send the file again.`;

/** Every column gets a name of its own: empty ones are numbered, double ones too. */
function nameColumns(header: readonly string[]): string[] {
  if (header.length > MOST_COLUMNS) throw tooManyColumns(header.length);
  const taken = new Set<string>();
  return header.map((raw, i) => {
    const base = raw.trim().slice(0, 200) || `column ${i + 1}`;
    let name = base;
    for (let n = 2; taken.has(name); n++) name = `${base} ${n}`;
    taken.add(name);
    return name;
  });
}
