import {
  appendFileSync,
  copyFileSync,
  cpSync,
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  rmSync,
  truncateSync,
  writeFileSync,
} from "node:fs";
import { join } from "node:path";
import SQLite from "better-sqlite3";
import { newRow, type Row, randomFrom } from "./row";
import { makeStore, newFolder, Server } from "./server";

interface Kind {
  name: string;
  harm: (data: string, stored: string, random: () => number) => void;
  /** Whether it may take everything along: then the start is refused with what to do, or what is missing is said. */
  isAll?: boolean;
  signal?: NodeJS.Signals;
}

const MAIN = "clever-shelf.db";

function change(file: string, work: (bytes: Buffer) => void): void {
  const bytes = readFileSync(file);
  work(bytes);
  writeFileSync(file, bytes);
}
const flip = (file: string, random: () => number, count = 1, from = 0) =>
  change(file, (bytes) => {
    for (let i = 0; i < count; i++) bytes[Math.floor((from + random() * (1 - from)) * bytes.length)] ^= 1 << Math.floor(random() * 8);
  });
const halve = (file: string) => truncateSync(file, Math.floor(readFileSync(file).length / 2));
const zero = (file: string) => change(file, (bytes) => bytes.fill(0));
const garbage = (file: string, random: () => number) => change(file, (bytes) => bytes.set(bytes.map(() => Math.floor(random() * 256))));

/** Changes a row, as a program that errs would. */
function sql(file: string, ...statements: string[]): void {
  const db = new SQLite(file);
  for (const statement of statements) db.exec(statement);
  db.close();
}
const settings = (text: string) => (data: string) => sql(join(data, MAIN), `UPDATE drafts SET settings = ${text} WHERE store = 'corner'`);
const deep = `'{"selections":{"s":{"name":"S","condition":${'{"not":'.repeat(2000)}{"selection":"s"}${"}".repeat(2000)}}}}'`;

const catalogue = (stored: string) => join(stored, readdirSync(stored).find((name) => /^catalogue-\d+\.db$/.test(name)) ?? "none");
const index = (stored: string) => catalogue(stored).replace(/\.db$/, ".index");
const onCatalogue =
  (harm: (file: string, random: () => number) => void, withIndex = true): Kind["harm"] =>
  (_, stored, random) => {
    harm(catalogue(stored), random);
    if (!withIndex) rmSync(index(stored), { force: true });
  };

