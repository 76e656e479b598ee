import { type ChildProcess, spawn } from "node:child_process";
import { mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";

const PROGRAM = join(import.meta.dirname, "start.js");
const MOST_START = 60_000;
const running = new Set<ChildProcess>();
process.on("exit", () => {
  for (const child of running) child.kill("SIGKILL");
});

export const newFolder = () => mkdtempSync(join(tmpdir(), "shelf-torture-"));

export interface Answer {
  status: number;
  body: unknown;
  headers: Headers;
}

/** A server of its own on a free port. */
export class Server {
  private readonly ended: Promise<void>;
  private said = "";

  private constructor(
    readonly data: string,
    readonly url: string,
    readonly child: ChildProcess,
  ) {
    child.stderr?.on("data", (chunk: Buffer) => {
      this.said = (this.said + chunk).slice(-4000);
    });
    this.ended = new Promise((done) => child.once("exit", () => done()));
  }

  /** @returns the server, or in words why it did not start. */
  static start(data: string, { env = {}, args = [] }: { env?: Record<string, string>; args?: string[] } = {}): Promise<Server | string> {
    const child = spawn(process.execPath, [PROGRAM, "--port", "0", "--data", data, ...args], {
      stdio: ["ignore", "pipe", "pipe"],
      env: { ...process.env, CLEVER_SHELF_MEASURE: "1", ...env },
    });
    running.add(child);
    let errors = "";
    child.stderr.on("data", (chunk: Buffer) => {
      errors += chunk;
    });
    return new Promise((done) => {
      const timer = setTimeout(() => done(`no answer within ${MOST_START} ms: ${errors}`), MOST_START);
      child.once("exit", (code, signal) => {
        clearTimeout(timer);
        running.delete(child);
        done(`ended with ${code ?? signal}: ${errors.slice(-600)}`);
      });
      child.stdout.on("data", (chunk: Buffer) => {
        const [url] = /http:\/\/\S+/.exec(chunk.toString()) ?? [];
        if (!url) return;
        clearTimeout(timer);
        done(new Server(data, url, child));
      });
    });
  }

  /** What it wrote to standard error last. */
  get errors(): string {
    return this.said;
  }

  get hasEnded(): boolean {
    return this.child.exitCode !== null || this.child.signalCode !== null;
  }

  /** Calls it. @throws where the connection breaks. */
  async call(method: string, path: string, body?: unknown, headers: Record<string, string> = {}): Promise<Answer> {
    const isText = typeof body === "string";
    const response = await fetch(this.url + path, {
      method,
      headers: { ...(body === undefined || isText ? {} : { "content-type": "application/json" }), ...headers },
      body: body === undefined ? undefined : isText ? body : JSON.stringify(body),
    });
    const text = await response.text();
    const isJson = /[/+]json\b/.test(response.headers.get("content-type") ?? "");
    return { status: response.status, body: isJson ? JSON.parse(text) : text, headers: response.headers };
  }

  async end(signal: NodeJS.Signals = "SIGTERM"): Promise<void> {
    if (!this.hasEnded) this.child.kill(signal);
    await this.ended;
  }

  /** The longest stall since the last time it was asked, in ms. */
  async stall(): Promise<number> {
    this.said = "";
    this.child.kill("SIGUSR2");
    for (let i = 0; i < 100; i++) {
      const found = /\{"stall":([\d.]+)\}/.exec(this.said);
      if (found) return Number(found[1]);
      await new Promise((done) => setTimeout(done, 20));
    }
    return Number.NaN;
  }
}

const LINES = Array.from({ length: 40 }, (_, i) => `A${i},Rose number 0,Plants > Roses,0,3,Red`);
export const FEED = `id,title,category,price,stock,colour\n${LINES.join("\n")}\n`;

/** Makes a store with a small catalogue. @throws where that cannot be done. */
export async function makeStore(server: Server, id: string, feed = FEED): Promise<void> {
  await server.call("POST", "/api/stores", { id, name: id, locale: "en", currency: "GBP" });
  await importFeed(server, id, feed, "format=csv");
}

/** @returns the last state of the import's job. */
export async function importFeed(server: Server, store: string, feed: string, query: string): Promise<string> {
  const { body } = await server.call("POST", `/api/stores/${store}/feed?${query}`, feed, { "content-type": "text/plain" });
  const { job } = body as { job?: string };
  for (;;) {
    const { body: now } = await server.call("GET", `/api/jobs/${job}`);
    const { state } = now as { state: string };
    if (state !== "running") return state;
    await new Promise((done) => setTimeout(done, 20));
  }
}
