import { existsSync, readdirSync } from "node:fs";
import { join } from "node:path";
import { gzipSync } from "node:zlib";
import { processesOf, watchMemory } from "../../bench/process-memory";
import { ask, CSV, importFeed, startCorner, startServer, type TestServer, waitForJob } from "../support/server";
import { until } from "../support/waits";

const search = async (server: TestServer, query: string) =>
  (await ask<{ total: number; outcome: string }>(server, "POST", "/api/stores/corner/search", { query })).body;

describe("importing a catalogue", () => {
  let server: TestServer;
  beforeEach(async () => {
    server = await startCorner();
  });
  afterEach(() => server.stop());

  test("a feed is searchable at once, with a good set-up nobody made", async () => {
    expect(await search(server, "rose")).toMatchObject({ total: 2, outcome: "results" });
    const { body } = await ask<{ settings: { filters: Record<string, unknown> } }>(server, "GET", "/api/stores/corner/draft");
    expect(Object.keys(body.settings.filters)).toEqual(expect.arrayContaining(["category", "price", "colour"]));
  });

  test("JSON Lines, with options and what is wrong by line", async () => {
    const lines = [
      '{"id":"L1","title":"Lavender","price":6,"options":[{"id":"L1-a","pot":"9 cm","price":6},{"id":"L1-b","pot":"2 litre","price":11}]}',
      "{broken",
      '{"title":"No id"}',
      '{"id":"L2","title":"Mint","price":"free"}',
      '{"id":"L3","title":"Sage","price":4}',
    ];
    const job = await importFeed(server, "corner", lines.join("\n"), "format=jsonl&mode=merge");
    expect(job).toMatchObject({ state: "done", problemCount: 3, result: { added: 3, removed: 0, products: 7 } });
    expect(job.problems.map((problem) => problem.line)).toEqual([2, 3, 4]);
    const { body } = await ask<{ hits: { variant: string; fields: { price: number } }[] }>(server, "POST", "/api/stores/corner/search", {
      query: "lavender 2 litre",
    });
    expect(body.hits[0]).toMatchObject({ variant: "L1-b", fields: { price: 11 } });
  });

  test("a dry run says what would happen and changes nothing", async () => {
    const job = await importFeed(server, "corner", `${CSV.replace("Red rose", "Velvet rose")}A5,Rake,Tools,9,1,\n`, "format=csv&dry=true");
    expect(job).toMatchObject({ state: "done", result: { dry: true, added: 1, changed: 1, removed: 0 } });
    expect((await search(server, "velvet")).total).toBe(0);
  });

  test("a file that would empty the shop waits for a yes", async () => {
    const job = await importFeed(server, "corner", "id,title,price\nA1,Only one left,3\n", "format=csv");
    expect(job).toMatchObject({ state: "waiting", result: { removed: 3 } });
    expect((await search(server, "spade")).total).toBe(1);
    expect((await ask(server, "POST", "/api/stores/corner/feed?format=csv", CSV)).status).toBe(409);
    expect((await ask(server, "POST", `/api/jobs/${job.id}/confirm`)).status).toBe(200);
    expect((await waitForJob(server, job.id)).state).toBe("done");
    expect((await search(server, "spade")).total).toBe(0);
  });

  test("a store that is removed takes its import along, and the server goes on", async () => {
    const rows = Array.from({ length: 20_000 }, (_, i) => `R${i},Rose number ${i},${i % 90}`).join("\n");
    for (const moment of ["at once", "once it reads", "once it has read"] as const) {
      const store = { id: `gone-${moment.replaceAll(" ", "-")}`, name: "Gone", locale: "en", currency: "GBP" };
      await ask(server, "POST", "/api/stores", store);
      const { body } = await ask<{ job: string }>(server, "POST", `/api/stores/${store.id}/feed?format=csv`, `id,title,price\n${rows}\n`);
      const done = async () => (await ask<{ done: number }>(server, "GET", `/api/jobs/${body.job}`)).body.done;
      if (moment === "once it reads") await until(async () => (await done()) > 0, moment);
      if (moment === "once it has read") await until(async () => (await done()) >= 20_000, moment);
      expect((await ask(server, "DELETE", `/api/stores/${store.id}?forever=true`)).status).toBe(204);
      expect((await ask(server, "GET", `/api/stores/${store.id}/front`)).status).toBe(404);
    }
    expect((await search(server, "rose")).total).toBe(2);
    expect((await ask<{ stores: number }>(server, "GET", "/api/health")).body.stores).toBe(1);
    // The store's name is free again, with nothing of the old one in it.
    await ask(server, "POST", "/api/stores", { id: "gone-at-once", name: "Again", locale: "en", currency: "GBP" });
    expect((await ask(server, "GET", "/api/stores/gone-at-once/jobs")).body).toEqual([]);
  });

  test("what waits can be refused", async () => {
    const job = await importFeed(server, "corner", "id,title,price\nA1,Only one left,3\n", "format=csv");
    expect((await ask(server, "DELETE", `/api/jobs/${job.id}`)).body).toMatchObject({ state: "cancelled" });
    expect((await search(server, "spade")).total).toBe(1);
  });

  test("broken files end in a clear message and leave the former catalogue whole", async () => {
    const garbage = new Uint8Array(10 * 1024 * 1024).map((_, i) => (i * 2_654_435_761) >>> 24);
    const broken: [Uint8Array | string, string][] = [
      [garbage, "format=csv"],
      [garbage, "format=jsonl"],
      ['id,title\n1,"never closed\n2,b\n', "format=csv"],
      ["{not json at all", "format=json"],
      ['{"products": 3}', "format=json"],
      ["just a line of text", "format=csv"],
      ["x".repeat(10 * 1024 * 1024), "format=csv"],
      [`id,title\n1,${"x".repeat(50 * 1024 * 1024)}\n2,Rose\n`, "format=csv"],
      [`[{"id":1,"title":"${"x".repeat(50 * 1024 * 1024)}"}]`, "format=json"],
      [Array.from({ length: 100_000 }, (_, i) => `c${i}`).join(","), "format=csv"],
      [JSON.stringify(Object.fromEntries(Array.from({ length: 100_000 }, (_, i) => [`c${i}`, i]))), "format=jsonl"],
      [gzipSync(Buffer.alloc(150 * 1024 * 1024, "id,title\n1,Rose\n")), ""],
      [
        gzipSync(
          Buffer.from(`id,title\n${Array.from({ length: 40_000 }, (_, i) => `${i},Rose ${(i * 7919) % 10_007}`).join("\n")}`),
        ).subarray(0, 90_000),
        "",
      ],
      [`<rss><channel><item><id>1</id><title>${"x".repeat(40 * 1024 * 1024)}</title></item></channel></rss>`, "format=rss"],
    ];
    const peak = watchMemory(server.process.pid ?? 0);
    for (const [feed, query] of broken) {
      const job = await importFeed(server, "corner", feed, query);
      expect(job.state).toBe("failed");
      expect(job.message.length).toBeGreaterThan(20);
    }
    // The whole of it in processes that hold a few megabytes of products.
    expect(peak()).toBeLessThan(1200);
    expect((await search(server, "rose")).total).toBe(2);
    expect((await ask(server, "POST", "/api/stores/corner/feed?format=csv", "")).status).toBe(400);
    expect((await ask(server, "POST", "/api/stores/corner/feed?format=doc", CSV)).status).toBe(415);
    expect((await ask(server, "POST", "/api/stores/corner/feed?format=csv&mode=mix", CSV)).status).toBe(422);
    expect((await ask(server, "POST", "/api/stores/corner/feed?format=csv&map=%7B", CSV)).status).toBe(422);
    const folder = join(server.data, "stores", "corner");
    expect(readdirSync(folder).filter((name) => name.startsWith("upload"))).toEqual([]);
  });

  test("wishes say what a column is", async () => {
    const job = await importFeed(
      server,
      "corner",
      "nr;what;tone\nX1;Big pot;Blue\n",
      `format=csv&mode=merge&map=${encodeURIComponent(JSON.stringify({ nr: "id", what: "title", tone: "colour" }))}`,
    );
    expect(job.state).toBe("done");
    const { body } = await ask<{ values: object }>(server, "GET", "/api/stores/corner/products/X1");
    expect(body.values).toEqual({ title: "Big pot", colour: "Blue" });
  });

  test("killed in the middle of an import, the former catalogue is whole and the job says so", async () => {
    const rows = Array.from({ length: 60_000 }, (_, i) => `B${i},Product number ${i} with some words,Tools,${i % 90},1,Red`);
    const feed = `id,title,category,price,stock,colour\n${CSV.split("\n").slice(1, 5).join("\n")}\n${rows.join("\n")}\n`;
    const started = await ask<{ job: string }>(server, "POST", "/api/stores/corner/feed?format=csv", feed);
    expect(started.status).toBe(202);
    const job = `/api/jobs/${started.body.job}`;
    await until(async () => (await ask<{ done: number }>(server, "GET", job)).body.done > 0, "the first rows read");
    expect((await search(server, "rose")).total).toBe(2);
    await server.end("SIGKILL");
    const again = await startServer({ data: server.data });
    expect(await search(again, "rose")).toMatchObject({ total: 2 });
    const { body } = await ask<{ state: string; message: string }>(again, "GET", job);
    expect(body).toMatchObject({ state: "failed", message: expect.stringContaining("untouched") });
    const files = readdirSync(join(again.data, "stores", "corner"));
    expect(files.filter((name) => name.endsWith(".db"))).toEqual(["catalogue-1.db"]);
    await again.end("SIGTERM");
  });

  test("an import that the system ends is told of, and the searches go on", async () => {
    const feed = `id,title\n${Array.from({ length: 60_000 }, (_, i) => `B${i},Product number ${i}`).join("\n")}\n`;
    const { body } = await ask<{ job: string }>(server, "POST", "/api/stores/corner/feed?format=csv", feed);
    const processes = () => processesOf(server.process.pid ?? 0);
    await until(async () => processes().length > 0, "the import's process");
    for (const pid of processes()) process.kill(pid, "SIGKILL");
    const job = await waitForJob(server, body.job);
    expect(job).toMatchObject({ state: "failed", message: expect.stringContaining("more memory than this machine can spare") });
    expect((await search(server, "rose")).total).toBe(2);
    const files = readdirSync(join(server.data, "stores", "corner"));
    expect(files.filter((name) => name.endsWith(".db") || name.startsWith("upload"))).toEqual(["catalogue-1.db"]);
    expect((await importFeed(server, "corner", CSV, "format=csv")).state).toBe("done");
  });

  test("SIGTERM ends the server cleanly, and everything is there again", async () => {
    await ask(server, "POST", "/api/stores/corner/releases", { note: "kept" });
    await ask(server, "POST", "/api/stores/corner/events", { visit: "v", kind: "search", query: "rose" });
    expect(await server.end("SIGTERM")).toBe(0);
    const again = await startServer({ data: server.data });
    expect((await ask<{ note: string }[]>(again, "GET", "/api/stores/corner/releases")).body[0].note).toBe("kept");
    await ask(again, "DELETE", "/api/stores/corner?forever=true");
    expect(existsSync(join(again.data, "stores", "corner"))).toBe(false);
    await again.end("SIGTERM");
  });
});
