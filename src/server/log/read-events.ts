import { type LoggedEvent, ShopperEvent } from "@core/log/events";
import { readJson } from "@core/text/read-json";
import { z } from "zod";
import { readFeed } from "../feed/read-feed";

const Ids = z.preprocess((value) => (typeof value === "string" ? parseList(value) : value), z.array(z.string().max(200)).max(250));
const whole = (least: number) => z.coerce.number().int().min(least);

/** A line of a log file: in a table all values are texts, and an empty one is none. */
const Line = ShopperEvent.extend({
  at: z.iso.datetime({ offset: true }),
  position: whole(1).optional(),
  value: z.coerce.number().min(0).max(1_000_000_000).optional(),
  bot: z.preprocess((value) => (typeof value === "string" ? value === "true" || value === "1" : value), z.boolean().optional()),
  searched: z.string().max(512).optional(),
  outcome: z.string().max(40).optional(),
  total: whole(0).optional(),
  shown: Ids.optional(),
  rules: Ids.optional(),
});

const BATCH = 1_000;
const MOST_PROBLEMS = 50;

interface EventsReport {
  added: number;
  problemCount: number;
  problems: { line: number; message: string }[];
}

/**
 * Reads events from a file and hands them on a thousand at a time.
 * @throws FeedError when the file as a whole cannot be read.
 */
export async function readEvents(file: string, format: "csv" | "jsonl", write: (events: LoggedEvent[]) => void): Promise<EventsReport> {
  const report: EventsReport = { added: 0, problemCount: 0, problems: [] };
  let batch: LoggedEvent[] = [];
  const note = (line: number, message: string) => {
    report.problemCount++;
    if (report.problems.length < MOST_PROBLEMS) report.problems.push({ line, message });
  };
  const flush = () => {
    write(batch);
    report.added += batch.length;
    batch = [];
  };
  for await (const entry of readFeed(file, format)) {
    if ("problem" in entry) {
      note(entry.line, entry.problem);
      continue;
    }
    const filled = Object.fromEntries(
      Object.entries(entry.row).flatMap(([name, value]) => (value === "" || value === null ? [] : [[name, plainCell(value, format)]])),
    );
    const parsed = Line.safeParse(filled);
    if (!parsed.success) {
      const [issue] = parsed.error.issues;
      note(entry.line, `${issue.path.join(".") || "The line"}: ${issue.message}`);
      continue;
    }
    batch.push({ ...parsed.data, at: new Date(parsed.data.at).toISOString() });
    if (batch.length >= BATCH) flush();
  }
  flush();
  return report;
}

/** A cell as it was before it was kept from acting as a formula in a spreadsheet. */
function plainCell(value: unknown, format: "csv" | "jsonl"): unknown {
  return format === "csv" && typeof value === "string" ? value.replace(/^'(?=[=+\-@\t\r＝＋－＠])/, "") : value;
}

function parseList(text: string): unknown {
  try {
    return readJson(text);
  } catch {
    return text.split(" ");
  }
}
