import { mkdtempSync, readFileSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { callAs } from "../support/call-as";
import { freePort } from "../support/free-port";
import { startProxy } from "../support/proxy";
import { ask, importFeed, startCorner, startServer, type TestServer } from "../support/server";
import { until } from "../support/waits";

const BENCH = "https://bench.shop.example";
const SHOP = "https://search.shop.example";
const NAMES = ["--bench-origin", BENCH, "--public-origin", SHOP];
const DRAFT = "/api/stores/corner/draft";
const SEARCH = "/shop/corner/search";

const said = (answer: { body: string }) => (JSON.parse(answer.body) as { detail: string }).detail;
const keyOf = async (server: TestServer) => (await ask<{ key: string }>(server, "GET", "/api/stores/corner/embedding")).body.key;

async function started(args: string[]): Promise<TestServer> {
  const server = await startCorner({ args });
  await ask(server, "POST", "/api/stores/corner/releases", { note: "First" });
  return server;
}

describe("a server whose names were not said", () => {
  let server: TestServer;
  beforeAll(async () => {
    server = await started([]);
  });
  afterAll(() => server.stop());

  test("answers to this machine’s names alone, reads included", async () => {
    for (const host of ["localhost", "localhost:4820", "127.0.0.1", "[::1]:4820"])
      expect([host, (await callAs(server.url, "GET", DRAFT, { host })).status]).toEqual([host, 200]);
    for (const host of ["shelf.example", "localhost.example", "127.0.0.1.example", "10.0.0.1"]) {
      const refused = await callAs(server.url, "GET", DRAFT, { host });
      expect([host, refused.status]).toEqual([host, 403]);
    }
    expect(said(await callAs(server.url, "GET", "/", { host: "shelf.example" }))).toBe(
      "This server does not answer to the name “shelf.example”. If it is one of its own, say so where the server is started: --bench-origin for the bench, --public-origin for the shop’s side.",
    );
  });

  test("what is asked by a public key it answers by any name, since shops may know it by any", async () => {
    const asked = await callAs(server.url, "POST", `/public/${await keyOf(server)}/search`, { host: "shelf.example" }, { query: "rose" });
    expect(asked.status).toBe(200);
    expect((await callAs(server.url, "POST", SEARCH, { host: "shelf.example" }, { query: "rose" })).status).toBe(403);
  });

  test("believes no forwarded header", async () => {
    const forwarded = { "x-forwarded-host": "shelf.example", "x-forwarded-proto": "https", "x-forwarded-for": "203.0.113.9" };
    expect((await callAs(server.url, "GET", DRAFT, forwarded)).status).toBe(200);
    expect((await callAs(server.url, "GET", DRAFT, { host: "shelf.example", "x-forwarded-host": "localhost" })).status).toBe(403);
  });
});

describe("a server with names of its own and a port for the shop’s side", () => {
  let server: TestServer;
  beforeAll(async () => {
    server = await started([...NAMES, "--public-port", "0", "--trust-proxy", "127.0.0.1"]);
  });
  afterAll(() => server.stop());

  test("each name opens its own side", async () => {
    const bench = { host: "bench.shop.example" };
    const shop = { host: "search.shop.example" };
    expect((await callAs(server.url, "GET", DRAFT, bench)).status).toBe(200);
    expect((await callAs(server.url, "POST", SEARCH, bench, { query: "rose" })).status).toBe(200);
    expect((await callAs(server.url, "POST", SEARCH, shop, { query: "rose" })).status).toBe(200);
    const refused = await callAs(server.url, "GET", DRAFT, shop);
    expect([refused.status, said(refused)]).toEqual([
      403,
      "The name “search.shop.example” is that of the shop’s side. The bench has a name of its own.",
    ]);
    // Now that the names are said, a public key is asked by no other.
    expect((await callAs(server.url, "GET", `/public/${await keyOf(server)}/front.json`, { host: "elsewhere.example" })).status).toBe(403);
  });

  test("pages of its own names may change what is on their side, and no others", async () => {
    const change = (path: string, origin: string, body: object) => callAs(server.url, "POST", path, { origin }, body);
    const release = "/api/stores/corner/releases";
    expect((await change(release, BENCH, { note: "From the bench" })).status).toBe(201);
    expect((await change(release, SHOP, { note: "From the shop" })).status).toBe(403);
    expect((await change(release, "https://elsewhere.example", { note: "From elsewhere" })).status).toBe(403);
    expect((await change("/shop/corner/events", SHOP, { visit: "v", kind: "search", query: "rose" })).status).toBe(202);
    expect((await change("/shop/corner/events", "https://elsewhere.example", { visit: "v", kind: "search" })).status).toBe(403);
  });

  test("the shop’s port has the shop’s side and nothing else", async () => {
    const at = (path: string) => callAs(server.shopUrl, "GET", path, {});
    expect((await callAs(server.shopUrl, "POST", SEARCH, {}, { query: "rose" })).status).toBe(200);
    expect((await at(`/public/${await keyOf(server)}/front.json`)).status).toBe(200);
    expect((await at("/shop/corner/")).status).toBe(200);
    expect((await at("/embed/shelf.js")).status).toBe(200);
    for (const path of [DRAFT, "/api/health", "/api/openapi.json", "/", "/corner/fields", "/shop", "/public"])
      expect([path, (await at(path)).status]).toEqual([path, 404]);
  });

  test("addresses of pictures are made whole by the name that was asked", async () => {
    await importFeed(server, "corner", "id,title,image\nG1,Garden gnome,/media/corner/gnome.svg\n", "format=csv&mode=merge");
    const gnome = `/public/${await keyOf(server)}/products/G1/data.json`;
    const asked = async (host: string, proto = "http") =>
      JSON.parse((await callAs(server.url, "GET", gnome, { host, "x-forwarded-proto": proto })).body).values.image;
    expect(await asked("search.shop.example")).toBe(`${SHOP}/media/corner/gnome.svg`);
    expect(await asked("localhost")).toBe("http://localhost/media/corner/gnome.svg");
    // A trusted proxy that speaks https is where the page is.
    expect(await asked("localhost", "https")).toBe("https://localhost/media/corner/gnome.svg");
    const { body } = await ask<{ server: string }>(server, "GET", "/api/stores/corner/embedding");
    expect(body.server).toBe(SHOP);
  });
});

test("two servers begin on one port: the second says so, and what to do", async () => {
  const server = await startServer();
  const port = new URL(server.url).port;
  await expect(startServer({ args: ["--port", port] })).rejects.toThrow("The server ended with 1.");
  await server.stop();
});

/** The file of the documentation, before a server on ports of its own. */
function sitesBefore(server: TestServer): string {
  const [bench, shop] = [server.url, server.shopUrl].map((url) => new URL(url).port);
  return readFileSync(join(__dirname, "../../docs/nginx.conf"), "utf8")
    .replace("127.0.0.1:4820;", `127.0.0.1:${bench};`)
    .replace("127.0.0.1:4821;", `127.0.0.1:${shop};`);
}

describe("behind the proxy of the documentation", () => {
  let server: TestServer;
  let endProxy: () => void;
  let url = "";
  const folder = mkdtempSync(join(tmpdir(), "shelf-proxy-"));
  beforeAll(async () => {
    server = await started([...NAMES, "--public-port", "0", "--trust-proxy", "127.0.0.1", "--requests-per-client", "2"]);
    const port = await freePort();
    url = `http://127.0.0.1:${port}`;
    endProxy = startProxy(sitesBefore(server), port, folder);
    await until(
      () =>
        callAs(url, "GET", "/", {}).then(
          () => true,
          () => false,
        ),
      "the proxy",
    );
  });
  afterAll(async () => {
    endProxy();
    await server.stop();
    rmSync(folder, { recursive: true, force: true });
  });
  const bench = { host: "bench.shop.example" };
  const shop = { host: "search.shop.example" };

  test("each name leads to its side", async () => {
    expect((await callAs(url, "GET", DRAFT, bench)).status).toBe(200);
    expect((await callAs(url, "GET", DRAFT, shop)).status).toBe(404);
    expect((await callAs(url, "POST", SEARCH, shop, { query: "rose" })).status).toBe(200);
    expect((await callAs(url, "GET", "/shop/corner/", shop)).status).toBe(200);
  });

  test("the bench can be worked with, by its own pages alone", async () => {
    const release = (origin: string) => callAs(url, "POST", "/api/stores/corner/releases", { ...bench, origin }, { note: "" });
    expect((await release("http://bench.shop.example")).status).toBe(201);
    expect((await release(BENCH)).status).toBe(201);
    expect((await release("https://elsewhere.example")).status).toBe(403);
  });

  test("callers are told apart by their own addresses, whatever they say of themselves", async () => {
    const search = (said: string) => callAs(url, "POST", SEARCH, { ...shop, "x-forwarded-for": said }, { query: "rose" });
    const answers = [];
    for (let i = 0; i < 30; i++) answers.push((await search(`198.51.100.${i}`)).status);
    expect(answers).toContain(429);
    // Straight from a trusted address, what it forwards counts.
    const other = await callAs(server.shopUrl, "POST", SEARCH, { ...shop, "x-forwarded-for": "198.51.100.7" }, { query: "rose" });
    expect(other.status).toBe(200);
  });
});
