import { spawn } from "node:child_process";
import { createReadStream, mkdtempSync, openSync, readFileSync, rmSync, statSync, writeSync } from "node:fs";
import { request } from "node:http";
import { cpus, tmpdir } from "node:os";
import { join, resolve } from "node:path";
import { crc32 } from "node:zlib";
import { parse } from "csv-parse";
import { stringify } from "csv-stringify/sync";
import type { Catalogue } from "../src/core/catalogue/types";
import { tableColumns, tableRows } from "../src/core/feed/write";
import { amend } from "../src/core/index/amend/amend";
import { build } from "../src/core/index/build";
import { packIndex, unpackIndex } from "../src/core/index/file";
import { defaultSettings } from "../src/core/insights/propose/defaults";
import { prepare } from "../src/core/prepare/searcher";
import { SearchRequest } from "../src/core/search/request";
import { search } from "../src/core/search/search";
import { type Figure, quantile, timed, timedAsync } from "./figure";
import { watchMemory } from "./process-memory";
import { grownShop, typicalQueries } from "./shop";

/** An import of a large table into a shop that is being searched, beside reading the same table and building its index. */
export async function importFigures(products: number): Promise<Figure[]> {
  const catalogue = grownShop(products);
  const folder = mkdtempSync(join(tmpdir(), "shelf-import-"));
  const table = join(folder, "feed.csv");
  writeTable(table, catalogue);
  const queries = typicalQueries(catalogue, 400);
  const reading = await timedAsync(() => readTable(table));
  const [building, index] = timed(() => build(catalogue));
  const figures: Figure[] = [];
  const add = (what: string, here: number, beside: number | null = null, than = "", goal?: number, unit = "ms") =>
    figures.push({ what, products, here, beside, than, unit, goal });

  const packed = join(folder, "index");
  const descriptor = openSync(packed, "w");
  for (const part of packIndex(index, 1, crc32)) for (let at = 0; at < part.length; ) at += writeSync(descriptor, part, at);
  const [opening] = timed(() => unpackIndex(new Uint8Array(readFileSync(packed)), 1, crc32));
  add("opening a saved index", opening, building, "building", 1 / 10);
  const changes = Array.from({ length: 12 }, (_, i) => {
    const product = catalogue.products[(i * 7919) % products];
    const changed = { ...product, values: { ...product.values, title: `${product.values.title} novelty${i}`, price: 9.5 } };
    const settings = defaultSettings(index);
    return timed(() => {
      const searcher = prepare(amend(index, [{ put: changed }]), settings);
      const found = search(searcher, SearchRequest.parse({ query: `novelty${i}` }), { at: Date.now(), visible: () => true });
      if (found.hits[0]?.id !== product.id) throw new Error("The change was not found.");
    })[0];
  });
  add("one product changed and found, worst of 12", Math.max(...changes));

  const server = await startServer(folder);
  try {
    await server.post("/api/stores", { id: "big", name: "Big", locale: "en-GB", currency: "GBP" });
    const first = await timedAsync(() => server.feed(table));
    add("import", first, 3 * reading + building, "three readings and building", 1);
    const idle = await server.searches(queries);
    await server.measure();
    let isRunning = true;
    const during: number[] = [];
    const peak = server.watch();
    const importing = server.feed(table).then(() => {
      isRunning = false;
    });
    while (isRunning) during.push(...(await server.searches(queries.slice(0, 40))));
    await importing;
    const most = peak();
    await server.measure();
    add("search during an import, 95th percentile", quantile(during, 0.95), quantile(idle, 0.95), "idle", 2);
    add("search during an import, slowest", Math.max(...during), Math.max(...idle), "idle");
    const quietTook = await timedAsync(() => server.feed(table));
    const quiet = await server.measure();
    const floor = await stallBeside(cpus().length, quietTook);
    add("longest stall of the event loop during an import, without searches", quiet.stall, floor, "an empty loop beside as much computing");
    add("peak memory of the server and its import", most, statSync(table).size / 1024 ** 2, "size of the table", undefined, "MB");
  } finally {
    server.stop();
    rmSync(folder, { recursive: true, force: true });
  }
  return figures;
}

