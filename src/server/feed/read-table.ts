import type { Row } from "@core/feed/flatten";
import { parse } from "csv-parse";
import { FeedError, MOST_COLUMNS, tooManyColumns } from "./feed-error";
import { type FeedRow, LONGEST_LINE } from "./feed-row";
import type { TextFile } from "./open-text";

const LONGEST_HEADER = 60_000;
const SIGNS = [",", ";", "\t", "|", "^", "~", "¦"];
const MOST_LINES = 20;

/** The sign that parts the columns: the one that the first lines have most of, outside quotes. A comma where there is none. */
export function delimiterOf(head: string): string {
  const plain = head.replace(/^\uFEFF/, "").replace(/"(?:[^"]|"")*"/g, "");
  const lines = plain.split(/\r?\n/).filter((line) => line !== "");
  const [names] = lines;
  const counted = SIGNS.map((sign) => {
    const count = (line: string) => line.split(sign).length - 1;
    const steady = lines.slice(1, MOST_LINES).filter((line) => count(line) === count(names)).length;
    return { sign, count: count(names ?? ""), steady };
  });
  const best = counted.reduce((a, b) => (b.count > 0 && (a.count === 0 || b.count * (b.steady + 1) > a.count * (a.steady + 1)) ? b : a));
  return best.sign;
}

export async function* readTable(file: TextFile, format: "csv" | "tsv"): AsyncGenerator<FeedRow> {
  if (file.head.length > LONGEST_HEADER && !/[\r\n]/.test(file.head))
    throw new FeedError(
      `The first line, which names the columns, is longer than ${LONGEST_HEADER} characters. Check that it is a table with one line a product.`,
    );
  const source = file.open();
  const parser = parse({
    delimiter: format === "tsv" ? "\t" : delimiterOf(file.head),
    bom: true,
    relax_column_count: true,
    relax_quotes: true,
    trim: true,
    max_record_size: LONGEST_LINE,
  });
  source.on("error", (error) => parser.destroy(error));
  source.pipe(parser);
  let names: string[] | null = null;
  let line = 0;
  let isFirst = true;
  try {
    for await (const cells of parser as AsyncIterable<string[]>) {
      line += 1 + lineBreaksIn(cells);
      if (cells.length === 1 && cells[0] === "") continue;
      if (!names) names = nameColumns(cells);
      else {
        yield rowOf(names, cells, line, isFirst);
        isFirst = false;
      }
    }
  } catch (error) {
    throw error instanceof FeedError ? error : new FeedError(sayError(error));
  } finally {
    source.destroy();
  }
}

/** A line as a row. Empty cells are left out, of which wide tables have many; the first row names every column. */
function rowOf(names: readonly string[], cells: readonly string[], line: number, isFirst: boolean): FeedRow {
  const row: Row = {};
  const count = Math.min(names.length, cells.length);
  for (let i = 0; i < count; i++) if (cells[i] !== "") row[names[i]] = cells[i];
  if (isFirst) for (const name of names) row[name] ??= "";
  if (cells.length === names.length) return { line, row };
  return { line, row, note: `The line has ${cells.length} cells for ${names.length} columns.` };
}

/** A quoted cell may go over several lines. */
function lineBreaksIn(cells: readonly string[]): number {
  let breaks = 0;
  for (const cell of cells) for (let at = cell.indexOf("\n"); at >= 0; at = cell.indexOf("\n", at + 1)) breaks++;
  return breaks;
}

function sayError(error: unknown): string {
  const message = error instanceof Error ? error.message : "it is broken";
  if (/Max Record Size/.test(message)) {
    const line = /line (\d+)/.exec(message)?.[1];
    return `A line${line ? ` from line ${line} on` : ""} is longer than ${LONGEST_LINE / 1024 / 1024} MB; most likely a quote was never closed. Check the quotes and export it again.`;
  }
  return `The table cannot be read: ${message}. Check its quotes and export it again.`;
}

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
