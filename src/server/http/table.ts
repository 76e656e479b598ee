import { CsvError, parse } from "csv-parse/sync";
import { Problem } from "./problem";

export interface Table {
  rows: Record<string, unknown>[];
  /** The line of a row in the file, from 1. */
  lineOf: (row: number) => number;
}

const MOST_TABLE = 4 * 1024 * 1024;

/**
 * Reads a table that was sent, its cells parted by comma, tab or bar. Column names come in lower case.
 * @param needed columns without which it is another table.
 */
export function parseTable(text: string, needed: readonly string[]): Table {
  if (text.length > MOST_TABLE) throw new Problem(413, "The table is larger than 4 MB. Send it in parts.");
  const lines: number[] = [];
  const [first] = text.split(/\r?\n/, 1);
  const delimiter = (first.match(/[\t,|]/) ?? [","])[0];
  try {
    let columns: string[] = [];
    const rows = parse(text, {
      bom: true,
      columns: (header: string[]) => {
        columns = header.map((name) => name.trim().toLowerCase());
        return columns;
      },
      delimiter,
      skip_empty_lines: true,
      relax_column_count: true,
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
