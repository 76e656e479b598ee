import { spawnSync } from "node:child_process";
import { appendFileSync, cpSync, mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { Ledger } from "./ledger";
import { newRow, type Row, randomFrom } from "./row";
import { makeStore, newFolder, Server } from "./server";

const STORE = "/api/stores/corner";
const LONG = "x".repeat(2_000);
const LONGER = "x".repeat(90_000);
const TABLE = `id,title\n${Array.from({ length: 3_000 }, (_, i) => `Z${i},Weed ${i} ${LONG.slice(0, 400)}`).join("\n")}\n`;
const PATCH = "application/json-patch+json";

/** Every call that writes, with a body that needs room. */
const PATHS: [method: string, path: string, body: unknown, type?: string][] = [
  ["POST", "/api/stores", { id: "more", name: "More", locale: "en", currency: "GBP" }],
  ["PATCH", `${STORE}/draft`, [{ op: "add", path: "/words/w", value: { does: "synonym", words: ["rose", LONG.slice(0, 100)] } }], PATCH],
  ["POST", `${STORE}/draft/undo`, undefined],
  ["POST", `${STORE}/draft/redo`, undefined],
  ["POST", `${STORE}/releases`, { note: LONG }],
  ["POST", `${STORE}/releases/1/restore?draft=back`, undefined],
  ["PUT", `${STORE}/products/N1`, { values: { title: LONG } }],
  ["PATCH", `${STORE}/products/A1`, { values: { title: LONG } }],
  ["DELETE", `${STORE}/products/A2`, undefined],
  ["POST", `${STORE}/pages`, { id: "g", title: "Guide", text: LONGER }],
  ["DELETE", `${STORE}/pages/g`, undefined],
  ["POST", `${STORE}/pages/feed?format=csv`, `id,title,text\nh,Guide,${LONGER}\n`, "text/plain"],
  ["POST", `${STORE}/feed?format=csv`, TABLE, "text/plain"],
  ["POST", `${STORE}/feed?format=csv&dry=true`, TABLE, "text/plain"],
  ["PATCH", `${STORE}/fields/title`, { label: LONG.slice(0, 100) }],
  ["PUT", `${STORE}/embedding`, { origins: ["https://shop.example"] }],
  ["POST", `${STORE}/embedding/key`, undefined],
  ["POST", `${STORE}/products/bulk`, { which: { ids: ["A1"] }, change: { addTags: ["gift"] } }],
  ["PUT", `${STORE}/judgments`, { query: "rose", product: "A1", verdict: "good" }],
  ["POST", `${STORE}/events`, Array(100).fill({ visit: "v", kind: "search", query: LONG.slice(0, 500) })],
  ["POST", "/shop/corner/events", Array(100).fill({ visit: "v", kind: "search", query: LONG.slice(0, 500) })],
  ["GET", `${STORE}/backup`, undefined],
];

/** Calls all that writes while there is no room, then again with room. */
export async function fullDisk(rounds: number, seed: number): Promise<Row> {
  const row = newRow(`full disk, ${PATHS.length} calls that write`);
  const folder = mkdtempSync(join(tmpdir(), "shelf-full-"));
  const isDisk = spawnSync("mount", ["-t", "tmpfs", "-o", "size=24m", "tmpfs", folder]).status === 0;
  row.note = isDisk ? "a small disk, and a database that may not grow" : "a database that may not grow; no disk could be mounted here";
  try {
    for (let i = 0; i < rounds; i++) {
      await round(row, null, seed + i);
      // Once alone it is the database that may not grow; a whole disk that is full is a test of its own.
      if (isDisk && rounds > 1) await round(row, folder, seed + i);
    }
  } finally {
    if (isDisk) spawnSync("umount", ["-l", folder]);
    rmSync(folder, { recursive: true, force: true });
  }
  return row;
}

async function round(row: Row, disk: string | null, seed: number): Promise<void> {
  const made = newFolder();
  const data = disk ? join(disk, "data") : made;
  const ledger = new Ledger();
  const first = await started(row, made);
  if (!first) return;
  await makeStore(first, "corner");
  await first.call("POST", `${STORE}/releases`, { note: "First" });
  const writing = ledger.write(first, randomFrom(seed));
  await wait(600);
  ledger.stop();
  await writing;
  await first.end();
  if (disk) {
    rmSync(data, { recursive: true, force: true });
    cpSync(made, data, { recursive: true });
  }
  const server = await started(row, data, disk ? {} : { CLEVER_SHELF_MOST_PAGES: "1" });
  if (!server) return;
  const filler = disk ? join(disk, "filler") : null;
  if (filler) fill(filler);
  for (const [method, path, body, type] of PATHS) await call(row, server, method, path, body, type);
  // It ends when it is told to, starts where there is no room, and goes on once there is some.
  await server.end();
  const full = await started(row, data, disk ? {} : { CLEVER_SHELF_MOST_PAGES: "1" });
  if (full) {
    await call(row, full, "POST", `${STORE}/search`, { query: "rose" });
    if (filler) rmSync(filler);
    else await full.end();
  }
  const roomy = disk ? full : await started(row, data);
  if (!roomy) return;
  const { status } = await roomy.call("POST", `${STORE}/releases`, { note: "Room" });
  if (status !== 201) row.details.push(`with room a release is answered with ${status}`);
  if (status !== 201) row.failed++;
  await roomy.end();
  for (const path of disk ? [made, data] : [made]) rmSync(path, { recursive: true, force: true });
}

async function call(row: Row, server: Server, method: string, path: string, body: unknown, type?: string): Promise<void> {
  row.tried++;
  const headers = { ...(type ? { "content-type": type } : {}), "if-match": path.endsWith("/draft") ? '"1"' : "*" };
  const sent = type === PATCH ? JSON.stringify(body) : body;
  try {
    const { status, body: said } = await server.call(method, path, sent, headers);
    if (status < 500 || status === 503 || status === 507) return;
    row.failed++;
    row.details.push(`${method} ${path} is answered with ${status}: ${JSON.stringify(said).slice(0, 200)}; ${server.errors.slice(-600)}`);
  } catch {
    if (!server.hasEnded) return;
    row.crashes++;
    row.details.push(`${method} ${path} ended the server: ${server.errors}`);
  }
}

async function started(row: Row, data: string, env: Record<string, string> = {}): Promise<Server | null> {
  const server = await Server.start(data, { env });
  if (typeof server !== "string") return server;
  row.refused++;
  row.details.push(server);
  return null;
}

function fill(file: string): void {
  for (const size of [1 << 20, 1 << 12, 1])
    try {
      for (;;) appendFileSync(file, Buffer.alloc(size));
    } catch {
      // Full, but for less than this size.
    }
}

const wait = (ms: number) => new Promise((done) => setTimeout(done, ms));
