import { execFile } from "node:child_process";
import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { promisify } from "node:util";
import type { DemandOverview } from "@contract/demand";
import { ask, importFeed, patchDraft, startCorner, startServer, type TestServer } from "../support/server";
import { until } from "../support/waits";

const ROOT = join(__dirname, "../..");
const CORNER = "/api/stores/corner";

/** Runs one of the programs. @returns what it says, and whether it did its work. */
async function run(program: "backup" | "restore", ...args: string[]): Promise<{ isDone: boolean; said: string }> {
  try {
    const { stdout } = await promisify(execFile)(process.execPath, [join(ROOT, `dist/server/${program}.js`), ...args]);
    return { isDone: true, said: stdout };
  } catch (error) {
    return { isDone: false, said: (error as { stderr: string }).stderr };
  }
}

describe("a backup", () => {
  let server: TestServer;
  let folder: string;
  beforeEach(async () => {
    folder = mkdtempSync(join(tmpdir(), "shelf-backup-"));
    server = await startCorner();
  });
  afterEach(async () => {
    await server.stop();
    rmSync(folder, { recursive: true, force: true });
  });

  const save = (to: string, ...more: string[]) => run("backup", "--data", server.data, "--to", to, ...more);
  const few = async (of: TestServer) =>
    (await ask<{ settings: { misspelling: { few: number } } }>(of, "GET", `${CORNER}/draft`)).body.settings.misspelling.few;
  const price = async (of: TestServer, id: string) =>
    (await ask<{ values: { price: number } }>(of, "GET", `${CORNER}/products/${id}`)).body.values.price;
  /** Starts a server on data that were put back, and stops it after a look. */
  async function look<T>(data: string, at: (of: TestServer) => Promise<T>): Promise<T> {
    const other = await startServer({ data });
    const seen = await at(other);
    await other.stop();
    return seen;
  }

  test.each([
    ["backup", ["--help"], "Unknown option '--help'. Use: npm run backup -- --to FILE"],
    ["backup", [], "Say where to, a file or a folder: npm run backup"],
    ["restore", ["file.tar.gz"], "Unexpected argument 'file.tar.gz'. Use: npm run restore -- --from FILE"],
  ] as const)("npm run %s %j says how it is called", async (program, args, words) => {
    const { isDone, said } = await run(program, ...args);
    expect(isDone).toBe(false);
    expect(said).toContain(words);
    expect(said.trim().split("\n")).toHaveLength(1);
  });

  test("is made of a running server, says what is in it, and gives it all back", async () => {
    await patchDraft(server, [{ op: "replace", path: "/misspelling/few", value: 5 }]);
    await ask(server, "POST", `${CORNER}/releases`, { note: "Autumn" });
    await ask(server, "PATCH", `${CORNER}/products/A1`, { values: { price: 6 } });
    await ask(server, "POST", "/shop/corner/events", { visit: "v", kind: "search", query: "rose" });
    await until(async () => (await ask<{ trouble: null }>(server, "GET", "/api/health")).status === 200, "the server");
    const file = join(folder, "corner.tar.gz");
    const made = await save(file);
    expect(made.said).toMatch(
      /^Saved one store to .*corner\.tar\.gz \(\d+ bytes\)\.\n {2}corner: 4 products, draft at revision \d+, release 1/,
    );
    // What comes later is not in it.
    await patchDraft(server, [{ op: "replace", path: "/misspelling/few", value: 7 }]);
    await ask(server, "PATCH", `${CORNER}/products/A1`, { values: { price: 9 } });

    const data = join(folder, "data");
    const put = await run("restore", "--from", file, "--data", data);
    expect(put.said).toMatch(/^Restored all stores as of \d{4}-/);
    expect(await look(data, async (of) => [await few(of), await price(of, "A1")])).toEqual([5, 6]);
    expect([await few(server), await price(server, "A1")]).toEqual([7, 9]);
  });

  test("never takes the place of anything unless that is said, and then what was there is kept", async () => {
    const file = join(folder, "all.tar.gz");
    await save(file);
    const inUse = await run("restore", "--from", file, "--data", server.data, "--replace");
    expect(inUse).toMatchObject({ isDone: false, said: expect.stringMatching(/^Another server uses the data in/) });
    await patchDraft(server, [{ op: "replace", path: "/misspelling/few", value: 7 }]);
    await server.end("SIGTERM");
    const refused = await run("restore", "--from", file, "--data", server.data);
    expect(refused).toMatchObject({
      isDone: false,
      said: expect.stringMatching(/holds data already, and nothing was changed\..*say --replace/),
    });
    const done = await run("restore", "--from", file, "--data", server.data, "--replace");
    const before = /What was there before is kept as (.*)\./.exec(done.said)?.[1] ?? "";
    const { data } = server;
    server = await startServer({ data });
    const now = await few(server);
    expect(await look(before, few)).toBe(7);
    expect(now).not.toBe(7);
  });

  test("that is damaged, cut off or something else is refused, and nothing is touched", async () => {
    const file = join(folder, "all.tar.gz");
    await save(file);
    const whole = readFileSync(file);
    const data = join(folder, "data");
    const flipped = Buffer.from(whole);
    flipped[Math.floor(whole.length / 2)] ^= 0x10;
    const table = "id,title\nA1,Rose\n";
    for (const bytes of [whole.subarray(0, whole.length - 200), flipped, Buffer.from(table), Buffer.alloc(0)]) {
      writeFileSync(file, bytes);
      const refused = await run("restore", "--from", file, "--data", data);
      expect(refused).toMatchObject({
        isDone: false,
        said: expect.stringMatching(/is damaged or no backup .* Nothing was changed; take another one/),
      });
      expect(existsSync(data)).toBe(false);
    }
    expect(readdirSync(folder)).toEqual(["all.tar.gz"]);
    expect(await run("restore", "--from", join(folder, "none"), "--data", data)).toMatchObject({
      said: expect.stringMatching(/^There is no file/),
    });
    expect(await run("backup", "--data", data, "--to", file)).toMatchObject({
      isDone: false,
      said: expect.stringMatching(/^There is no data in/),
    });
    expect((await save(file, "--store", "none")).said).toBe("There is no store “none”.\n");
  });

  test("of one store comes from the bench, and goes among the others, or in the place of what it was", async () => {
    await ask(server, "POST", "/api/stores", { id: "other", name: "Other", locale: "en", currency: "GBP" });
    await importFeed(server, "other", "id,title\nB1,Lamp\n", "format=csv");
    await patchDraft(server, [{ op: "replace", path: "/misspelling/few", value: 5 }]);
    await ask(server, "POST", `${CORNER}/events`, { visit: "v", kind: "search", query: "lamp", searchId: "counted-once" });
    const asked = async (of: TestServer) => {
      await ask(of, "POST", `${CORNER}/demand/count`);
      return (await ask<DemandOverview>(of, "GET", `${CORNER}/demand?days=800`)).body.now.searches.asked;
    };
    const askedBefore = await asked(server);
    const answer = await fetch(`${server.url}${CORNER}/backup`);
    expect(answer.headers.get("content-disposition")).toMatch(/^attachment; filename="clever-shelf-corner-.*\.tar\.gz"$/);
    const file = join(folder, "corner.tar.gz");
    writeFileSync(file, new Uint8Array(await answer.arrayBuffer()));

    const alone = join(folder, "alone");
    await run("restore", "--from", file, "--data", alone);
    expect(await look(alone, async (of) => (await ask<{ id: string }[]>(of, "GET", "/api/stores")).body.map(({ id }) => id))).toEqual([
      "corner",
    ]);

    await patchDraft(server, [{ op: "replace", path: "/misspelling/few", value: 7 }]);
    await server.end("SIGTERM");
    const { data } = server;
    const refused = await run("restore", "--from", file, "--data", data);
    expect(refused.said).toMatch(/^There is a store “corner” in .* already, and nothing was changed\. Say --replace/);
    const put = await run("restore", "--from", file, "--data", data, "--replace");
    expect(put.said).toMatch(/^Restored store “corner” as of .*What was there before is kept as .*before-corner-\d+\.tar\.gz\.\n$/s);
    server = await startServer({ data });
    expect([await few(server), await price(server, "A1")]).toEqual([5, 5.5]);
    // Its events were counted here under other numbers.
    expect([await asked(server), askedBefore > 0]).toEqual([askedBefore, true]);
    const stores = (await ask<{ id: string; products: number }[]>(server, "GET", "/api/stores")).body;
    expect(stores.map(({ id, products }) => [id, products])).toEqual(
      expect.arrayContaining([
        ["corner", 4],
        ["other", 1],
      ]),
    );
  });

  test("is made by itself as planned, and no more are kept than are wanted", async () => {
    const { data } = server;
    await server.end("SIGTERM");
    const saved = join(folder, "nightly");
    server = await startServer({ data, args: ["--backup-to", saved, "--backup-at", "* * * * * *", "--backup-keep", "1"] });
    const last = async () =>
      (await ask<{ backup: { file: string; failure: string | null } | null }>(server, "GET", "/api/health")).body.backup;
    await until(async () => (await last()) !== null, "the first backup");
    const first = await last();
    await until(async () => (await last())?.file !== first?.file, "the second backup");
    await server.end("SIGTERM");
    const names = readdirSync(saved).filter((name) => name.endsWith(".tar.gz"));
    expect(names.length).toBeLessThanOrEqual(2);
    expect(first?.failure).toBeNull();
    expect((await run("restore", "--from", join(saved, names[0]), "--data", join(folder, "data"))).isDone).toBe(true);
  });
});