/**
 * The longest stall of a loop that does nothing, in a process of its own, while as many others compute at a lower priority: what
 * the machine itself makes any loop wait. @param took for how long, in ms.
 */
async function stallBeside(processes: number, took: number): Promise<number> {
  const busy = Array.from({ length: processes }, () =>
    spawn("node", ["-e", `require("node:os").setPriority(10); const end = Date.now() + ${took}; while (Date.now() < end) Math.random();`]),
  );
  const loop = spawn("node", [
    "-e",
    `const delay = require("node:perf_hooks").monitorEventLoopDelay({ resolution: 5 }); delay.enable();
     setTimeout(() => { console.log(Math.max(0, delay.max / 1e6 - 5)); process.exit(); }, ${took});`,
  ]);
  const said = await new Promise<string>((done) => loop.stdout.once("data", (chunk: Buffer) => done(chunk.toString())));
  for (const child of busy) child.kill();
  return Number(said);
}

/** The catalogue as a CSV file. */
export function writeTable(file: string, catalogue: Catalogue): void {
  const descriptor = openSync(file, "w");
  writeSync(descriptor, stringify([tableColumns(catalogue.fields).map(({ column }) => column)]));
  for (let i = 0; i < catalogue.products.length; i += 2000)
    writeSync(descriptor, stringify(catalogue.products.slice(i, i + 2000).flatMap((product) => tableRows(product, catalogue.fields))));
}

async function readTable(file: string): Promise<number> {
  let rows = 0;
  for await (const _ of createReadStream(file).pipe(parse({ columns: true }))) rows++;
  return rows;
}

/** A server of its own process, with what a bench asks of it. */
export async function startServer(folder: string) {
  const child = spawn("node", [join(resolve(import.meta.dirname), "start.js"), "--port", "0", "--data", join(folder, "data")], {
    stdio: ["ignore", "pipe", "pipe"],
    env: { ...process.env, CLEVER_SHELF_MEASURE: "1" },
  });
  const url = await new Promise<string>((ready) =>
    child.stdout.on("data", (chunk: Buffer) => {
      const found = /http:\/\/\S+/.exec(chunk.toString());
      if (found) ready(found[0]);
    }),
  );
  const post = async (path: string, body: unknown) =>
    (await fetch(url + path, { method: "POST", headers: { "content-type": "application/json" }, body: JSON.stringify(body) })).json();
  return {
    url,
    post,
    async feed(file: string): Promise<void> {
      // A connection of its own: a kept one may have been closed while this process was busy.
      const { job } = await new Promise<{ job: string }>((done, fail) => {
        const sent = request(`${url}/api/stores/big/feed?format=csv`, { method: "POST", agent: false }, (answer) => {
          let text = "";
          answer.on("data", (chunk: Buffer) => {
            text += chunk.toString();
          });
          answer.on("end", () => done(JSON.parse(text) as { job: string }));
        });
        sent.on("error", fail);
        createReadStream(file).pipe(sent);
      });
      for (;;) {
        const state = (await (await fetch(`${url}/api/jobs/${job}`)).json()) as { state: string; message: string };
        if (state.state === "done") return;
        if (state.state !== "running") throw new Error(state.message);
        await new Promise((done) => setTimeout(done, 100));
      }
    },
    async searches(queries: readonly string[]): Promise<number[]> {
      const took: number[] = [];
      for (const query of queries) {
        const started = performance.now();
        await post("/api/stores/big/search", { query });
        took.push(performance.now() - started);
      }
      return took;
    },
    watch: () => watchMemory(child.pid ?? 0),
    measure(): Promise<{ stall: number }> {
      return new Promise((done) => {
        child.stderr.once("data", (chunk: Buffer) => done(JSON.parse(chunk.toString())));
        child.kill("SIGUSR2");
      });
    },
    stop: () => child.kill("SIGTERM"),
  };
}
