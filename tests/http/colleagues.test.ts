import type { Colleague, News } from "@contract/colleagues";
import { ask, patchDraft, startCorner, type TestServer } from "../support/server";
import { until } from "../support/waits";

const store = "/api/stores/corner";
const as = (name: string) => ({ "x-person": encodeURIComponent(name) });

describe("several people at one draft", () => {
  let server: TestServer;
  beforeEach(async () => {
    server = await startCorner();
  });
  afterEach(() => server.stop());

  const set = (path: string, value: unknown, by: string) => patchDraft(server, [{ op: "replace", path, value }], as(by));
  const undo = (by: string, revision?: number) =>
    ask<{ detail: string; kind: string; target: number }>(
      server,
      "POST",
      `${store}/draft/undo${revision ? `?revision=${revision}` : ""}`,
      undefined,
      as(by),
    );
  const redo = (by: string, revision?: number) =>
    ask<{ detail: string }>(server, "POST", `${store}/draft/redo${revision ? `?revision=${revision}` : ""}`, undefined, as(by));
  const state = async () => {
    const { body } = await ask<{ settings: { misspelling: { few: number }; ranking: { tieWidth: number } } }>(
      server,
      "GET",
      `${store}/draft`,
    );
    return [body.settings.misspelling.few, body.settings.ranking.tieWidth];
  };
  const changes = async (by: string) =>
    (await ask<{ canUndo: boolean; canRedo: boolean; people: object }>(server, "GET", `${store}/draft/changes`, undefined, as(by))).body;

  test("undo takes back one's own last edit and leaves what others did after it", async () => {
    const [few, width] = await state();
    await set("/misspelling/few", 7, "Maud");
    await set("/ranking/tieWidth", 30, "Perrin");
    expect(await changes("Ida")).toMatchObject({ canUndo: false, canRedo: false });
    expect((await undo("Ida")).body.detail).toBe("Ida has nothing to undo.");
    expect((await undo("Maud")).body).toMatchObject({ kind: "undo" });
    expect(await state()).toEqual([few, 30]);
    expect(await changes("Maud")).toMatchObject({ canUndo: false, canRedo: true });
    // What somebody else goes on with leaves what can be made again.
    await set("/ranking/tieWidth", 20, "Perrin");
    expect((await redo("Maud")).status).toBe(200);
    expect(await state()).toEqual([7, 20]);
    await undo("Perrin");
    await undo("Perrin");
    expect(await state()).toEqual([7, width]);
  });

  test("what somebody else set later is not set back with it: who it was is said", async () => {
    await set("/misspelling/few", 7, "Maud");
    await set("/misspelling/few", 9, "Perrin");
    const refused = await undo("Maud");
    expect([refused.status, refused.body.detail]).toEqual([
      409,
      "Perrin changed the same setting later. Undo that first, or set it by hand.",
    ]);
    expect((await state())[0]).toBe(9);
    await undo("Perrin");
    expect((await undo("Maud")).status).toBe(200);
  });

  test("an edit that was made again counts from then: what lies between cannot be taken back below it", async () => {
    await set("/misspelling/few", 7, "Maud");
    await undo("Maud");
    await set("/misspelling/few", 9, "Perrin");
    expect((await redo("Maud")).body.detail).toMatch(/^Perrin changed the same setting later/);
    await undo("Perrin");
    await redo("Maud");
    expect((await redo("Perrin")).body.detail).toMatch(/^Maud changed the same setting later/);
  });

  test("any edit of the history is taken back alone, the third last too, and says so once", async () => {
    const [few] = await state();
    const first = await set("/misspelling/few", 7, "Maud");
    await set("/ranking/tieWidth", 30, "Maud");
    await set("/ranking/tieWidth", 31, "Perrin");
    const { revision } = first.body;
    expect((await undo("Ida", revision)).body).toMatchObject({ kind: "undo", target: revision });
    expect(await state()).toEqual([few, 31]);
    expect((await undo("Ida", revision)).body.detail).toBe("This edit was undone already.");
    expect((await undo("Ida", 999)).status).toBe(404);
    expect((await undo("Ida", revision + 3)).status).toBe(404);
    const { body } = await ask<{ by: string; isUndone: boolean; revision: number }[]>(server, "GET", `${store}/draft/history?limit=4`);
    expect(body.map(({ by, isUndone }) => [by, isUndone])).toEqual([
      ["Ida", false],
      ["Perrin", false],
      ["Maud", false],
      ["Maud", true],
    ]);
    // Whoever did that by mistake makes it again, although it was another's.
    expect((await redo("Ida")).body.detail).toBe("Ida has nothing to redo.");
    expect((await redo("Ida", revision)).status).toBe(200);
    expect([await state(), (await redo("Ida", revision)).body.detail]).toEqual([[7, 31], "This edit was not undone."]);
    const earlier = await ask<unknown[]>(server, "GET", `${store}/draft/history?before=${revision}`);
    expect(JSON.stringify(earlier.body)).not.toContain('"Maud"');
  });

  test("what is not live yet says whose it is, without what was taken back", async () => {
    await ask(server, "POST", `${store}/releases`, {});
    await set("/misspelling/few", 7, "Maud");
    await set("/ranking/tieWidth", 30, "Perrin");
    await undo("Perrin");
    await patchDraft(server, [{ op: "add", path: "/words/w/1", value: 1 }], as("Ida"));
    await patchDraft(server, [{ op: "add", path: "/words/w", value: { does: "synonym", words: ["rose", "bloom"] } }], as("Ida"));
    expect((await changes("Maud")).people).toEqual({
      misspelling: ["Maud"],
      "misspelling/few": ["Maud"],
      words: ["Ida"],
      "words/w": ["Ida"],
    });
  });

  test("whoever listens is told of each revision and release, and of who is here and where", async () => {
    const maud = await listen(server, "tab=m&name=Maud&where=words/rules");
    const before = maud.last("draft");
    const perrin = await listen(server, "tab=p&name=Perrin&where=");
    await until(async () => maud.last("people")?.length === 2, "the colleague");
    await set("/misspelling/few", 7, "Perrin");
    await until(async () => maud.last("draft")?.revision === (before?.revision ?? 0) + 1, "the revision");
    expect(maud.last("draft")).toMatchObject({ by: "Perrin", release: null });
    await ask(server, "PUT", `${store}/people/p`, { name: "Perrin Ames", where: "ranking/boosts" });
    await ask(server, "PUT", `${store}/people/nobody`, { name: "Nobody", where: "" });
    const there: Colleague[] = [
      { tab: "m", name: "Maud", where: "words/rules" },
      { tab: "p", name: "Perrin Ames", where: "ranking/boosts" },
    ];
    await until(async () => maud.last("people")?.[1]?.where !== "", "where the colleague is");
    expect(maud.last("people")).toEqual(there);
    await ask(server, "POST", `${store}/releases`, {});
    await until(async () => maud.last("draft")?.release === 1, "the release");
    perrin.leave();
    await until(async () => maud.last("people")?.length === 1, "that the colleague has left");
    // A server that ends does not wait for those who listen.
    const [started] = [Date.now()];
    await server.end("SIGTERM");
    expect(Date.now() - started).toBeLessThan(20_000);
    maud.leave();
  });
});

/** Listens to the news of the store, as a page does. */
async function listen(server: TestServer, query: string) {
  const control = new AbortController();
  const response = await fetch(`${server.url}${store}/news?${query}`, { signal: control.signal });
  expect(response.headers.get("x-accel-buffering")).toBe("no");
  const told = new Map<string, unknown>();
  void (async () => {
    let text = "";
    const decoder = new TextDecoder();
    for await (const part of response.body as unknown as AsyncIterable<Uint8Array>) {
      text += decoder.decode(part, { stream: true });
      const events = text.split("\n\n");
      text = events.pop() ?? "";
      for (const event of events) {
        const [, name = "", data = "null"] = /^event: (\w+)\ndata: (.*)$/m.exec(event) ?? [];
        told.set(name, JSON.parse(data));
      }
    }
  })().catch(() => undefined);
  await until(async () => told.has("people"), "the first news");
  return {
    last: <K extends keyof News>(event: K) => told.get(event) as News[K] | undefined,
    leave: () => control.abort(),
  };
}
