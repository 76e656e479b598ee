import { cpSync, rmSync } from "node:fs";
import { build } from "@core/index/build";
import type { LoggedEvent } from "@core/log/events";
import { catalogueFile, writeCatalogue } from "../../src/server/db/catalogue-file";
import { openDatabase } from "../../src/server/db/database";
import { indexFile, saveIndex } from "../../src/server/db/index-file";
import { createEngine } from "../../src/server/engine/engine";
import { grownShop } from "../shop";
import { newRow, type Row, randomFrom } from "./row";
import { newFolder, Server } from "./server";

const EVENTS = 400_000;
/** How long nobody may be made to wait by what another asks, in ms. */
const MOST = 50;
type Call = [method: string, path: string, body?: unknown, type?: string];

const ids = (count: number, from = 0) => Array.from({ length: count }, (_, i) => `P-${String(from + i + 1).padStart(5, "0")}`);
const guides = `id,title,text\n${Array.from({ length: 2_000 }, (_, i) => `g${i},On roses ${i},"${"Water them well and cut them back. ".repeat(40)}"`).join("\n")}\n`;

/** Calls that look at all of a catalogue or of a log, or change much of it. */
const callsOn = (id: string): Call[] => [
  ["GET", "/products?limit=50"],
  ["GET", "/products?search=rose&limit=50"],
  ["POST", "/products/table", { search: "rose" }],
  ["POST", "/products/table", {}],
  ["GET", `/products/${id}`],
  ["GET", `/products/${id}/sheet`],
  ["GET", "/fields"],
  ["GET", "/fields/report"],
  ["GET", "/fields/brand/values"],
  ["GET", "/categories"],
  ["GET", "/gone"],
  ["GET", "/duplicates"],
  ["GET", "/selections"],
  ["POST", "/conditions/count", { condition: { field: "category", is: "Plants" } }],
  ["GET", "/export/products.csv"],
  ["GET", "/export/products.jsonl"],
  ["GET", "/export/products.jsonld"],
  ["GET", "/log/events.csv"],
  ["GET", "/log/events.jsonl"],
  ["GET", "/log/queries"],
  ["POST", "/log/snapshots"],
  ["PATCH", "/log", { keepDays: 20 }],
  ["POST", "/log/snapshots"],
  ["GET", "/words/proposals"],
  ["GET", "/words/use"],
  ["GET", "/groups/proposals?field=brand"],
  ["GET", "/ranking/stock"],
  ["GET", "/search/facts?query=rose"],
  ["POST", "/search/upcoming", { query: "rose" }],
  ["GET", "/shelves/overview"],
  ["GET", "/shelves/conflicts"],
  ["GET", "/recommendations"],
  ["GET", `/recommendations/${id}`],
  ["GET", `/related/${id}`],
  ["GET", "/box/list"],
  ["GET", "/repair"],
  ["GET", "/strictness"],
  ["GET", "/setup"],
  ["GET", "/attributes/effects"],
  ["GET", "/filters/facts"],
  ["GET", "/page/facts"],
  ["GET", "/front"],
  ["GET", "/start"],
  ["GET", "/draft/changes"],
  ["POST", "/search", { query: "rose", explain: true, limit: 250 }],
  ["POST", "/search", { query: "", limit: 250 }],
  ["POST", "/suggest", { query: "ro" }],
  ["POST", "/pages/feed?format=csv", guides, "text/plain"],
  ["GET", "/pages"],
  ["POST", "/search", { query: "rose guide" }],
  ["PATCH", `/products/${id}`, { values: { title: "Rose of the day" } }],
  ["POST", "/search", { query: "rose of the day" }],
  [
    "PUT",
    `/products/${id}`,
    {
      values: { title: "Rose" },
      options: [
        { id: "o1", values: { brand: "Tarn" } },
        { id: "o2", values: { brand: "Fell" } },
      ],
    },
  ],
  ["POST", "/search", { query: "rose tarn" }],
  ["POST", "/releases", { note: "More" }],
  ["POST", "/products/facts", { ids: ids(200) }],
  ["POST", "/products/bulk", { which: { ids: ids(2_000) }, change: { addTags: ["gift"] }, dry: true }],
  ["POST", "/draft/undo"],
];

/** Much changed by hand, and the first search after it. */
const NAMED: Call[] = [
  ["POST", "/products/bulk", { which: { ids: ids(2_240) }, change: { addTags: ["gift idea"] } }],
  ["POST", "/search", { query: "rose gift" }],
  ["POST", "/products/bulk", { which: { search: "", condition: { field: "category", is: "Plants" } }, change: { addTags: ["gift"] } }],
  ["POST", "/search", { query: "rose gift" }],
];

