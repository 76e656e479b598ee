import { copyFileSync, existsSync, readdirSync, readFileSync, renameSync, rmSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import SQLite from "better-sqlite3";
import { ask, CSV, importFeed, patchDraft, startCorner, startServer, type TestServer } from "../support/server";
import { until } from "../support/waits";

interface StoreAnswer {
  products: number;
  damage: string | null;
  id: string;
  languages: string[];
  repair: { why: string; release: number | null } | null;
}

const nested = (levels: number) => `${'{"not":'.repeat(levels)}{"selection":"s"}${"}".repeat(levels)}`;

describe("what is damaged", () => {
  let server: TestServer;
  beforeEach(async () => {
    server = await startCorner();
  });
  afterEach(() => server.stop());

  const store = "/api/stores/corner";
  const patch = (operations: object[] | string) => patchDraft(server, operations);
  const total = async (of: string, source: "draft" | "live" = "draft") =>
    (await ask<{ total: number }>(server, "POST", `/api/stores/${of}/search`, { query: "rose", source })).body.total;
  const storesNow = async () => (await ask<StoreAnswer[]>(server, "GET", "/api/stores")).body;
  /** Stops the server, changes its database as damage would, and starts it anew on the same data. */
  async function damage(...statements: [sql: string, ...values: unknown[]][]): Promise<void> {
    const { data } = server;
    await server.end("SIGTERM");
    const db = new SQLite(join(data, "clever-shelf.db"));
    for (const [sql, ...values] of statements) db.prepare(sql).run(...values);
    db.close();
    server = await startServer({ data });
  }

  test("a setting that is nested too deeply is refused with its reason, and the next start knows nothing of it", async () => {
    const condition = `[{"op":"add","path":"/selections/s","value":{"name":"S","condition":${nested(1200)}}}]`;
    expect(await patch(condition)).toMatchObject({ status: 422, body: { detail: expect.stringMatching(/nested more than 64 levels/) } });
    const deep = `[{"op":"add","path":"/selections/s","value":{"name":"S","condition":${nested(20)}}}]`;
    expect(await patch(deep)).toMatchObject({ status: 422, body: { detail: expect.stringMatching(/at most 12 levels/) } });
    expect((await ask(server, "POST", `${store}/search`, nested(2000), { "content-type": "application/json" })).status).toBe(422);
    expect(await total("corner")).toBe(2);
  });

  test("a selection cannot be made of itself", async () => {
    const looped = [{ op: "add", path: "/selections/s", value: { name: "S", condition: { selection: "s" } } }];
    expect(await patch(looped)).toMatchObject({ status: 422, body: { detail: expect.stringMatching(/selections\/s: .*made of itself/) } });
  });

  test("a draft that cannot be read stops neither its shop nor any other; it says what to do, and is started anew", async () => {
    await ask(server, "POST", "/api/stores", { id: "other", name: "Other", locale: "en", currency: "GBP" });
    await patch([{ op: "replace", path: "/misspelling/few", value: 5 }]);
    await ask(server, "POST", `${store}/releases`, { note: "Good" });
    await patch([{ op: "replace", path: "/misspelling/few", value: 7 }]);
    const unread = `{"selections":{"s":{"name":"S","condition":${nested(3000)}}}}`;
    await damage(["UPDATE drafts SET settings = ? WHERE store = 'corner'", unread]);

    expect(await storesNow()).toMatchObject([
      { id: "corner", repair: { why: "It is nested too deeply.", release: 1 } },
      { id: "other", repair: null },
    ]);
    expect([await total("corner"), await total("corner", "live")]).toEqual([2, 2]);
    const refused = await patch([{ op: "replace", path: "/misspelling/few", value: 9 }]);
    expect(refused).toMatchObject({ status: 409, body: { detail: expect.stringMatching(/nested too deeply.*Start the draft anew/) } });
    expect((await ask(server, "POST", `${store}/releases`, {})).status).toBe(409);

    expect((await ask(server, "POST", `${store}/draft/anew`)).status).toBe(200);
    expect((await storesNow())[0].repair).toBeNull();
    const { body } = await ask<{ settings: { misspelling: { few: number } } }>(server, "GET", `${store}/draft`);
    expect(body.settings.misspelling.few).toBe(5);
    expect((await patch([{ op: "replace", path: "/misspelling/few", value: 9 }])).status).toBe(200);
    expect((await ask(server, "POST", `${store}/draft/anew`)).status).toBe(409);
    // What could not be read is not thrown away.
    await server.end("SIGTERM");
    const db = new SQLite(join(server.data, "clever-shelf.db"), { readonly: true });
    expect(db.prepare("SELECT settings FROM unread_drafts").pluck().get()).toBe(unread);
    db.close();
  });

  test("a release that cannot be read is as one that was never made, and says so where it is asked for", async () => {
    await ask(server, "POST", `${store}/releases`, { note: "Good" });
    await patch([{ op: "add", path: "/words/w", value: { does: "synonym", words: ["rose", "spade"] } }]);
    await ask(server, "POST", `${store}/releases`, { note: "Damaged later" });
    await damage(["UPDATE releases SET settings = substr(settings, 2) WHERE number = 2"]);
    expect([await total("corner", "live"), await total("corner")]).toEqual([2, 3]);
    for (const [method, path] of [
      ["GET", "releases/2"],
      ["POST", "releases/2/restore"],
    ]) {
      const said = await ask<{ detail: string }>(server, method, `${store}/${path}`);
      expect(said).toMatchObject({ status: 409, body: { detail: "Release 2 cannot be read: It is damaged. Choose another release." } });
    }
    expect((await ask(server, "POST", `${store}/search`, { query: "rose", source: { release: 2 } })).status).toBe(409);
  });

  test("rows of the store, its log and its edits", async () => {
    await patch([{ op: "replace", path: "/misspelling/few", value: 5 }]);
    await damage(
      ["UPDATE stores SET languages = 'en,de'"],
      ["INSERT OR REPLACE INTO log_snapshots (store, number, at, stats) VALUES ('corner', 9, '2026-01-01T00:00:00Z', '{\"sear')"],
      ["UPDATE edits SET patch = '[{', inverse = '' WHERE store = 'corner'"],
    );
    expect(await storesNow()).toMatchObject([{ id: "corner", languages: ["en"], repair: null }]);
    expect(await total("corner")).toBe(2);
    for (const path of ["draft", "draft/changes", "draft/history", "releases", "log/queries", "front", "fields"])
      expect([path, (await ask(server, "GET", `${store}/${path}`)).status]).toEqual([path, 200]);
    expect((await ask(server, "POST", `${store}/draft/undo`)).status).toBe(409);
    expect((await patch([{ op: "replace", path: "/misspelling/few", value: 6 }])).status).toBe(200);
  });

  test("a folder is one server's alone, until that ends, however it ends", async () => {
    await expect(startServer({ data: server.data })).rejects.toThrow("The server ended with 1.");
    expect(await total("corner")).toBe(2);
    await server.end("SIGKILL");
    server = await startServer({ data: server.data });
    expect(await total("corner")).toBe(2);
  });

  test("a missing database is said, not taken for an empty shop", async () => {
    const { data } = server;
    await server.end("SIGTERM");
    renameSync(join(data, "clever-shelf.db"), join(data, "away"));
    await expect(startServer({ data })).rejects.toThrow("The server ended with 1.");
    expect(existsSync(join(data, "clever-shelf.db"))).toBe(false);
    renameSync(join(data, "away"), join(data, "clever-shelf.db"));
    server = await startServer({ data });
    expect(await total("corner")).toBe(2);
  });

  /** Stops the server, does something to its files, and starts it anew. */
  async function harm(signal: NodeJS.Signals, change: (data: string, stored: string) => void): Promise<void> {
    const { data } = server;
    await server.end(signal);
    change(data, join(data, "stores", "corner"));
    server = await startServer({ data });
  }
  const corner = async () => (await storesNow())[0];
  const price = async (id: string) =>
    (await ask<{ values: { price: number } }>(server, "GET", `${store}/products/${id}`)).body.values.price;
  const withDatabase = (file: string, change: (db: SQLite.Database) => void) => {
    const db = new SQLite(file);
    change(db);
    db.close();
  };
  /** Writes over the middle of a file. */
  const scribble = (file: string, from = 0.3, to = 0.9) => {
    const bytes = readFileSync(file);
    bytes.fill(0x5a, Math.floor(bytes.length * from), Math.floor(bytes.length * to));
    writeFileSync(file, bytes);
  };
  const changed = (db: SQLite.Database) =>
    void db.prepare("UPDATE products SET product = replace(product, '5.5', '1.5') WHERE id = 'A1'").run();

  test("a changed price of a row is no price: with the index it is put right, without it the product is left out by name", async () => {
    await harm("SIGTERM", (_data, stored) => withDatabase(join(stored, "catalogue-1.db"), changed));
    expect([await price("A1"), (await corner()).damage]).toEqual([5.5, null]);
    await until(async () => (await ask<{ trouble: string | null }>(server, "GET", "/api/health")).body.trouble !== null, "the row");
    // It was mended in the file as well.
    await harm("SIGTERM", (_data, stored) => rmSync(join(stored, "catalogue-1.index")));
    expect([await price("A1"), (await corner()).damage]).toEqual([5.5, null]);

    await harm("SIGTERM", (_data, stored) => {
      rmSync(join(stored, "catalogue-1.index"));
      withDatabase(join(stored, "catalogue-1.db"), changed);
    });
    expect(await corner()).toMatchObject({
      products: 3,
      damage: "Products or pages that are damaged are left out: A1. Import the feed again.",
    });
    await importFeed(server, "corner", CSV, "format=csv");
    expect(await corner()).toMatchObject({ products: 4, damage: null });
  });

  test("a catalogue that is torn, empty, no database or gone is written anew from its index", async () => {
    await ask(server, "PATCH", `${store}/products/A1`, { values: { price: 6 } });
    for (const tear of [
      scribble,
      (file: string) => writeFileSync(file, ""),
      (file: string) => writeFileSync(file, "x".repeat(9000)),
      rmSync,
    ]) {
      await harm("SIGTERM", (_data, stored) => tear(join(stored, "catalogue-1.db")));
      expect([await price("A1"), await total("corner")]).toEqual([6, 2]);
      expect((await corner()).damage).toMatch(/^The catalogue was damaged and was written anew from its index/);
      expect((await ask(server, "PATCH", `${store}/products/A2`, { values: { stock: 3 } })).status).toBe(200);
    }
    // The next start finds it whole.
    await harm("SIGTERM", () => undefined);
    expect([await price("A1"), (await corner()).damage]).toEqual([6, null]);
  }, 60_000);

  test("an index that is some seconds older is better than none", async () => {
    await harm("SIGTERM", () => undefined);
    await ask(server, "PATCH", `${store}/products/A1`, { values: { price: 6 } });
    // Before the index is saved again.
    await harm("SIGKILL", (_data, stored) => {
      for (const name of ["catalogue-1.db-wal", "catalogue-1.db-shm"]) rmSync(join(stored, name), { force: true });
      const bytes = readFileSync(join(stored, "catalogue-1.db"));
      writeFileSync(join(stored, "catalogue-1.db"), bytes.fill(0x5a, 8192));
    });
    expect(await corner()).toMatchObject({ products: 4, damage: expect.stringMatching(/was written anew from its index/) });
    expect(await total("corner")).toBe(2);
  });

  test("without either the store has no products, says so, and has them again after an import; no other store hears of it", async () => {
    await ask(server, "POST", "/api/stores", { id: "other", name: "Other", locale: "en", currency: "GBP" });
    await importFeed(server, "other", CSV, "format=csv");
    await harm("SIGKILL", (_data, stored) => {
      for (const name of readdirSync(stored)) scribble(join(stored, name), 0, 1);
    });
    expect(await corner()).toMatchObject({
      products: 0,
      damage: expect.stringMatching(/^The catalogue cannot be read .* import its feed again\.$/),
    });
    expect((await storesNow())[1]).toMatchObject({ id: "other", products: 4, damage: null });
    expect((await ask(server, "PATCH", `${store}/products/A1`, { values: { price: 6 } })).status).toBeLessThan(500);
    await importFeed(server, "corner", CSV, "format=csv");
    expect(await corner()).toMatchObject({ products: 4, damage: null });
  });

  test("what a server that was stopped in the middle left beside a database is missed where it is gone", async () => {
    // One that was killed before it opened a store has left nothing there.
    await harm("SIGTERM", () => undefined);
    await harm("SIGKILL", () => undefined);
    expect((await corner()).damage).toBeNull();
    await harm("SIGKILL", () => undefined);
    expect((await corner()).damage).toBeNull();
    await harm("SIGKILL", (data, stored) => {
      rmSync(join(data, "clever-shelf.db-wal"));
      rmSync(join(stored, "catalogue-1.db-wal"));
    });
    expect((await corner()).damage).toMatch(
      /clever-shelf\.db-wal, which it left, is missing or damaged: .*products changed last may be as they were before/,
    );
    await harm("SIGTERM", () => undefined);
    expect((await corner()).damage).toBeNull();
  });

  test("a main database that is torn gives what can be read of it, and is kept beside", async () => {
    await patch([{ op: "replace", path: "/misspelling/few", value: 5 }]);
    await harm("SIGTERM", (data) => scribble(join(data, "clever-shelf.db"), 0.2, 0.34));
    expect((await corner()).damage).toMatch(
      /^The database was damaged; not all of it could be read: [a-z_, ]*events[a-z_, ]*\. .* is kept as .*clever-shelf\.db-damaged-/,
    );
    expect(await total("corner")).toBe(2);
    expect((await patch([{ op: "replace", path: "/misspelling/few", value: 6 }])).status).toBe(200);
  });

  test("a main database that is empty, or of which nothing can be read, ends the start with what to do", async () => {
    const { data } = server;
    await server.end("SIGTERM");
    const file = join(data, "clever-shelf.db");
    const whole = readFileSync(file);
    for (const bytes of [Buffer.alloc(0), Buffer.alloc(whole.length, 0x5a)]) {
      writeFileSync(file, bytes);
      await expect(startServer({ data })).rejects.toThrow("The server ended with 1.");
      expect(readFileSync(file).equals(bytes)).toBe(true);
    }
    writeFileSync(file, whole);
    server = await startServer({ data });
    expect(await total("corner")).toBe(2);
  });

  test("a database of other data is not taken for that of the folder", async () => {
    const other = await startServer();
    await other.end("SIGTERM");
    const { data } = server;
    await server.end("SIGTERM");
    renameSync(join(data, "clever-shelf.db"), join(data, "away"));
    copyFileSync(join(other.data, "clever-shelf.db"), join(data, "clever-shelf.db"));
    await expect(startServer({ data })).rejects.toThrow("The server ended with 1.");
    renameSync(join(data, "away"), join(data, "clever-shelf.db"));
    server = await startServer({ data });
    expect(await total("corner")).toBe(2);
    rmSync(other.data, { recursive: true });
  });
});
