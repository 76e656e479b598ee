import { execFileSync } from "node:child_process";
import { readFileSync, rmSync } from "node:fs";
import { join } from "node:path";
import { setTimeout as pause } from "node:timers/promises";
import { quantile } from "../figure";
import { median, memoryOf } from "./memory-of";
import { newRow, type Row, randomFrom } from "./row";
import { newFolder, Server } from "./server";

const STORE = "/api/stores/quillmoor";
/** Searches a second, whether or not those before were answered. */
const RATE = 200;
/** Warms up, and does not count, in ms. */
const WARM = 10_000;
/** What an answer may take of which one in a hundred takes longer, in ms. */
const MOST = 50;

/** What goes on beside the searches: each so many ms. */
const EDIT_EVERY = 3_000;
const EXPORT_EVERY = 20_000;
const RELEASE_EVERY = 30_000;
const IMPORT_EVERY = 60_000;

/** The demo shop under a steady rate of searches, with edits, releases, imports and exports beside them. */
export async function rate(minutes: number, seed: number): Promise<Row> {
  const row = newRow(`${RATE} searches a second for ${minutes} min, with edits, releases, imports and exports`);
  const random = randomFrom(seed);
  const data = newFolder();
  execFileSync(process.execPath, [join(import.meta.dirname, "demo.js"), "--data", data], { stdio: "ignore" });
  const feed = readFileSync(join(data, "quillmoor-feed.jsonl"), "utf8");
  const server = await Server.start(data, { args: ["--requests-per-client", "100000", "--events-per-client", "100000"] });
  if (typeof server === "string") throw new Error(server);
  const { body } = await server.call("GET", `${STORE}/log/queries?limit=400`);
  const texts = (body as { queries: { text: string }[] }).queries.map(({ text }) => text);
  const began = performance.now();
  const until = began + WARM + minutes * 60_000;
  const isOver = () => performance.now() >= until || server.hasEnded;
  const took: number[] = [];
  const memory: number[] = [];
  let notNow = 0;
  let stall = 0;
  const count = (status: number) => {
    if (status === 503) notNow++;
    else if (status >= 500 || status === 0) row.failed++;
  };
  const call = (...asked: Parameters<Server["call"]>) => server.call(...asked).catch(() => ({ status: 0, body: null }));

  const searchOne = async (due: number) => {
    const query = texts[Math.floor(texts.length * random() ** 2)];
    const isTyping = random() < 0.25;
    const { status, body: found } = await call("POST", `/shop/quillmoor/${isTyping ? "suggest" : "search"}`, {
      query: isTyping ? query.slice(0, 1 + Math.floor(random() * 5)) : query,
    });
    row.tried++;
    count(status);
    if (due - began > WARM) took.push(performance.now() - due);
    const { searchId } = (found ?? {}) as { searchId?: string };
    if (searchId && random() < 0.5) await call("POST", "/shop/quillmoor/events", { visit: "v", kind: "search", query, searchId });
  };
  const searching = (async () => {
    const open = new Set<Promise<void>>();
    for (let due = began; !isOver(); due += 1_000 / RATE) {
      if (due > performance.now()) await pause(due - performance.now());
      const one = searchOne(due).finally(() => open.delete(one));
      open.add(one);
    }
    await Promise.all(open);
  })();
  const every = async (ms: number, work: () => Promise<unknown>) => {
    while (!isOver()) {
      await pause(Math.min(ms, Math.max(0, until - performance.now())));
      if (!isOver()) await work();
    }
  };
  let edits = 0;
  const edit = async () => {
    const { body: draft } = await call("GET", `${STORE}/draft?pointer=/ranking/tieWidth`);
    const { revision } = draft as { revision: number };
    const patch = [{ op: "replace", path: "/ranking/tieWidth", value: 3 + (edits++ % 5) }];
    count(
      (
        await call("PATCH", `${STORE}/draft`, JSON.stringify(patch), {
          "content-type": "application/json-patch+json",
          "if-match": `${revision}`,
        })
      ).status,
    );
    count((await call("POST", `${STORE}/search?revision=${revision + 1}`, { query: texts[0] })).status);
  };
  await Promise.all([
    searching,
    every(EDIT_EVERY, edit),
    every(EXPORT_EVERY, async () => count((await call("GET", `${STORE}/export/products.csv`)).status)),
    every(RELEASE_EVERY, async () => count((await call("POST", `${STORE}/releases`, { note: "" })).status)),
    every(IMPORT_EVERY, async () =>
      count((await call("POST", `${STORE}/feed?format=jsonl`, feed, { "content-type": "application/x-ndjson" })).status),
    ),
    every(5_000, async () => {
      memory.push(memoryOf(server.child.pid ?? 0));
      const waited = await server.stall();
      if (performance.now() - began > WARM + 5_000) stall = Math.max(stall, waited);
    }),
  ]);
  if (server.hasEnded) {
    row.crashes++;
    row.details.push(server.errors);
  }
  const half = Math.floor(memory.length / 2);
  const [p50, p95, p99] = [0.5, 0.95, 0.99].map((share) => Math.round(quantile(took, share)));
  row.stall = stall;
  row.note = [
    `p50 ${p50}, p95 ${p95}, p99 ${p99} ms (${p99 < MOST ? "under" : "not under"} ${MOST}), longest ${Math.round(took.reduce((a, b) => Math.max(a, b), 0))}`,
    `${notNow} answered with 503`,
    `memory ${median(memory.slice(0, half))} MB in the first half, ${median(memory.slice(half))} MB in the second`,
  ].join("; ");
  await server.end();
  rmSync(data, { recursive: true, force: true });
  return row;
}
