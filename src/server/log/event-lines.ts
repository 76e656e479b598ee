import type { LoggedEvent } from "@core/log/events";
import { stringify } from "csv-stringify/sync";

export type EventFormat = "csv" | "jsonl";

export const isEventFormat = (text: string): text is EventFormat => text === "csv" || text === "jsonl";

const COLUMNS = [
  "at",
  "visit",
  "kind",
  "searchId",
  "query",
  "product",
  "position",
  "searched",
  "outcome",
  "total",
  "shown",
  "rules",
  "beside",
  "id",
  "value",
  "currency",
  "device",
  "language",
  "place",
  "bot",
];
/** Events of a piece of text: some tens of kilobytes. */
const PIECE = 500;

/** Events as a text file, in pieces; a table has its head in the first one, also where there are no events. */
export function* linesOf(events: Iterable<LoggedEvent>, format: EventFormat): Generator<string> {
  const write = format === "csv" ? table() : jsonLines;
  let piece: LoggedEvent[] = [];
  for (const event of events) {
    piece.push(event);
    if (piece.length < PIECE) continue;
    yield write(piece);
    piece = [];
  }
  yield write(piece);
}

function table(): (events: readonly LoggedEvent[]) => string {
  let isFirst = true;
  return (events) => {
    const rows = events.map(({ shown, rules, ...event }) => ({
      ...event,
      ...(shown ? { shown: JSON.stringify(shown) } : {}),
      ...(rules ? { rules: JSON.stringify(rules) } : {}),
    }));
    // What shoppers typed is opened in spreadsheets: a search that begins like a formula must not act as one.
    const text = stringify(rows, { header: isFirst, columns: COLUMNS, escape_formulas: true });
    isFirst = false;
    return text;
  };
}

const jsonLines = (events: readonly LoggedEvent[]) => events.map((event) => `${JSON.stringify(event)}\n`).join("");
