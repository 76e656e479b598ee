import { type ChildProcess, spawn } from "node:child_process";
import { cpSync, existsSync, mkdtempSync, renameSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { holdToContract } from "./contract";
import { until } from "./waits";

/** In memory where the machine has it: tests wait for no disk. */
const TEMP = existsSync("/dev/shm") ? "/dev/shm" : tmpdir();
const ROOT = join(__dirname, "../..");

const running = new Set<ChildProcess>();
process.on("exit", () => {
  for (const child of running) child.kill("SIGKILL");
});

const emptyData = () => mkdtempSync(join(TEMP, "shelf-"));

/** A server of its own on a free port, with a data directory of its own. */
export interface TestServer {
  url: string;
  /** Of the shop's side alone, where it was given a port of its own; else "". */
  shopUrl: string;
  data: string;
  process: ChildProcess;
  /** Stops the server and throws its data away. */
  stop: () => Promise<void>;
  /** Ends the process with a signal and leaves the data. */
  end: (signal: NodeJS.Signals) => Promise<number | null>;
}

export interface StartOptions {
  demo?: boolean;
  data?: string;
  endsAt?: string;
  mostPages?: string;
  args?: readonly string[];
}

/**
 * @param endsAt a point at which the server ends as if it were killed; see src/server/end-at.ts.
 * @param mostPages pages that its database may have, as on a disk that is full; "" for any number.
 * @param args flags, as they are typed; see src/server/options.ts.
 */
export async function startServer({
  demo = false,
  data = emptyData(),
  endsAt = "",
  mostPages = "",
  args = [],
}: StartOptions = {}): Promise<TestServer> {
  if (demo) cpSync(join(ROOT, "dist/test-demo"), data, { recursive: true });
  // A machine that runs tests is busy with more than searches: none is given up here.
  const own = ["--port", "0", "--data", data, "--search-budget", "60000"];
  const child = spawn("node", [join(ROOT, "dist/server/start.js"), ...own, ...args], {
    stdio: ["ignore", "pipe", "inherit"],
    env: { ...process.env, CLEVER_SHELF_END_AT: endsAt, CLEVER_SHELF_MOST_PAGES: mostPages },
  });
  running.add(child);
  child.on("exit", () => running.delete(child));
  const addresses = args.includes("--public-port") ? 2 : 1;
  const [url, shopUrl = ""] = await new Promise<string[]>((ready, fail) => {
    let said = "";
    child.stdout?.on("data", (chunk: Buffer) => {
      said += chunk.toString();
      const found = said.match(/http:\/\/\S+(?=\n)/g) ?? [];
      if (found.length === addresses) ready(/^The shop/.test(said) ? found.reverse() : found);
    });
    child.on("exit", (code) => fail(new Error(`The server ended with ${code}.`)));
  });
  const end = (signal: NodeJS.Signals) =>
    new Promise<number | null>((done) => {
      if (child.exitCode !== null || child.signalCode !== null) return done(child.exitCode);
      child.on("exit", (code) => done(code));
      child.kill(signal);
    });
  return {
    url,
    shopUrl,
    data,
    process: child,
    end,
    stop: async () => {
      await end("SIGTERM");
      rmSync(data, { recursive: true, force: true });
    },
  };
}

export interface Answer<T = Record<string, unknown>> {
  status: number;
  type: string;
  headers: Headers;
  body: T;
}

/** Calls a server and gives status and JSON back, whatever the status. */
export async function ask<T = Record<string, never>>(
  server: Pick<TestServer, "url">,
  method: string,
  path: string,
  body?: unknown,
  headers: Record<string, string> = {},
): Promise<Answer<T>> {
  const isRaw = typeof body === "string" || body instanceof Uint8Array;
  const response = await fetch(server.url + path, {
    method,
    headers: { ...(body === undefined || isRaw ? {} : { "content-type": "application/json" }), ...headers },
    body: body === undefined ? undefined : isRaw ? (body as BodyInit) : JSON.stringify(body),
  });
  const text = await response.text();
  const type = response.headers.get("content-type") ?? "";
  const answer = /[/+]json\b/.test(type) ? JSON.parse(text) : text;
  holdToContract(method, path, response.status, type, answer);
  return { status: response.status, type, headers: response.headers, body: answer as T };
}

/** Changes a store's draft at the revision it has. @param operations a list, or a text that is sent as it is. @param headers beside those needed. */
export async function patchDraft<T = { detail: string; revision: number }>(
  server: Pick<TestServer, "url">,
  operations: readonly object[] | string,
  headers: Record<string, string> = {},
  store = "corner",
): Promise<Answer<T>> {
  const draft = `/api/stores/${store}/draft`;
  const { headers: now } = await ask(server, "GET", draft);
  const sent = { "content-type": "application/json-patch+json", "if-match": now.get("etag") ?? "", ...headers };
  return ask<T>(server, "PATCH", draft, typeof operations === "string" ? operations : [...operations], sent);
}

/** The searches that fail, once all were looked at. */
export async function askRepair<T>(server: Pick<TestServer, "url">, store: string): Promise<T> {
  for (;;) {
    const { body } = await ask<T & { progress: object | null }>(server, "GET", `${store}/repair`);
    if (!body.progress) return body;
  }
}

export interface JobBody {
  id: string;
  state: string;
  message: string;
  problems: { line: number; field: string; message: string }[];
  problemCount: number;
  result: Record<string, unknown> | null;
}

/** Sends a feed and waits until its job has ended or waits for a yes. */
export async function importFeed(server: TestServer, store: string, feed: string | Uint8Array, query: string): Promise<JobBody> {
  const started = await ask<{ job: string }>(server, "POST", `/api/stores/${store}/feed?${query}`, feed);
  if (started.status !== 202) throw new Error(`The feed was answered with ${started.status}: ${JSON.stringify(started.body)}`);
  return waitForJob(server, started.body.job);
}

export async function waitForJob(server: TestServer, job: string): Promise<JobBody> {
  let body = {} as JobBody;
  await until(async () => {
    ({ body } = await ask<JobBody>(server, "GET", `/api/jobs/${job}`));
    return body.state !== "running";
  }, `the end of job ${job}`);
  return body;
}

export const CSV =
  "id,title,category,price,stock,colour\nA1,Red rose,Plants > Roses,5.5,3,Red\nA2,White rose,Plants > Roses,7,0,White\nA3,Spade,Tools,20,4,\nA4,Fork,Tools,18,4,\n";

/** Data with one small store, made once by the first who needs it. */
const CORNER = join(ROOT, "dist/test-corner");

async function makeCorner(): Promise<void> {
  const server = await startServer();
  await ask(server, "POST", "/api/stores", { id: "corner", name: "Corner shop", locale: "en", currency: "GBP" });
  await importFeed(server, "corner", CSV, "format=csv");
  await server.end("SIGTERM");
  const made = mkdtempSync(`${CORNER}-`);
  cpSync(server.data, made, { recursive: true });
  rmSync(server.data, { recursive: true });
  try {
    renameSync(made, CORNER);
  } catch {
    // Another suite was first.
    rmSync(made, { recursive: true });
  }
}

/** A server with one small store, "corner". */
export async function startCorner(options: Omit<StartOptions, "data"> = {}): Promise<TestServer> {
  if (!existsSync(CORNER)) await makeCorner();
  const data = emptyData();
  cpSync(CORNER, data, { recursive: true });
  return startServer({ ...options, data });
}
