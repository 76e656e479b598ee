import { mkdirSync, writeFileSync } from "node:fs";
import { join, resolve } from "node:path";
import { parseArgs } from "node:util";
import { openDatabase } from "../src/server/db/database";
import { createEngine } from "../src/server/engine/engine";
import { loadDemo, loadGerman, STORE } from "./load";

/** Makes the demo shop in a data directory, unless it is there already. */
const { values: options } = parseArgs({ options: { data: { type: "string" }, feed: { type: "string" } } });
const directory = resolve(options.data ?? "./data/demo");
const engine = createEngine(directory, openDatabase(directory));
/** Counts what shoppers did: what is being counted already, then what came after that. */
async function countAll(): Promise<void> {
  const { row } = engine.store(STORE);
  await engine.demand.count(row);
  await engine.demand.count(row);
}

try {
  const made = await loadDemo(engine);
  if (made) {
    const feed = resolve(options.feed ?? join(directory, "quillmoor-feed.jsonl"));
    mkdirSync(join(feed, ".."), { recursive: true });
    writeFileSync(feed, made.products.map((product) => JSON.stringify(product)).join("\n"));
    console.log(`Made the demo shop: ${made.products.length} products, ${made.pages.length} guides.`);
  }
  // Threads of their own count what shoppers did meanwhile.
  const counting = Promise.all([countAll(), made && engine.snapshots.take(STORE)]);
  const table = await loadGerman(engine);
  if (table) {
    // As that shop's old system writes it.
    writeFileSync(join(directory, "quillmoor-feed-de.csv"), Buffer.from(table, "latin1"));
    console.log("Made the German shop, Quillmoor Gartenbedarf.");
  }
  await counting;
} finally {
  engine.close();
}
