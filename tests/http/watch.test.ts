import { spawn } from "node:child_process";
import { cpSync, mkdtempSync, rmSync } from "node:fs";
import { request } from "node:http";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { createInterface } from "node:readline";
import { startCorner, type TestServer } from "../support/server";
import { until } from "../support/waits";

let server: TestServer;
beforeAll(async () => {
  server = await startCorner({ args: ["--public-port", "0"] });
}, 60_000);
afterAll(() => server.stop());

const body = (query: string) => ({ method: "POST", headers: { "content-type": "application/json" }, body: JSON.stringify({ query }) });

describe("what whoever runs the server watches", () => {
  test("each answer has an id, the one of its request where that has one", async () => {
    const ids = await Promise.all(
      [new Headers(), new Headers({ "x-request-id": "from-the-proxy" })].map(async (headers) =>
        (await fetch(`${server.url}/api/health`, { headers })).headers.get("x-request-id"),
      ),
    );
    expect(ids[0]).toMatch(/^[\w-]{8,}$/);
    expect(ids[1]).toBe("from-the-proxy");
  });

  test("requests are counted by route, those that fail too, and what waits is told", async () => {
    await fetch(`${server.url}/shop/corner/search`, body("rose"));
    await fetch(`${server.url}/shop/nowhere/search`, body("rose"));
    await fetch(`${server.url}/bench/corner`);
    const text = await (await fetch(`${server.url}/metrics`)).text();
    const countOf = (route: string, status: string) =>
      Number(new RegExp(`clever_shelf_request_seconds_count{method="\\w+",route="${route}",status="${status}"} (\\d+)`).exec(text)?.[1]);
    expect(countOf("/shop/:store/search", "2xx")).toBe(1);
    expect(countOf("/shop/:store/search", "4xx")).toBe(1);
    expect(countOf("files", "2xx")).toBeGreaterThan(0);
    for (const line of ["clever_shelf_stores 1", "clever_shelf_imports_running 0", "clever_shelf_events_dropped 0"])
      expect(text).toContain(`${line}\n`);
    expect(text).toContain("nodejs_eventloop_lag_seconds");
  });

  test("the shop's side says nothing of it", async () => {
    for (const path of ["/metrics", "/api/ready", "/api/health"]) expect((await fetch(`${server.shopUrl}${path}`)).status).toBe(404);
  });

  test("requests and slow searches are lines of JSON where that is wanted", async () => {
    const data = mkdtempSync(join(tmpdir(), "watch-"));
    cpSync("dist/test-corner", data, { recursive: true });
    // A search takes longer than nothing.
    const args = ["dist/server/start.js", "--port", "0", "--data", data, "--access-log", "--slow-search", "1", "--stop-wait", "1"];
    const child = spawn("node", args, { stdio: ["ignore", "pipe", "pipe"] });
    const lines: Record<string, unknown>[] = [];
    createInterface({ input: child.stderr }).on("line", (line) => lines.push(JSON.parse(line)));
    const [url] = await new Promise<string[]>((ready) => {
      createInterface({ input: child.stdout }).on("line", (line) => ready(/http:\S+/.exec(line) ?? []));
    });
    const query = "a rose of many words ".repeat(20);
    const find = (msg: string) => lines.find((line) => line.msg === msg);
    await until(async () => {
      await fetch(`${url}/shop/corner/search`, { ...body(query), headers: { ...body("").headers, "x-request-id": "one" } });
      return find("A search took long") !== undefined;
    }, "a search that took a millisecond");
    expect(find("A search took long")).toMatchObject({
      level: "warn",
      store: "corner",
      query,
      ms: expect.any(Number),
      steps: expect.any(Array),
    });
    await until(async () => find("request") !== undefined, "a line of a request");
    expect(find("request")).toMatchObject({ level: "info", request: "one", method: "POST", path: "/shop/corner/search", status: 200 });
    expect(await (await fetch(`${url}/api/ready`)).json()).toEqual({ status: "ready" });
    // One who sends and never comes to an end keeps the server for a while, which is said.
    const endless = request(`${url}/api/stores/corner/feed`, { method: "POST", headers: { "content-type": "text/csv" } });
    endless.on("error", () => undefined);
    endless.write("id,title\n");
    await until(async () => (await (await fetch(`${url}/api/health`)).json()).status === "ok", "the server");
    const ended = new Promise((done) => child.on("exit", done));
    child.kill("SIGTERM");
    await ended;
    expect(lines.map(({ msg }) => msg)).toContain("Ended with 1 request without an answer");
    rmSync(data, { recursive: true });
  });
});
