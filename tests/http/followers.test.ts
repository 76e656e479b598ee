import { mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { type Balanced, startBalancer } from "../support/balancer";
import { callAs } from "../support/call-as";
import { freePort } from "../support/free-port";
import { ask, patchDraft, startCorner, startServer, type TestServer } from "../support/server";
import { until } from "../support/waits";

/** What shoppers ask, by the address below a store. */
const QUESTIONS: [method: string, path: string, body?: object][] = [
  ["POST", "search", { query: "rose" }],
  ["POST", "search", { query: "rsoe" }],
  ["POST", "search", { query: "", filters: { price: { max: 10 } } }],
  ["POST", "search", { query: "unicorn" }],
  ["POST", "suggest", { query: "r" }],
  ["GET", "front.json"],
  ["GET", "start.json"],
  ["GET", "products/A1/data.json"],
  ["GET", "products/A9/data.json"],
  ["GET", "related/A1"],
];

describe("servers that follow another one", () => {
  const folder = mkdtempSync(join(tmpdir(), "shelf-followers-"));
  const token = join(folder, "token");
  writeFileSync(token, "a secret that nobody would guess\n");
  let main: TestServer;
  let followers: TestServer[] = [];

  const startFollower = async (data?: string): Promise<TestServer> => {
    const server = await startServer({ data, args: ["--follow", main.url, "--token", token, "--public-port", "0"] });
    await until(async () => (await fetch(`${server.url}/api/ready`)).ok, "a follower that has what it needs");
    return server;
  };
  beforeAll(async () => {
    main = await startCorner({ args: ["--token", token] });
    followers = await Promise.all([startFollower(), startFollower()]);
  });
  afterAll(async () => {
    await Promise.all([...followers, main].map((server) => server.stop()));
    rmSync(folder, { recursive: true, force: true });
  });

  /** What a server says to all questions, without what is of the moment. */
  async function answersOf(url: string): Promise<string> {
    const said: string[] = [];
    for (const [method, path, body] of QUESTIONS) {
      const { status, body: text } = await callAs(url, method, `/shop/corner/${path}`, {}, body);
      said.push(`${status} ${text.replace(/"(searchId|at)":"[^"]*"|"tookMs":[\d.]+|http:\/\/[\d.:]+/g, "")}`);
    }
    return said.join("\n");
  }
  const inStep = () =>
    until(async () => {
      const [expected, ...found] = await Promise.all([main, ...followers].map(({ url, shopUrl }) => answersOf(shopUrl || url)));
      return found.every((one) => one === expected);
    }, "followers that answer as the main server does");
  const searchAt = async (url: string, query: string) =>
    JSON.parse((await callAs(url, "POST", "/shop/corner/search", {}, { query })).body) as { searchId: string; total: number };
  const tell = (url: string, searchId: string, query: string) =>
    callAs(url, "POST", "/shop/corner/events", {}, { visit: "v", kind: "search", searchId, query });
  const listed = async () =>
    (await ask<{ entries: Record<string, { shown: number; taken: number }> }>(main, "GET", "/api/stores/corner/box/list")).body.entries.red;
  /** Lines of the main server's log about a search, with how many results it says were shown. */
  const logged = async (query: string): Promise<(number | undefined)[]> => {
    const { body } = await callAs(main.url, "GET", "/api/stores/corner/log/events.jsonl", {});
    return body
      .split("\n")
      .flatMap((line) => (line ? [JSON.parse(line) as { query?: string; total?: number }] : []))
      .filter((event) => event.query === query)
      .map(({ total }) => total);
  };

  test("answer to the letter as it does, after what was released, changed in the catalogue and renamed too", async () => {
    await inStep();
    const before = await answersOf(main.url);
    const synonym = { op: "add", path: "/words/w", value: { does: "synonym", words: ["unicorn", "spade"] } };
    expect((await patchDraft(main, [synonym])).status).toBe(200);
    await ask(main, "POST", "/api/stores/corner/releases", { note: "Unicorns dig" });
    await inStep();
    const released = await answersOf(followers[0].shopUrl);
    expect(released).not.toBe(before);
    await ask(main, "PATCH", "/api/stores/corner/products/A1", { values: { title: "Red rose of the year" } });
    await ask(main, "POST", "/api/stores/corner/log/snapshots");
    await inStep();
    expect(await answersOf(followers[1].shopUrl)).toContain("Red rose of the year");
  });

  test("show nothing but the shop’s side, and tell whoever runs them how they are", async () => {
    const [{ url, shopUrl }] = followers;
    const statusAt = async (at: string, path: string) => (await callAs(at, "GET", path, {})).status;
    expect([await statusAt(url, "/api/health"), await statusAt(url, "/metrics")]).toEqual([200, 200]);
    for (const path of ["/api/stores", "/api/stores/corner/draft", "/api/follow/state", "/"]) expect(await statusAt(url, path)).toBe(404);
    for (const path of ["/api/health", "/metrics"]) expect(await statusAt(shopUrl, path)).toBe(404);
  });

  test("are known by their token alone", async () => {
    const state = (headers: Record<string, string>) => callAs(main.url, "GET", "/api/follow/state", headers);
    expect((await state({})).status).toBe(401);
    expect((await state({ authorization: "Bearer something else" })).status).toBe(401);
    expect((await state({ authorization: "Bearer a secret that nobody would guess" })).status).toBe(200);
    await expect(startServer({ args: ["--follow", main.url] })).rejects.toThrow("The server ended with 2.");
  });

  test("hand on what shoppers did, also of a search that another of them answered", async () => {
    const [one, other] = followers.map(({ shopUrl }) => shopUrl);
    const { searchId, total } = await searchAt(one, "rose");
    expect((await tell(other, searchId, "rose")).status).toBe(202);
    await until(async () => (await logged("rose")).includes(total), "an event with what its search showed");
    expect(await logged("rose")).toEqual([total]);
  });

  test("hand on how the shop’s own list of searches fared", async () => {
    await patchDraft(main, [{ op: "add", path: "/box/list/red", value: { text: "Red roses" } }]);
    await ask(main, "POST", "/api/stores/corner/releases", { note: "A list" });
    await inStep();
    const [one, other] = followers.map(({ shopUrl }) => shopUrl);
    const before = await listed();
    for (const url of [one, one, other]) await callAs(url, "POST", "/shop/corner/suggest", {}, { query: "red" });
    await callAs(other, "POST", "/shop/corner/taken", {}, { own: "red" });
    // What was asked while they came in step is counted too.
    await until(async () => {
      const { shown, taken } = await listed();
      return taken > before.taken && shown >= before.shown + 3;
    }, "counts of the list");
    expect((await listed()).taken).toBe(before.taken + 1);
  });

  test("keep answering while it is away, and hand on what happened meanwhile once, restarts between", async () => {
    const [one] = followers;
    await main.end("SIGKILL");
    const { searchId, total } = await searchAt(one.shopUrl, "spade");
    expect(total).toBe(1);
    await tell(one.shopUrl, searchId, "spade");
    await one.end("SIGTERM");
    const again = await startServer({ data: one.data, args: ["--follow", main.url, "--token", token, "--public-port", "0"] });
    followers[0] = again;
    expect((await searchAt(again.shopUrl, "spade")).total).toBe(1);
    expect((await fetch(`${again.url}/api/ready`)).status).toBe(200);
    const port = new URL(main.url).port;
    main = await startServer({ data: main.data, args: ["--token", token, "--port", port] });
    await until(async () => (await logged("spade")).length > 0, "what was kept");
    expect(await logged("spade")).toEqual([1]);
    await inStep();
  });

  test("behind a balancer one of them may be killed: no search fails", async () => {
    const port = await freePort();
    const balanced = followers.map(({ shopUrl, url }): Balanced => ({ shop: shopUrl, own: url }));
    const config = readFileSync(join(__dirname, "../../docs/haproxy.cfg"), "utf8");
    const end = startBalancer(config, balanced, port, folder);
    const url = `http://127.0.0.1:${port}`;
    const searchIn = () =>
      callAs(url, "POST", "/shop/corner/search", {}, { query: "rose" }).then(
        ({ status }) => status,
        () => 0,
      );
    await until(async () => (await searchIn()) === 200, "the balancer");
    const statuses: number[] = [];
    let isOver = false;
    const CLIENTS = 4;
    const clients = Array.from({ length: CLIENTS }, async () => {
      while (!isOver) statuses.push(await searchIn());
    });
    await until(async () => statuses.length > 40, "searches on their way");
    await followers[0].end("SIGKILL");
    const atEnd = statuses.length;
    await until(async () => statuses.length > atEnd + 100, "searches after it");
    isOver = true;
    await Promise.all(clients);
    end();
    // Those in flight may be lost with it; a balancer that asks again loses none of them.
    const failed = statuses.filter((status) => status !== 200);
    expect(failed.length).toBeLessThanOrEqual(CLIENTS);
    expect(statuses.slice(-50).every((status) => status === 200)).toBe(true);
  });
});
