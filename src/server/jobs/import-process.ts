import { Assembler } from "@core/feed/assemble";
import type { Row } from "@core/feed/flatten";
import { groupOptions, proposeGroupings } from "@core/feed/group-options";
import { alignWith, applyWishes, collectSamples, type Mapping, proposeMapping } from "@core/feed/mapping";
import type { FeedProblem } from "@core/feed/problems";
import { openQuestions, type Question } from "@core/feed/questions";
import { build } from "@core/index/build";
import { defaultSettings } from "@core/insights/propose/defaults";
import { lookUp, setOwn } from "@core/records";
import { readCatalogue, readFrame, removeCatalogueFile, writeCatalogue } from "../db/catalogue-file";
import { indexFile, saveIndex } from "../db/index-file";
import type { JobProblem } from "../db/jobs";
import { FeedError, MOST_COLUMNS, tooManyColumns } from "../feed/feed-error";
import type { FeedRow } from "../feed/feed-row";
import { formatOf } from "../feed/formats";
import { openTextFile } from "../feed/open-text";
import { readFeed } from "../feed/read-feed";
import { compareWithCurrent } from "./compare";
import { mergeDuplicates } from "./merge-duplicates";
import type { ImportMessage, ImportTask } from "./messages";
import { ProblemFile } from "./problem-file";

/** Reads a feed, writes the catalogue it makes and its index to files of their own, beside the searches: a process by itself. */

const SAMPLE = 400;
const REPORT_EVERY = 1000;
const SHOWN_SAMPLES = 5;
const server = process.ppid;
let task: ImportTask;

function say(message: ImportMessage): void {
  // Without a server there is nobody who would take the catalogue into use.
  if (process.ppid !== server) process.exit(1);
  process.send?.(message);
}

/** Says the last thing and ends once it is said. */
function end(message: ImportMessage): void {
  process.send?.(message, () => process.exit(0));
}

async function run(): Promise<void> {
  if (task.resume) return index();
  const frame = task.current ? readFrame(task.current) : { fields: [], pages: [] };
  const text = openTextFile(task.upload);
  const format = task.format ?? formatOf(text.head);
  const problems = new ProblemFile(task.problems);
  // A shop's first file says what its columns are once and for all: what is not sure is asked.
  let questions: Question[] = [];
  const read = await assemble(
    readFeed(task.upload, format),
    (samples) => {
      const mapping = mappingFor(samples, frame.fields);
      if (frame.fields.length === 0) questions = openQuestions(samples, mapping);
      return mapping;
    },
    (problem) => problems.write(problem),
  );
  problems.close();
  const { assembled, rows, mapping, samples } = read;
  const list = assembled.problems;
  const failed = { problems: list.first.map(sayProblem), problemCount: list.count };
  if (assembled.products.length === 0) {
    return fail("No product could be read from the file. Look at the problems, mend the file, and send it again.", failed);
  }
  if (list.skipped > rows * task.mostBad) {
    const share = task.mostBad === 0.5 ? "more than half" : `more than ${Math.round(task.mostBad * 100)} %`;
    return fail(`${list.skipped} of ${rows} lines could not be read, ${share}. The catalogue was left as it was.`, failed);
  }
  say({ kind: "progress", done: rows, total: rows, message: "Looking for options" });
  const apart = new Set(task.apart);
  const groupings = proposeGroupings(assembled.products, assembled.fields, apart).filter(({ way }) => !task.grouping.includes(way));
  const grouped = groupOptions(assembled.products, assembled.fields, task.grouping, apart);
  const merged = mergeDuplicates(grouped, task.merged);
  say({ kind: "progress", done: rows, total: rows, message: "Comparing with the catalogue in use" });
  const compared = compareWithCurrent(task.current, frame.fields, merged.fields, merged.products, task.mode);
  const catalogue = { locale: task.locale, fields: compared.fields, products: compared.products, pages: frame.pages };
  const before = compared.before;
  const removedShare = before > 0 ? compared.counts.removed / before : 0;
  const waits = !task.dry && task.mode === "replace" && removedShare > task.mostRemoved;
  if (!task.dry) {
    say({ kind: "progress", done: 0, total: catalogue.products.length, message: `Writing ${catalogue.products.length} products` });
    writeCatalogue(task.next, catalogue, task.number);
  }
  const written: ImportMessage = {
    kind: "written",
    report: {
      rows,
      products: catalogue.products.length,
      ...compared.counts,
      format,
      encoding: text.encoding,
      mapping,
      samples,
      kinds: list.counts,
      changes: compared.samples,
      groupings,
      questions,
    },
    ...failed,
    removedShare,
    waits,
  };
  if (task.dry || waits) return end(written);
  say(written);
  index(catalogue);
}

