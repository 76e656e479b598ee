import { queryKey } from "../../log/tally";
import { lookUp, setOwn } from "../../records";
import { type Box, OwnSearch } from "../../settings/box/box";
import { freeId } from "../../settings/patch";

/** The shop's own list of searches as a table file. */

export const OWN_COLUMNS = ["text", "priority", "on", "from", "until"] as const;

export function toOwnRow({ text, priority, on, from, until }: OwnSearch): Record<(typeof OWN_COLUMNS)[number], string> {
  return { text, priority: String(priority), on: on ? "yes" : "no", from: from ?? "", until: until ?? "" };
}

interface ReadOwn {
  /** Entries by id: new ones, and those that are otherwise than they were. */
  entries: Box["list"];
  /** Rows that say what the list says already. */
  same: number;
  problems: { line: number; message: string }[];
}

/**
 * Reads rows beside the entries there are: a text that is known changes its entry, another one is a new entry. A row that
 * cannot be read is named and left out; of two rows with one text the later one holds.
 * @param lineOf the line of row i in the file, from 1.
 */
export function readOwnRows(rows: readonly Record<string, unknown>[], list: Box["list"], lineOf: (row: number) => number): ReadOwn {
  const result: ReadOwn = { entries: {}, same: 0, problems: [] };
  const taken: Record<string, unknown> = { ...list };
  const idOf = new Map(Object.entries(list).map(([id, { text }]) => [queryKey(text), id]));
  rows.forEach((row, i) => {
    const parsed = OwnSearch.safeParse(draftOf(row));
    if (!parsed.success) {
      const [issue] = parsed.error.issues;
      result.problems.push({ line: lineOf(i), message: `${String(issue.path[0] ?? "text")}: ${issue.message}` });
      return;
    }
    const key = queryKey(parsed.data.text);
    const id = idOf.get(key) ?? freeId(taken, parsed.data.text);
    const known = lookUp(list, id);
    if (known && JSON.stringify(OwnSearch.parse(known)) === JSON.stringify(parsed.data)) {
      result.same++;
      return;
    }
    setOwn(taken, id, parsed.data);
    idOf.set(key, id);
    setOwn(result.entries, id, parsed.data);
  });
  return result;
}

const NO = /^(no|off|false|0)$/i;

/** A cell that is empty says nothing. */
function draftOf(row: Record<string, unknown>): object {
  const cell = (name: string) => String(lookUp(row, name) ?? "").trim();
  return {
    text: cell("text"),
    ...(cell("priority") === "" ? {} : { priority: Number(cell("priority")) }),
    on: !NO.test(cell("on")),
    from: cell("from") || null,
    until: cell("until") || null,
  };
}