const KINDS: Kind[] = [
  { name: "one bit of the main database", harm: (data, _, random) => flip(join(data, MAIN), random, 1, 0.02), isAll: true },
  { name: "twenty bits of the main database", harm: (data, _, random) => flip(join(data, MAIN), random, 20, 0.1), isAll: true },
  { name: "half of the main database", harm: (data) => halve(join(data, MAIN)), isAll: true },
  { name: "the main database zeroed", harm: (data) => zero(join(data, MAIN)), isAll: true },
  { name: "the main database full of noise", harm: (data, _, random) => garbage(join(data, MAIN), random), isAll: true },
  { name: "the main database gone", harm: (data) => rmSync(join(data, MAIN)), isAll: true },
  { name: "the main database empty", harm: (data) => writeFileSync(join(data, MAIN), ""), isAll: true },
  { name: "the main database longer than it was", harm: (data) => appendFileSync(join(data, MAIN), "more") },
  {
    name: "the main database's journal gone",
    harm: (data) => rmSync(join(data, `${MAIN}-wal`), { force: true }),
    signal: "SIGKILL",
    isAll: true,
  },
  { name: "the main database's journal cut", harm: (data) => halve(join(data, `${MAIN}-wal`)), signal: "SIGKILL", isAll: true },
  {
    name: "the main database's journal full of noise",
    harm: (data, _, r) => garbage(join(data, `${MAIN}-wal`), r),
    signal: "SIGKILL",
    isAll: true,
  },
  {
    name: "shared memory of the main database",
    harm: (data, _, r) => garbage(join(data, `${MAIN}-shm`), r),
    signal: "SIGKILL",
    isAll: true,
  },
  { name: "the folder's identity", harm: (data) => writeFileSync(join(data, "folder.json"), "{") },
  { name: "the folder's identity gone", harm: (data) => rmSync(join(data, "folder.json")) },
  { name: "the lock full of noise", harm: (data) => writeFileSync(join(data, "lock.db"), "x".repeat(5000)) },
  { name: "a draft that is no JSON", harm: settings("'{\"wor'") },
  { name: "a draft of another shape", harm: settings("'{\"words\":[1,2]}'") },
  { name: "a draft nested 2,000 levels deep", harm: settings(deep) },
  { name: "a draft that is empty", harm: settings("''") },
  { name: "no row of the draft", harm: (data) => sql(join(data, MAIN), "DELETE FROM drafts WHERE store = 'corner'") },
  { name: "a release that is no JSON", harm: (data) => sql(join(data, MAIN), "UPDATE releases SET settings = '{' WHERE store = 'corner'") },
  {
    name: "edits that are no JSON",
    harm: (data) => sql(join(data, MAIN), "UPDATE edits SET patch = '[', inverse = '' WHERE store = 'corner'"),
  },
  { name: "jobs that are no JSON", harm: (data) => sql(join(data, MAIN), "UPDATE jobs SET problems = '[', result = '{'") },
  { name: "what is remembered of the feed", harm: (data) => sql(join(data, MAIN), "UPDATE feed_memory SET memory = '{'") },
  { name: "languages of a store", harm: (data) => sql(join(data, MAIN), "UPDATE stores SET languages = 'en,' WHERE id = 'corner'") },
  { name: "the locale of a store", harm: (data) => sql(join(data, MAIN), "UPDATE stores SET locale = 'no language' WHERE id = 'corner'") },
  {
    name: "currency and time zone of a store",
    harm: (data) => sql(join(data, MAIN), "UPDATE stores SET currency = '', time_zone = 'Nowhere' WHERE id = 'corner'"),
  },
  {
    name: "origins of the public key",
    harm: (data) => sql(join(data, MAIN), "INSERT OR REPLACE INTO public_keys VALUES ('corner', 'pk_x', '[')"),
  },
  {
    name: "the counted log",
    harm: (data) => sql(join(data, MAIN), "INSERT OR REPLACE INTO log_snapshots VALUES ('corner', 99, '2026-01-01', '{')"),
  },
  { name: "events with rules that are no JSON", harm: (data) => sql(join(data, MAIN), "UPDATE events SET rules = '[', shown = '{'") },
  {
    name: "a number of a catalogue that is not there",
    harm: (data) => sql(join(data, MAIN), "UPDATE stores SET catalogue = 77 WHERE id = 'corner'"),
  },
  { name: "one bit of a catalogue", harm: onCatalogue((file, random) => flip(file, random)) },
  { name: "one bit of a catalogue, without its index", harm: onCatalogue((file, random) => flip(file, random, 1, 0.1), false) },
  { name: "a hundred bits of a catalogue", harm: onCatalogue((file, random) => flip(file, random, 100)) },
  { name: "half of a catalogue", harm: onCatalogue(halve) },
  { name: "half of a catalogue, without its index", harm: onCatalogue(halve, false) },
  { name: "a catalogue gone", harm: onCatalogue((file) => rmSync(file)) },
  { name: "a catalogue gone, without its index", harm: onCatalogue((file) => rmSync(file), false) },
  {
    name: "a catalogue full of noise, with an index cut in half",
    harm(_, stored, random) {
      garbage(catalogue(stored), random);
      halve(index(stored));
    },
  },
  { name: "a product that is no JSON", harm: onCatalogue((file) => sql(file, "UPDATE products SET product = '{' WHERE place = 3"), false) },
  { name: "fields that are no JSON", harm: onCatalogue((file) => sql(file, "UPDATE facts SET value = '[' WHERE name = 'fields'"), false) },
  { name: "an index with one bit changed", harm: (_, stored, random) => flip(index(stored), random) },
  { name: "an index cut in half", harm: (_, stored) => halve(index(stored)) },
  { name: "an index of another catalogue", harm: (data, stored) => copyFileSync(index(join(data, "stores", "other")), index(stored)) },
  {
    name: "a folder where the catalogue was",
    harm: onCatalogue((file) => {
      rmSync(file);
      mkdirSync(file);
    }, false),
  },
  { name: "the folder of a store gone", harm: (_, stored) => rmSync(stored, { recursive: true }) },
  {
    name: "leftovers of an import",
    harm(_, stored) {
      for (const name of ["catalogue-9.db", "upload-9"]) writeFileSync(join(stored, name), "x");
    },
  },
];

