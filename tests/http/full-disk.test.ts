import { spawnSync } from "node:child_process";
import { appendFileSync, cpSync, mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { ask, CSV, importFeed, patchDraft, startCorner, startServer, type TestServer } from "../support/server";
import { until } from "../support/waits";

const store = "/api/stores/corner";
const ROOM = "24m";

const folder = mkdtempSync(join(tmpdir(), "shelf-disk-"));
/** Whether the folder is a disk of its own, that is soon full. */
const isDisk = spawnSync("mount", ["-t", "tmpfs", "-o", `size=${ROOM}`, "tmpfs", folder]).status === 0;

describe("where there is no room", () => {
  let server: TestServer;
  const data = join(folder, "data");
  const filler = join(folder, "filler");
  const click = { visit: "v1", kind: "search", query: "rose" };
  afterEach(() => server.end("SIGKILL"));
  afterAll(() => {
    if (isDisk) spawnSync("umount", ["-l", folder]);
    rmSync(folder, { recursive: true, force: true });
  });

  function fill(): void {
    for (const size of [1 << 20, 1 << 12, 1])
      try {
        for (;;) appendFileSync(filler, Buffer.alloc(size));
      } catch {
        // Full, but for less than this size.
      }
  }
  const total = async () => (await ask<{ total: number }>(server, "POST", `${store}/search`, { query: "rose" })).body.total;
  const patch = (few: number) => patchDraft(server, [{ op: "replace", path: "/misspelling/few", value: few }]);
  const health = async () => (await ask<{ trouble: string | null; eventsDropped: number }>(server, "GET", "/api/health")).body;
  const events = async () => (await ask<unknown[]>(server, "GET", `${store}/log/queries`)).status;

  /** Edits until one finds no room: small ones may still fit into what the database holds free. */
  async function editUntilFull(): Promise<void> {
    await until(async () => (await patch(5 + Math.floor(Math.random() * 90))).status === 507, "an edit that finds no room");
    expect(await patch(99)).toMatchObject({ status: 507, body: { detail: expect.stringMatching(/no space left.*nothing was changed/i) } });
    expect(await total()).toBe(2);
  }

  test("in the database, changes are refused in words, and all else goes on", async () => {
    const made = await startCorner();
    await made.end("SIGTERM");
    server = await startServer({ data: made.data, mostPages: "1" });
    await editUntilFull();
    expect((await ask(server, "POST", `${store}/releases`, { note: "x".repeat(2000) })).status).toBe(507);
    for (let i = 0; i < 40; i++) await ask(server, "POST", `${store}/events`, Array(100).fill({ ...click, query: "x".repeat(500) }));
    await until(async () => /no space left/.test((await health()).trouble ?? ""), "the trouble being said");
    expect([await total(), await events()]).toEqual([2, 200]);
    expect(await server.end("SIGTERM")).toBe(0);
    server = await startServer({ data: made.data });
    expect((await patch(6)).status).toBe(200);
  });

  // Only where something may be mounted.
  if (isDisk)
    test("on the whole disk, no shop stops serving, and all goes on by itself once there is room", async () => {
      const made = await startCorner();
      await made.end("SIGTERM");
      cpSync(made.data, data, { recursive: true });
      await made.stop();
      server = await startServer({ data });
      expect((await patch(4)).status).toBe(200);
      fill();

      await editUntilFull();
      for (const [method, path, body] of [
        ["PATCH", `${store}/products/A1`, { values: { title: "Red rose of no room" } }],
        ["POST", `${store}/releases`, {}],
        ["POST", `${store}/pages`, { id: "g", title: "On roses", text: "x".repeat(100_000) }],
        ["POST", "/api/stores", { id: "more", name: "More", locale: "en", currency: "GBP" }],
      ] as const)
        expect([path, (await ask(server, method, path, body)).status]).toEqual([path, 507]);
      expect((await ask(server, "POST", `${store}/feed?format=csv`, CSV.repeat(200))).status).toBe(507);
      expect((await ask(server, "POST", `${store}/events`, [click])).status).toBe(202);
      await until(async () => /no space left/.test((await health()).trouble ?? ""), "the trouble being said");
      expect([await total(), await events()]).toEqual([2, 200]);

      // It ends when it is told to, and starts without room.
      const ended = server.end("SIGTERM");
      expect(await ended).toBe(0);
      server = await startServer({ data });
      expect(await total()).toBe(2);
      await ask(server, "POST", `${store}/events`, [click]);

      rmSync(filler);
      expect((await patch(6)).status).toBe(200);
      expect((await importFeed(server, "corner", CSV.replace("Red rose", "Rose of room"), "format=csv")).state).toBe("done");
      const exported = async () => (await ask<string>(server, "GET", `${store}/log/events.jsonl`)).body as unknown as string;
      await until(async () => JSON.stringify(await exported()).includes("v1"), "the event that waited");
      expect((await health()).eventsDropped).toBe(0);
    });
});
