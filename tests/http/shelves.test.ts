import { ask, patchDraft, startCorner, type TestServer } from "../support/server";

const store = "/api/stores/corner";

interface Overview {
  rules: {
    part: string;
    id: string;
    state: string;
    products: number;
    searches: number;
    acted: number;
    lastAt: string | null;
    by: string | null;
  }[];
  conflicts: { kind: string; rule: { id: string } }[];
}

describe("what is known of arrangements", () => {
  let server: TestServer;
  beforeEach(async () => {
    server = await startCorner();
  });
  afterEach(() => server.stop());

  const patch = (operations: object[], person = "Maud") => patchDraft(server, operations, { "x-person": person });
  const shelf = (part: object) => ({ name: "Roses", searches: [{ match: "is", text: "rose" }], categories: [], rank: "a0", ...part });
  const addShelf = (id: string, part: object) => patch([{ op: "add", path: `/shelves/${id}`, value: shelf(part) }]);

  test("each rule says how it stands, what it touches, who set it and when it acted; conflicts are named", async () => {
    expect((await addShelf("k", { pins: { A3: 1 }, exclude: ["A3"] })).status).toBe(200);
    await patch([
      { op: "add", path: "/hides/h", value: { name: "h", products: ["A1"], places: ["searching"], from: "2100-01-01T00:00:00Z" } },
    ]);
    await ask(server, "POST", `${store}/releases`, { note: "" });
    const found = (await ask<{ searchId: string; hits: { id: string }[] }>(server, "POST", "/shop/corner/search", { query: "rose" })).body;
    await ask(server, "POST", `${store}/events`, [
      { visit: "v", kind: "search", searchId: found.searchId, query: "Rose" },
      { visit: "v", kind: "click", searchId: found.searchId, product: found.hits[0].id, position: 1 },
      { visit: "v", kind: "click", product: "A2", beside: "A1" },
    ]);
    await ask(server, "POST", `${store}/log/snapshots`);
    const { body } = await ask<Overview>(server, "GET", `${store}/shelves/overview`);
    expect(body.rules.find(({ id }) => id === "k")).toMatchObject({ state: "conflict", products: 1, searches: 1, acted: 1, by: "Maud" });
    expect(body.rules.find(({ id }) => id === "k")?.lastAt).not.toBeNull();
    expect(body.rules.find(({ id }) => id === "h")).toMatchObject({ part: "hides", state: "planned", products: 1 });
    expect(body.conflicts.map(({ kind }) => kind)).toEqual(["shown-excluded"]);
    const facts = (await ask<{ asked: number; products: Record<string, object> }>(server, "GET", `${store}/search/facts?query=ROSE`)).body;
    expect(facts.asked).toBe(1);
    expect(facts.products[found.hits[0].id]).toEqual({ shown: 1, clicks: 1, baskets: 0, orders: 0 });
    expect((await ask(server, "GET", `${store}/recommendations/A1`)).body).toMatchObject({ led: 1 });
  });

  test("shoppers are told of no shelf that comes after or rests", async () => {
    await addShelf("k", { pins: { A3: 1 } });
    await addShelf("sale", { name: "Secret sale", from: "2100-01-01T00:00:00Z", pins: { A1: 1 } });
    await ask(server, "POST", `${store}/releases`, { note: "" });
    expect(JSON.stringify((await ask(server, "POST", `${store}/search`, { query: "rose" })).body)).toContain("Secret sale");
    const live = await ask(server, "POST", "/shop/corner/search", { query: "rose" });
    expect(JSON.stringify(live.body)).not.toContain("Secret sale");
    expect(live.body).toMatchObject({ shelf: { id: "k" }, shelvesBehind: [] });
  });

  test("a redirect is followed to its end, and a search says when it changes", async () => {
    await addShelf("k", { from: "2100-01-01T00:00:00Z", until: "2100-02-01T00:00:00Z", pins: { A1: 1 } });
    const redirect = { to: "search", value: "zzzz" };
    expect((await ask(server, "POST", `${store}/shelves/landing`, { redirect })).body).toMatchObject({ isDead: true, isLoop: false });
    expect(
      (await ask(server, "POST", `${store}/shelves/landing`, { redirect: { to: "address", value: "javascript:alert(1)" } })).status,
    ).toBe(422);
    const { body } = await ask<unknown[]>(server, "POST", `${store}/search/upcoming`, { query: "rose", at: "2099-12-20T00:00:00Z" });
    expect(body[0]).toMatchObject({ at: "2100-01-01T00:00:00.000Z", turns: [{ part: "shelves", id: "k", begins: true }] });
    expect((await ask(server, "POST", `${store}/products/facts`, { ids: ["A1", "gone"] })).body).toMatchObject([
      { id: "A1", isGone: false },
      { id: "gone", isGone: true },
    ]);
  });

  test("shelves and hides go out and come in again as they were, as a table and as JSON; nothing is changed by reading", async () => {
    await addShelf("k", { pins: { A3: 1 }, rules: { r: { does: "last", condition: { field: "colour", is: "Red" }, rank: "a0" } } });
    await patch([{ op: "add", path: "/hides/h", value: { name: "h", products: ["A1"], places: ["searching"], reason: "old" } }]);
    const get = async (name: string) => (await fetch(`${server.url}${store}/shelves/${name}`)).text();
    const read = async (text: string) =>
      (await (
        await fetch(`${server.url}${store}/shelves/read`, {
          method: "POST",
          body: text,
          headers: { "content-type": "application/octet-stream" },
        })
      ).json()) as object;
    expect(await read(await get("rules.csv"))).toEqual({ changes: [], same: 2, operations: [], problems: [] });
    expect(await read(await get("rules.json"))).toEqual({ changes: [], same: 2, operations: [], problems: [] });
    const changed = (await get("rules.csv")).replace("A3 @ 1", "A3 @ 2; A1 @ 1");
    expect(await read(changed)).toMatchObject({
      changes: [{ part: "shelves", id: "k", text: "pins 1 → 2, a pin moved" }],
      operations: [{ op: "replace", path: "/shelves/k" }],
    });
    expect(await read("kind,name\nshelff,x")).toMatchObject({ problems: [{ line: 2 }] });
    expect(
      (
        await fetch(`${server.url}${store}/shelves/read`, {
          method: "POST",
          body: "a,b\n1,2",
          headers: { "content-type": "application/octet-stream" },
        })
      ).status,
    ).toBe(422);
  });

  test("a file is read beside shelves whose ranks somebody wrote by hand", async () => {
    await addShelf("k", { rank: "b", pins: { A3: 1 } });
    const response = await fetch(`${server.url}${store}/shelves/read`, {
      method: "POST",
      body: "kind,name,searches\nshelf,Pots,pot",
      headers: { "content-type": "application/octet-stream" },
    });
    expect(response.status).toBe(200);
    const { operations } = (await response.json()) as { operations: { value: { rank: string } }[] };
    expect(operations[0].value.rank > "b").toBe(true);
    expect((await patch(operations)).status).toBe(200);
  });

  test("two people change different things of one shelf and neither is in the other's way", async () => {
    await addShelf("k", { pins: { A3: 1 } });
    const etag = (await ask(server, "GET", `${store}/draft`)).headers.get("etag") ?? "";
    const change = (path: string, value: unknown) =>
      ask(server, "PATCH", `${store}/draft`, [{ op: "replace", path, value }], {
        "content-type": "application/json-patch+json",
        "if-match": etag,
      });
    expect((await change("/shelves/k/pins", { A3: 2 })).status).toBe(200);
    expect((await change("/shelves/k/end", 4)).status).toBe(200);
    expect((await change("/shelves/k/pins", { A1: 1 })).status).toBe(409);
  });
});
