import { spawnSync } from "node:child_process";
import { appendFileSync, cpSync, mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { ask, CSV, importFeed, startCorner, startServer, type TestServer } from "../support/server";
import { until } from "../support/waits";

const store = "/api/stores/corner";
const ROOM = "24m";

/** A disk of its own that is soon full; null where nothing may be mounted. */
function smallDisk(): string | null {
  const folder = mkdtempSync(join(tmpdir(), "shelf-disk-"));
  if (spawnSync("mount", ["-t", "tmpfs", "-o", `size=${ROOM}`, "tmpfs", folder]).status === 0) return folder;
  rmSync(folder, { recursive: true });
  return null;
}

const disk = smallDisk();
const onSmallDisk = disk === null ? test.skip : test;

describe("a disk that is full", () => {
  let server: TestServer;
  const data = join(disk ?? "", "data");
  const filler = join(disk ?? "", "filler");
  afterAll(async () => {
    await server?.end("SIGKILL");
    if (disk) spawnSync("umount", ["-l", disk]);
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
  const patch = async (few: number) => {
    const { headers } = await ask(server, "GET", `${store}/draft`);
    const sent = { "content-type": "application/json-patch+json", "if-match": headers.get("etag") ?? "" };
    return ask<{ detail: string }>(server, "PATCH", `${store}/draft`, [{ op: "replace", path: "/misspelling/few", value: few }], sent);
  };
  const health = async () => (await ask<{ trouble: string | null; eventsDropped: number }>(server, "GET", "/api/health")).body;
  const events = async () => (await ask<unknown[]>(server, "GET", `${store}/log/queries`)).status;

  onSmallDisk("keeps no shop from serving, is said in words, and all goes on by itself once there is room", async () => {
    const made = await startCorner();
    await made.end("SIGTERM");
    cpSync(made.data, data, { recursive: true });
    await made.stop();
    server = await startServer({ data });
    expect((await patch(4)).status).toBe(200);
    fill();

    // Small edits may still fit into what the database holds free.
    await until(async () => (await patch(5 + Math.floor(Math.random() * 90))).status === 507, "an edit that finds no room");
    const refused = await patch(3);
    expect(refused).toMatchObject({ status: 507, body: { detail: expect.stringMatching(/no space left.*nothing was changed/i) } });
    expect(await total()).toBe(2);
    for (const [method, path, body] of [
      ["PATCH", `${store}/products/A1`, { values: { title: "Red rose of no room" } }],
      ["POST", `${store}/releases`, {}],
      ["POST", `${store}/pages`, { id: "g", title: "On roses", text: "x".repeat(100_000) }],
      ["POST", "/api/stores", { id: "more", name: "More", locale: "en", currency: "GBP" }],
    ] as const)
      expect([path, (await ask(server, method, path, body)).status]).toEqual([path, 507]);
    expect((await ask(server, "POST", `${store}/feed?format=csv`, CSV.repeat(200))).status).toBe(507);
    const click = { visit: "v1", kind: "search", query: "rose" };
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
