import { ask, importFeed, patchDraft, startCorner, type TestServer } from "../support/server";

interface Found {
  searchId: string;
  state: { at: string; release: number | null; catalogue: number };
  total: number;
  hits: { id: string }[];
}

describe("what shoppers ask often", () => {
  let server: TestServer;
  beforeAll(async () => {
    server = await startCorner();
  });
  afterAll(() => server.stop());

  const search = async (body: object = { query: "rose" }, door = "/shop/corner") =>
    (await ask<Found>(server, "POST", `${door}/search`, body)).body;
  const without = ({ searchId: _id, state: _state, ...rest }: Found & { tookMs?: number }) => ({ ...rest, tookMs: 0 });
  const counts = async () => {
    const text = await (await fetch(`${server.url}/metrics`)).text();
    const count = (name: string) => Number(new RegExp(`clever_shelf_answers_kept_${name} (\\d+)`).exec(text)?.[1]);
    return { hits: count("hits"), misses: count("misses") };
  };

  test("is worked out once, by both doors, and is another search each time", async () => {
    const { key } = (await ask<{ key: string }>(server, "GET", "/api/stores/corner/embedding")).body;
    const before = await counts();
    const answers = [await search(), await search(), await search({ query: "rose" }, `/public/${key}`)];
    expect(await counts()).toEqual({ hits: before.hits + 2, misses: before.misses + 1 });
    expect(new Set(answers.map(({ searchId }) => searchId)).size).toBe(3);
    expect(answers.map(without)).toEqual(Array(3).fill(without(answers[0])));
    expect(answers[2].state.at >= answers[0].state.at).toBe(true);
    await search({ query: "rose", limit: 1 });
    expect((await counts()).misses).toBe(before.misses + 2);
  });

  test("counts with what it showed, each time it is asked", async () => {
    for (const visit of ["v1", "v2"]) {
      const { searchId, total } = await search();
      expect(total).toBe(2);
      await ask(server, "POST", "/shop/corner/events", { visit, kind: "search", searchId, query: "rose" });
    }
    await ask(server, "POST", "/api/stores/corner/log/snapshots");
    const { body } = await ask<{ queries: { text: string; asked: number; found: number }[] }>(
      server,
      "GET",
      "/api/stores/corner/log/queries",
    );
    expect(body.queries).toMatchObject([{ text: "rose", asked: 2, found: 2 }]);
  });

  test("is worked out anew after a release, an import and a change of a product", async () => {
    expect((await search()).hits.map(({ id }) => id).sort()).toEqual(["A1", "A2"]);
    await patchDraft(server, [{ op: "add", path: "/words/w", value: { does: "synonym", words: ["rose", "spade"] } }]);
    // What is being worked on is no shopper's affair.
    expect((await search()).total).toBe(2);
    await ask(server, "POST", "/api/stores/corner/releases", { note: "" });
    expect(await search()).toMatchObject({ total: 3, state: { release: 1 } });
    await ask(server, "PATCH", "/api/stores/corner/products/A3", { values: { title: "Rake" } });
    expect((await search()).total).toBe(2);
    await importFeed(server, "corner", "id,title,category,price\nA9,Wild rose,Plants > Roses,3\n", "format=csv&mode=merge");
    expect((await search()).hits.map(({ id }) => id).sort()).toEqual(["A1", "A2", "A9"]);
  });

  test("under the search box counts what was offered each time", async () => {
    const own = { text: "Red roses" };
    const { status, body } = await patchDraft(server, [{ op: "add", path: "/box/list/red", value: own }]);
    expect([status, body.detail]).toEqual([200, undefined]);
    await ask(server, "POST", "/api/stores/corner/releases", { note: "" });
    for (let i = 0; i < 3; i++) await ask(server, "POST", "/shop/corner/suggest", { query: "red" });
    const list = await ask<{ entries: Record<string, { shown: number }> }>(server, "GET", "/api/stores/corner/box/list");
    expect(list.body.entries.red.shown).toBe(3);
  });
});
