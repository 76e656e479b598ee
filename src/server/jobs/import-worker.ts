import { parentPort, workerData } from "node:worker_threads";
import { Assembler } from "@core/catalogue/assemble";
import { alignWith, applyWishes, proposeMapping, type Row } from "@core/catalogue/mapping";
import type { Catalogue, Field, Product } from "@core/catalogue/types";
import { build } from "@core/index/build";
import { openCatalogue, removeCatalogueFile, writeCatalogue } from "../db/catalogue-file";
import type { ImportCounts, ImportMessage, ImportOrder, ImportTask } from "./messages";
import { FeedError, type FeedRow, readFeed } from "./read-feed";

/** Reads a feed, writes the catalogue it makes to a file of its own, and builds its index, beside the searches. */

const SAMPLE = 400;
const REPORT_EVERY = 500;
/** More unreadable lines than this share stop the import. */
const MOST_BAD = 0.5;

const port = parentPort;
const task = workerData as ImportTask;

function say(message: ImportMessage): void {
  port?.postMessage(message);
}

async function run(): Promise<void> {
  const current = task.current ? readCurrent(task.current) : null;
  const { assembled, rows, bad } = await assemble(current?.fields ?? []);
  if (assembled.products.length === 0) {
    fail("No product could be read from the file. Look at the problems, mend the file, and send it again.", assembled);
    return;
  }
  if (bad > rows * MOST_BAD) {
    fail(`${bad} of ${rows} lines could not be read, more than half. The catalogue was left as it was.`, assembled);
    return;
  }
  const { catalogue, counts } = merge(current, assembled.fields, assembled.products);
  if (!task.dry) {
    say({ kind: "progress", done: rows, total: rows, message: `Writing ${catalogue.products.length} products` });
    writeCatalogue(task.next, catalogue);
  }
  const before = current?.products.length ?? 0;
  port?.on("message", (order: ImportOrder) => {
    if (order.kind === "index") {
      say({ kind: "progress", done: 0, total: catalogue.products.length, message: "Building the index" });
      const index = build(catalogue, (done) =>
        say({ kind: "progress", done, total: catalogue.products.length, message: "Building the index" }),
      );
      say({ kind: "indexed", index });
    }
    port?.close();
  });
  say({
    kind: "written",
    counts: { rows, ...counts },
    problems: assembled.problems,
    problemCount: assembled.problemCount,
    removedShare: before > 0 ? counts.removed / before : 0,
  });
}

function fail(
  message: string,
  { problems, problemCount }: Pick<Extract<ImportMessage, { kind: "failed" }>, "problems" | "problemCount">,
): void {
  removeCatalogueFile(task.next);
  say({ kind: "failed", message, problems, problemCount });
  port?.close();
}

function readCurrent(file: string): Catalogue {
  const opened = openCatalogue(file);
  try {
    return opened.read();
  } finally {
    opened.close();
  }
}

/** Looks at the first rows to propose what the columns are, then reads all rows with that mapping. */
async function assemble(fields: readonly Field[]) {
  const waiting: FeedRow[] = [];
  let assembler: Assembler | null = null;
  let rows = 0;
  let bad = 0;
  const take = (target: Assembler, entry: FeedRow) => {
    if ("row" in entry) target.add(entry.row, entry.line);
    else {
      bad++;
      target.report(entry.line, "", entry.problem);
    }
  };
  const begin = (): Assembler => {
    const samples: Row[] = waiting.flatMap((entry) => ("row" in entry ? [entry.row] : []));
    const started = new Assembler(alignWith(applyWishes(proposeMapping(samples), task.wishes), fields));
    for (const entry of waiting) take(started, entry);
    waiting.length = 0;
    return started;
  };
  for await (const entry of readFeed(task.upload, task.format)) {
    rows++;
    if (rows % REPORT_EVERY === 0) say({ kind: "progress", done: rows, total: 0, message: `Read ${rows} lines` });
    if (assembler) take(assembler, entry);
    else {
      waiting.push(entry);
      if (waiting.length >= SAMPLE) assembler = begin();
    }
  }
  assembler ??= begin();
  return { assembled: assembler.finish(), rows, bad };
}

function merge(
  current: Catalogue | null,
  fields: Field[],
  products: Product[],
): { catalogue: Catalogue; counts: Omit<ImportCounts, "rows"> } {
  const before = new Map(current?.products.map((product) => [product.id, JSON.stringify(product)]) ?? []);
  const incoming = new Map(products.map((product) => [product.id, product]));
  const isMerge = task.mode === "merge" && current !== null;
  const kept = isMerge ? current.products.map((product) => incoming.get(product.id) ?? product) : [];
  const next = isMerge ? [...kept, ...products.filter((product) => !before.has(product.id))] : products;
  const counts = {
    products: next.length,
    added: products.filter((product) => !before.has(product.id)).length,
    changed: products.filter((product) => before.has(product.id) && before.get(product.id) !== JSON.stringify(product)).length,
    removed: isMerge ? 0 : [...before.keys()].filter((id) => !incoming.has(id)).length,
  };
  const known = new Set(fields.map((field) => field.key));
  const allFields = isMerge ? [...fields, ...current.fields.filter((field) => !known.has(field.key))] : fields;
  return { catalogue: { locale: task.locale, fields: allFields, products: next, pages: current?.pages ?? [] }, counts };
}

run().catch((error: unknown) => {
  const message =
    error instanceof FeedError
      ? error.message
      : `The import failed: ${error instanceof Error ? error.message : String(error)}. The catalogue was left as it was.`;
  fail(message, { problems: [], problemCount: 0 });
});