/** All that is asked of a store after a start. */
const ASKED = [
  "draft",
  "draft/changes",
  "draft/history",
  "releases",
  "fields",
  "fields/report",
  "categories",
  "products?limit=5",
  "products/A1",
  "products/A1/sheet",
  "pages",
  "jobs",
  "feed/memory",
  "gone",
  "selections",
  "log",
  "log/queries",
  "embedding",
  "export/products.jsonl",
  "log/events.jsonl",
];

/** Damages a stopped server's data in every way, and looks whether all that is whole is served. */
export async function damage(most: number, seed: number): Promise<Row> {
  const row = newRow(`damage of ${Math.min(most, KINDS.length)} kinds`);
  const made = newFolder();
  const first = await Server.start(made);
  if (typeof first === "string") throw new Error(first);
  for (const id of ["corner", "other"]) await makeStore(first, id);
  await first.call("POST", "/api/stores/corner/releases", { note: "First" });
  await first.call("POST", "/shop/corner/events", Array(50).fill({ visit: "v", kind: "search", query: "rose" }));
  await new Promise((done) => setTimeout(done, 700));
  const step = Math.max(1, Math.floor(KINDS.length / most));
  const kinds = KINDS.filter((_, i) => i % step === 0);
  const killed = newFolder();
  cpSync(made, killed, { recursive: true });
  await first.end();
  for (const kind of kinds) await one(row, kind, kind.signal ? killed : made, randomFrom(seed + row.tried));
  for (const folder of [made, killed]) rmSync(folder, { recursive: true, force: true });
  return row;
}

async function one(row: Row, { name, harm, isAll = false }: Kind, made: string, random: () => number): Promise<void> {
  row.tried++;
  const data = newFolder();
  cpSync(made, data, { recursive: true });
  harm(data, join(data, "stores", "corner"), random);
  const server = await Server.start(data);
  const wrong = (what: "refused" | "lost" | "failed" | "crashes", said: string) => {
    row[what]++;
    row.details.push(`${name}: ${said}`);
  };
  if (typeof server === "string") {
    // Nothing can be opened, and what to do is said; or nothing of the sort was expected.
    if (!isAll || !/Put (it|back)/.test(server)) wrong("refused", server);
  } else {
    try {
      const { body } = await server.call("POST", "/api/stores/other/search", { query: "rose" });
      if (!isAll && (body as { total?: number }).total !== 40)
        wrong("lost", `the other store answers ${JSON.stringify(body).slice(0, 200)}`);
      for (const path of ASKED) {
        const { status, body: said } = await server.call("GET", `/api/stores/corner/${path}`);
        if (status >= 500 && status !== 503 && status !== 507)
          wrong("failed", `${path} is answered with ${status}: ${JSON.stringify(said).slice(0, 200)} ${server.errors.slice(-500)}`);
      }
      for (const shop of ["/shop/corner/front.json", "/shop/corner/start.json"]) {
        const { status } = await server.call("GET", shop);
        if (status >= 500 && status !== 503) wrong("failed", `${shop} is answered with ${status} ${server.errors.slice(-500)}`);
      }
    } catch (error) {
      wrong(server.hasEnded ? "crashes" : "failed", `${error} ${server.errors.slice(-500)}`);
    }
    await server.end();
  }
  if (existsSync(data)) rmSync(data, { recursive: true, force: true });
}