/** Builds the index of the catalogue that was written and saves it, for the server to open. */
function index(catalogue = readCatalogue(task.next)): void {
  const total = catalogue.products.length;
  say({ kind: "progress", done: 0, total, message: "Building the index" });
  const built = build(catalogue, (done) => say({ kind: "progress", done, total, message: "Building the index" }));
  say({ kind: "progress", done: total, total, message: "Saving the index" });
  saveIndex(indexFile(task.next), built, task.number);
  end({ kind: "indexed", defaults: defaultSettings(built) });
}

function fail(message: string, { problems, problemCount }: { problems: JobProblem[]; problemCount: number }): void {
  removeCatalogueFile(task.next);
  end({ kind: "failed", message, problems, problemCount });
}

/** What the columns are: proposed from samples, as they were read before, as the fields want them, as the caller wishes. */
function mappingFor(rows: readonly Row[], fields: Parameters<typeof alignWith>[1]): Mapping {
  const proposed = proposeMapping(rows, task.locale);
  const known = Object.fromEntries(Object.entries(task.remembered).filter(([column]) => lookUp(proposed, column)));
  const isKnown = Object.keys(known).length > 0;
  const remembered = Object.entries(applyWishes(proposed, known)).map(([column, entry]) => [
    column,
    lookUp(known, column)
      ? { ...entry, reason: lookUp(known, column).reason === "Set by hand" ? "Set by hand, remembered" : "As in the last import" }
      : entry,
  ]);
  const base = isKnown ? (Object.fromEntries(remembered) as Mapping) : proposed;
  return applyWishes(alignWith(base, fields), task.wishes);
}

/** Looks at the first rows to propose what the columns are, then reads all rows with that mapping. */
async function assemble(feed: AsyncGenerator<FeedRow>, map: (samples: readonly Row[]) => Mapping, each: (problem: FeedProblem) => void) {
  const waiting: FeedRow[] = [];
  const samples: Record<string, string[]> = {};
  let mapping: Mapping = {};
  let assembler: Assembler | null = null;
  let rows = 0;
  const take = (target: Assembler, entry: FeedRow) => {
    if ("row" in entry) {
      target.add(entry.row, entry.line);
      if (entry.note) target.problems.add({ line: entry.line, field: "", kind: "column", message: entry.note, done: "taken as it is" });
    } else target.problems.add({ line: entry.line, field: "", kind: "unreadable-line", message: entry.problem, done: "line skipped" });
  };
  const begin = (): Assembler => {
    const first: Row[] = waiting.flatMap((entry) => ("row" in entry ? [entry.row] : []));
    const names = new Set(first.flatMap((row) => Object.keys(row)));
    if (names.size > MOST_COLUMNS) throw tooManyColumns(names.size);
    mapping = map(first);
    for (const [column, values] of collectSamples(first)) setOwn(samples, column, sayValues(values));
    const started = new Assembler(mapping, each);
    for (const entry of waiting) take(started, entry);
    waiting.length = 0;
    return started;
  };
  for await (const entry of feed) {
    rows++;
    if (rows % REPORT_EVERY === 0) say({ kind: "progress", done: rows, total: 0, message: `Read ${rows} lines` });
    if (assembler) take(assembler, entry);
    else {
      waiting.push(entry);
      if (waiting.length >= SAMPLE) assembler = begin();
    }
  }
  assembler ??= begin();
  return { assembled: assembler.finish(), rows, mapping, samples };
}

function sayValues(values: readonly unknown[]): string[] {
  const texts = values
    .filter((value) => value !== null && value !== undefined && value !== "")
    .map((value) => (typeof value === "object" ? JSON.stringify(value) : String(value)));
  return [...new Set(texts)].slice(0, SHOWN_SAMPLES).map((text) => (text.length > 120 ? `${text.slice(0, 120)}…` : text));
}

function sayProblem({ line, field, message, done }: FeedProblem): JobProblem {
  return { line, field, message: `${message} ${DONE[done]}` };
}

const DONE: Record<FeedProblem["done"], string> = {
  "kept as text": "It was kept as text.",
  "left empty": "It was left empty.",
  "line skipped": "The line was skipped.",
  shortened: "It was shortened.",
  "taken as it is": "It was taken as it is.",
};

process.on("disconnect", () => process.exit(1));
process.once("message", (given) => {
  task = given as ImportTask;
  run().catch((error: unknown) => {
    const message =
      error instanceof FeedError
        ? error.message
        : `The import failed: ${error instanceof Error ? error.message : String(error)}. The catalogue was left as it was.`;
    fail(message, { problems: [], problemCount: 0 });
  });
});
