import { callAs } from "../support/call-as";
import { ask, patchDraft, startCorner, type TestServer } from "../support/server";

interface Embedding {
  key: string;
  origins: string[];
}

const SHOP = "https://shop.example";

describe("the public key of a store", () => {
  let server: TestServer;
  beforeAll(async () => {
    server = await startCorner();
    await ask(server, "POST", "/api/stores/corner/releases", { note: "First" });
  });
  afterAll(() => server.stop());
  const path = "/api/stores/corner/embedding";
  const keyOf = async () => (await ask<Embedding>(server, "GET", path)).body.key;
  const allow = (...origins: string[]) =>
    ask<Embedding & { errors: { message: string }[] }>(server, "PUT", path, { origins }, { "if-match": "*" });

  test("is made when it is first asked for, and stays until another is made", async () => {
    const key = await keyOf();
    expect(key).toMatch(/^pk_[\w-]{20}$/);
    expect(await keyOf()).toBe(key);
    const renewed = await ask<Embedding>(server, "POST", `${path}/key`);
    expect(renewed.status).toBe(201);
    expect(renewed.body.key).not.toBe(key);
    const old = await ask<{ detail: string }>(server, "GET", `/public/${key}/front.json`);
    expect(old.status).toBe(404);
    expect(old.body.detail).toMatch(/copy the one of the store's Embedding page/);
  });

  test("opens what is live to the pages that may use it, and to no others", async () => {
    const base = `/public/${await keyOf()}`;
    const search = (origin: string) =>
      ask<{ detail: string; total: number }>(server, "POST", `${base}/search`, { query: "rose" }, { origin });
    const refused = await search(SHOP);
    expect(refused.status).toBe(403);
    expect(refused.body.detail).toBe(`Pages of ${SHOP} may not use this key. Allow them in the store's Embedding page.`);
    expect((await allow(SHOP)).body.origins).toEqual([SHOP]);
    const answered = await search(SHOP);
    expect([answered.status, answered.headers.get("access-control-allow-origin")]).toEqual([200, SHOP]);
    expect(answered.body.total).toBeGreaterThan(0);
    expect((await search("https://elsewhere.example")).status).toBe(403);
    expect((await search(server.url)).status).toBe(200);
  });

  test("answers by whatever name the server is known, which nothing that changes anything does", async () => {
    const named = async (path: string) => (await callAs(server.url, "POST", path, { host: "shelf.example" }, { query: "rose" })).status;
    expect(await named(`/public/${await keyOf()}/search`)).toBe(200);
    expect(await named("/api/stores/corner/search")).toBe(403);
  });

  test("whoever says which pages may use it has seen which may now", async () => {
    const list = (origins: string[], tag?: string) =>
      ask<{ detail: string }>(server, "PUT", path, { origins }, tag ? { "if-match": tag } : {});
    const { body, headers } = await ask<{ tag: string }>(server, "GET", path);
    // What is sent compressed has the weak form of it, which says the same.
    expect(headers.get("etag")?.replace(/^W\//, "")).toBe(body.tag);
    expect((await list([SHOP])).status).toBe(428);
    expect((await list([SHOP], '""')).status).toBe(409);
    const first = await list([SHOP, "https://sister.example"], body.tag);
    expect(first.status).toBe(200);
    const late = await list([SHOP], body.tag);
    expect([late.status, late.body.detail]).toEqual([
      409,
      "The list of pages was changed since it was read. Read it again, then change it.",
    ]);
    expect((await list([SHOP], first.headers.get("etag") ?? "")).status).toBe(200);
  });

  test("answers what browsers ask beforehand", async () => {
    await allow(SHOP);
    const response = await fetch(`${server.url}/public/${await keyOf()}/search`, {
      method: "OPTIONS",
      headers: { origin: SHOP, "access-control-request-method": "POST", "access-control-request-headers": "content-type" },
    });
    expect(response.status).toBe(204);
    expect(response.headers.get("access-control-allow-headers")).toBe("content-type");
  });

  test("tells neither drafts nor explanations nor fields that shoppers may not see", async () => {
    await ask(server, "PATCH", "/api/stores/corner/fields/stock", { shown: false });
    const base = `/public/${await keyOf()}`;
    const { body } = await ask<{ state: { release: number }; hits: { fields: object; explain: unknown }[]; why: object }>(
      server,
      "POST",
      `${base}/search`,
      {
        query: "rose",
        source: "draft",
        explain: true,
        why: ["nobody"],
      },
    );
    expect(body.state.release).toBe(1);
    expect(body.hits[0].explain).toBeNull();
    expect(body.why).toEqual({});
    expect(body.hits[0].fields).not.toHaveProperty("stock");
    const front = await ask<{ page: { cards: Record<string, object> }; fields: { key: string }[] }>(server, "GET", `${base}/front.json`);
    expect(front.body.fields.map(({ key }) => key)).not.toContain("stock");
    // Conditions may speak of what shoppers must not know.
    expect(JSON.stringify(front.body.page)).not.toContain("condition");
    expect((await ask(server, "GET", `${base}/draft`)).status).toBe(404);
    expect((await ask(server, "POST", `${base}/releases`, {})).status).toBe(404);
  });

  test("records what shoppers do, and refuses addresses that are none", async () => {
    const events = await ask(server, "POST", `/public/${await keyOf()}/events`, { visit: "v", kind: "search", query: "rose" });
    expect(events.status).toBe(202);
    for (const wrong of ["shop.example", "https://shop.example/path", "ftp://shop.example", "*"]) {
      const { status, body } = await allow(SHOP, wrong);
      expect([wrong, status]).toEqual([wrong, 422]);
      expect(body.errors[0].message).toMatch(/An origin is scheme, name and port/);
    }
  });
});

describe("what the shop's pages are told", () => {
  let server: TestServer;
  beforeAll(async () => {
    server = await startCorner();
  });
  afterAll(() => server.stop());
  const patch = (operations: object[]) => patchDraft<{ errors: { path: string; message: string }[] }>(server, operations);

  test("a message that is no message is refused with its place, and the draft stays as it was", async () => {
    const { status, body } = await patch([{ op: "add", path: "/messages/en", value: { "results.count": "{n, plural, one {#}}" } }]);
    expect(status).toBe(422);
    expect(body.errors[0]).toMatchObject({ path: "/messages/en/results.count", message: expect.stringContaining("other") });
  });
  test("cards, own rules and messages reach the page made ready", async () => {
    const card = {
      name: "All",
      parts: { title: { kind: "title", rank: "a" }, brand: { kind: "line", text: { en: "by {brand}" }, rank: "b" } },
      rank: "a",
    };
    await patch([
      { op: "add", path: "/page/cards/all", value: card },
      { op: "replace", path: "/page/theme/css", value: "::part(card) { color: red } body { color: red }" },
      { op: "add", path: "/messages/en", value: { "box.search": "Go" } },
    ]);
    await ask(server, "POST", "/api/stores/corner/releases", { note: "Page" });
    const { body } = await ask<{
      cardFields: string[];
      css: string;
      messages: Record<string, unknown>;
      page: { usual: string; theme: { css: string } };
    }>(server, "GET", "/shop/corner/front.json");
    expect(body.cardFields).toEqual(["brand"]);
    expect(body.css).toBe('.shop [part~="card"]{color:red}');
    expect(body.page).toMatchObject({ usual: "all", theme: { css: "" } });
    expect(body.messages["box.search"]).toBe("Go");
    const facts = await ask<{ cards: { all: { parts: Record<string, number>; products: number } } }>(
      server,
      "GET",
      "/api/stores/corner/page/facts",
    );
    expect(facts.body.cards.all.products).toBe(4);
  });
  test("what is first to see comes with its cards", async () => {
    const { body } = await ask<{ products: { id: string; title: string }[] }>(server, "GET", "/shop/corner/start.json");
    expect(body.products.length).toBeGreaterThan(0);
  });
});