/** Asks a large store for everything, one after the other, and measures how long everybody else waits meanwhile. */
export async function stalls(products: number): Promise<Row> {
  const row = newRow(`every large answer at ${products.toLocaleString("en")} products`);
  const data = newFolder();
  const id = await fill(data, products);
  const server = await Server.start(data, { env: { NODE_OPTIONS: "--max-old-space-size=4096" } });
  if (typeof server === "string") throw new Error(server);
  // The rows are looked at, and the log is counted.
  await new Promise((done) => setTimeout(done, 8_000));
  row.stall = 0;
  const over: string[] = [];
  const named: string[] = [];
  /** By call, for whoever wants to know each. */
  const each: string[] = [];
  const measure = async ([method, path, body, type]: Call): Promise<{ stall: number; took: number }> => {
    await server.stall();
    const began = performance.now();
    const headers: Record<string, string> = { ...(method === "PUT" ? { "if-match": "*" } : {}), ...(type ? { "content-type": type } : {}) };
    const { status } = await server.call(method, `/api/stores/large${path}`, body, headers);
    row.tried++;
    if (status >= 500) row.failed++;
    if (status >= 400) row.details.push(`${method} ${path} is answered with ${status}`);
    const took = performance.now() - began;
    const stall = await server.stall();
    each.push(`${method} ${path}: took ${Math.round(took)} ms, held others up for ${Math.round(stall)} ms`);
    return { stall, took };
  };
  for (const call of callsOn(id)) {
    const { stall } = await measure(call);
    row.stall = Math.max(row.stall, stall);
    if (stall > MOST) over.push(`${call[0]} ${call[1]} ${Math.round(stall)} ms`);
  }
  for (const call of NAMED) {
    const { stall, took } = await measure(call);
    named.push(`${Math.round(took)} ms (holding others up for ${Math.round(stall)} ms)`);
  }
  await server.stall();
  await server.call("DELETE", "/api/stores/large?forever=true");
  const removal = await server.stall();
  if (removal > MOST) over.push(`DELETE of the store ${Math.round(removal)} ms`);
  row.details.push(...over);
  if (process.env.CLEVER_SHELF_EACH_CALL) console.log(each.join("\n"));
  row.note = `${over.length} over ${MOST} ms; 2,240 products changed by hand, the first search after it, three quarters of all, and the first search after that: ${named.join(", ")}`;
  await server.end();
  rmSync(data, { recursive: true, force: true });
  return row;
}

/** Makes a store with a catalogue and a log of that size. @returns the id of a product. */
async function fill(data: string, products: number): Promise<string> {
  const made = newFolder();
  const engine = createEngine(made, openDatabase(made));
  const store = engine.create({
    id: "large",
    name: "Large",
    locale: "en-GB",
    languages: ["en"],
    currency: "GBP",
    timeZone: "UTC",
    catalogue: 0,
  });
  const catalogue = grownShop(products);
  const path = catalogueFile(made, "large", 1);
  writeCatalogue(path, catalogue, 1);
  const index = build(catalogue);
  saveIndex(indexFile(path), index, 1);
  await engine.adopt(store, 1, index, { savedAs: 1 });
  store.release("First", "Maud", null);
  const random = randomFrom(7);
  const words = catalogue.products.slice(0, 5_000).flatMap(({ values }) =>
    String(values.title ?? "")
      .toLowerCase()
      .split(" "),
  );
  const one = () => words[Math.floor(random() * words.length)] ?? "rose";
  const shown = catalogue.products.slice(0, 24).map((product) => product.id);
  for (let done = 0; done < EVENTS; done += 10_000) {
    const events = Array.from({ length: 10_000 }, (_, i): LoggedEvent => {
      const at = new Date(Date.now() - random() * 40 * 86_400_000).toISOString();
      const query = random() < 0.5 ? one() : `${one()} ${one()}`;
      const search = { visit: `v${done + i}`, kind: "search" as const, searchId: `s${done + i}`, query, at };
      return i % 4 === 0
        ? { ...search, kind: "click", product: shown[i % 24], position: (i % 24) + 1 }
        : { ...search, searched: query, outcome: i % 9 === 0 ? "dead-end" : "results", total: i % 9, shown, rules: [] };
    });
    engine.events.write("large", events);
  }
  engine.close();
  cpSync(made, data, { recursive: true });
  rmSync(made, { recursive: true, force: true });
  return shown[0];
}
