import { CsvError, parse } from "csv-parse/sync";
import type { Context } from "hono";
import { decodeText } from "../feed/open-text";
import { tableHead } from "../feed/table-head";
import { Problem } from "./problem";
import { receiveBytes } from "./receive";

export interface Table {
  rows: Record<string, unknown>[];
  /** The line of a row in the file, from 1. */
  lineOf: (row: number) => number;
}

const MOST_FILE = 4 * 1024 * 1024;

/** The text of a file that was sent, in whatever encoding. @throws Problem when it is too large. */
export async function sentText(c: Context): Promise<string> {
  return decodeText(await receiveBytes(c, MOST_FILE));
}

/**
 * Reads a table that was sent, as spreadsheets save it: its cells parted by whatever sign. Column names come in lower case.
 * @param needed columns without which it is another table.
 */
export function parseTable(text: string, needed: readonly string[]): Table {
  const lines: number[] = [];
  const { delimiter, namesDelimiter } = tableHead(text.slice(0, 64 * 1024));
  const [first] = text.split(/\r?\n/, 1);
  try {
    let columns: string[] = [];
    const rows = parse(text, {
      bom: true,
      columns: (header: string[]) => {
        columns = header.map((name) => name.trim().toLowerCase());
        return columns;
      },
      delimiter,
      ...(namesDelimiter ? { from_line: 2 } : {}),
      skip_empty_lines: true,
      relax_column_count: true,
      relax_quotes: true,
      on_record: (record: Record<string, unknown>, { lines: line }) => {
        lines.push(line);
        return record;
      },
    }) as Record<string, unknown>[];
    if (!needed.every((name) => columns.includes(name)))
      throw new Problem(422, `The table needs the columns ${needed.join(" and ")}. Its first line is “${first.slice(0, 80)}”.`);
    return { rows, lineOf: (row) => lines[row] };
  } catch (error) {
    if (error instanceof CsvError) throw new Problem(422, `The table cannot be read: ${error.message}`);
    throw error;
  }
}
