import { ask, importFeed, startCorner, startServer, type TestServer } from "../support/server";

interface Draft {
  revision: number;
  settings: { attributes: Record<string, { weight: number }>; words: Record<string, unknown> };
}

const PATCH = { "content-type": "application/json-patch+json" };
const weight = (value: unknown) => [{ op: "replace", path: "/attributes/title/weight", value }];

describe("the HTTP interface", () => {
  let server: TestServer;
  beforeAll(async () => {
    server = await startCorner();
  });
  afterAll(() => server.stop());

  const draft = async () => (await ask<Draft>(server, "GET", "/api/stores/corner/draft")).body;
  const patch = (operations: unknown, revision: number | null) =>
    ask<{ revision: number; detail: string; errors: { path: string; message: string }[] }>(
      server,
      "PATCH",
      "/api/stores/corner/draft",
      JSON.stringify(operations),
      { ...PATCH, ...(revision === null ? {} : { "if-match": `"${revision}"` }) },
    );

  test("health and stores have the promised shapes", async () => {
    expect((await ask(server, "GET", "/api/health")).body).toEqual({
      status: "ok",
      version: expect.any(String),
      stores: 1,
      trouble: null,
      backup: null,
      eventsDropped: 0,
    });
    const { body } = await ask<Record<string, unknown>[]>(server, "GET", "/api/stores");
    expect(body).toEqual([
      {
        id: "corner",
        name: "Corner shop",
        locale: "en",
        languages: ["en"],
        currency: "GBP",
        timeZone: "UTC",
        products: 4,
        revision: expect.any(Number),
        release: null,
        repair: null,
        damage: null,
      },
    ]);
  });

  test("a search answers with exactly the promised keys", async () => {
    const { status, body } = await ask<
      Record<string, unknown> & { hits: Record<string, unknown>[]; filters: Record<string, unknown>[]; query: object; state: object }
    >(server, "POST", "/api/stores/corner/search", { query: "rose", explain: true });
    expect(status).toBe(200);
    expect(Object.keys(body).sort()).toEqual([
      "banner",
      "deadEnd",
      "filters",
      "hits",
      "ignored",
      "nextChangeAt",
      "outcome",
      "pages",
      "query",
      "redirect",
      "searchId",
      "shelf",
      "shelvesBehind",
      "sorts",
      "state",
      "tookMs",
      "total",
      "why",
    ]);
    expect(Object.keys(body.query).sort()).toEqual(["didYouMean", "leftOut", "searched", "steps", "typed"]);
    expect(Object.keys(body.state).sort()).toEqual(["at", "catalogue", "log", "release", "settings"]);
    expect(Object.keys(body.hits[0]).sort()).toEqual([
      "answers",
      "arranged",
      "explain",
      "fields",
      "id",
      "position",
      "score",
      "tier",
      "title",
      "variant",
    ]);
    expect(Object.keys(body.hits[0].explain as object).sort()).toEqual([
      "band",
      "base",
      "behind",
      "factors",
      "parts",
      "place",
      "ties",
      "unavailable",
    ]);
    for (const filter of body.filters)
      expect(Object.keys(filter).sort()).toEqual(
        "values" in filter ? ["display", "id", "label", "values"] : ["bars", "display", "id", "label", "range", "selected"],
      );
  });

  test("the same question gives byte for byte the same answer, but for its duration and id", async () => {
    const once = async () => {
      const { body } = await ask<Record<string, unknown>>(server, "POST", "/api/stores/corner/search", {
        query: "rose",
        at: "2026-11-24T12:00:00Z",
      });
      const { tookMs: _took, searchId: _id, ...rest } = body;
      return JSON.stringify(rest);
    };
    expect(await once()).toBe(await once());
  });

  test("the description names every shape and covers every call", async () => {
    const { body } = await ask<{
      openapi: string;
      paths: Record<string, Record<string, { responses: Record<string, { content?: Record<string, { schema: object }> }> }>>;
      components: { schemas: Record<string, object> };
    }>(server, "GET", "/api/openapi.json");
    expect(body.openapi).toBe("3.1.0");
    for (const path of [
      "/api/health",
      "/api/stores",
      "/api/stores/{store}/feed",
      "/api/jobs/{job}",
      "/api/stores/{store}/draft",
      "/api/stores/{store}/search",
      "/api/stores/{store}/suggest",
      "/api/stores/{store}/events",
      "/api/stores/{store}/releases/{n}/restore",
      "/shop/{store}/search",
    ]) {
      expect(Object.keys(body.paths)).toContain(path);
    }
    expect(Object.keys(body.components.schemas)).toEqual(
      expect.arrayContaining(["SearchRequest", "SearchAnswer", "Hit", "Store", "Job", "Problem", "Release"]),
    );
    const references = [...JSON.stringify(body).matchAll(/#\/components\/schemas\/(\w+)/g)].map(([, name]) => name);
    for (const name of references) expect(Object.keys(body.components.schemas)).toContain(name);
  });

  test("facts of the fields", async () => {
    const { body } = await ask<Record<string, unknown>[]>(server, "GET", "/api/stores/corner/fields");
    expect(body.find((field) => field.key === "colour")).toEqual({
      key: "colour",
      label: "Colour",
      type: "colour",
      role: "attribute",
      coverage: 0.5,
      distinct: 2,
      averageLength: 1,
      samples: ["Red", "White"],
      shown: true,
    });
  });

  test("a patch needs the revision, is validated, and is refused when it overlaps with a newer one", async () => {
    const { revision } = await draft();
    expect((await patch(weight(7), null)).status).toBe(428);
    const tooMuch = await patch(weight(11), revision);
    expect(tooMuch.status).toBe(422);
    expect(tooMuch.type).toContain("application/problem+json");
    expect(tooMuch.body.errors).toEqual([{ path: "/attributes/title/weight", message: "A weight is at most 10." }]);
    expect((await patch(weight("heavy"), revision)).status).toBe(422);
    expect((await patch([{ op: "replace", path: "/attributes/nowhere/weight", value: 3 }], revision)).status).toBe(422);
    expect((await patch([{ op: "replace", path: "/colours", value: 3 }], revision)).status).toBe(422);
    expect((await draft()).revision).toBe(revision);

    expect((await patch(weight(7), revision)).body.revision).toBe(revision + 1);
    const stale = await patch(weight(6), revision);
    expect(stale.status).toBe(409);
    expect(stale.body.errors[0].path).toBe("/attributes/title/weight");
    const elsewhere = await patch([{ op: "add", path: "/words/w1", value: { does: "synonym", words: ["spade", "shovel"] } }], revision);
    expect(elsewhere).toMatchObject({ status: 200, body: { revision: revision + 2 } });
    expect((await patch(weight(6), 9999)).status).toBe(409);
  });

  test("all or nothing: one wrong operation leaves the draft as it was", async () => {
    const before = await draft();
    const mixed = await patch([...weight(3), { op: "remove", path: "/words/nobody" }], before.revision);
    expect(mixed.status).toBe(422);
    expect(await draft()).toEqual(before);
  });

  test("the next search answers at the revision of the change", async () => {
    const { revision } = await draft();
    await patch([{ op: "add", path: "/words/w2", value: { does: "synonym", words: ["rose", "bloom"] } }], revision);
    const { body } = await ask<{ total: number; state: { settings: number } }>(server, "POST", "/api/stores/corner/search", {
      query: "bloom",
    });
    expect(body).toMatchObject({ total: 2, state: { settings: revision + 1 } });
  });

  test("undo and redo, with the history of who did what", async () => {
    const { revision } = await draft();
    await ask(server, "PATCH", "/api/stores/corner/draft", JSON.stringify(weight(2)), {
      ...PATCH,
      "if-match": String(revision),
      "x-person": "Maud%20Ellerby",
    });
    const weightNow = async () => (await draft()).settings.attributes.title.weight;
    expect(await weightNow()).toBe(2);
    const asMaud = { "x-person": "Maud%20Ellerby" };
    await ask(server, "POST", "/api/stores/corner/draft/undo", undefined, asMaud);
    expect(await weightNow()).not.toBe(2);
    await ask(server, "POST", "/api/stores/corner/draft/redo", undefined, asMaud);
    expect(await weightNow()).toBe(2);
    const { body } = await ask<{ kind: string; by: string }[]>(server, "GET", "/api/stores/corner/draft/history?limit=3");
    expect(body.map((edit) => [edit.kind, edit.by])).toEqual([
      ["redo", "Maud Ellerby"],
      ["undo", "Maud Ellerby"],
      ["edit", "Maud Ellerby"],
    ]);
    expect((await ask(server, "POST", "/api/stores/corner/draft/redo")).status).toBe(409);
  });

  test("a release changes the shop, and the shop can go back", async () => {
    const shop = async () =>
      (
        await ask<{ total: number; query: { leftOut: string[] } }>(server, "POST", "/shop/corner/search", {
          query: "bloom",
          source: "draft",
          explain: true,
        })
      ).body.total;
    expect(await shop()).toBe(0);
    const first = await ask<{ number: number }>(server, "POST", "/api/stores/corner/releases", { note: "Bloom" });
    expect(first).toMatchObject({ status: 201, body: { number: 1, note: "Bloom", by: "api", at: expect.any(String) } });
    expect(await shop()).toBe(2);
    const { revision } = await draft();
    await patch([{ op: "remove", path: "/words/w2" }], revision);
    await ask(server, "POST", "/api/stores/corner/releases", { note: "No bloom" });
    expect(await shop()).toBe(0);
    expect((await ask(server, "POST", "/api/stores/corner/releases/1/restore")).body).toMatchObject({ number: 3 });
    expect(await shop()).toBe(2);
    const old = await ask<{ total: number; state: object }>(server, "POST", "/api/stores/corner/search", {
      query: "bloom",
      source: { release: 2 },
    });
    expect(old.body).toMatchObject({ total: 0, state: { release: 2 } });
    expect((await ask(server, "GET", "/api/stores/corner/releases/99")).status).toBe(404);
  });

  test("the shop never gives out what shoppers may not see", async () => {
    const other = await startServer();
    await ask(other, "POST", "/api/stores", { id: "secret", name: "S", locale: "en", currency: "GBP" });
    await importFeed(other, "secret", "id,title,price,margin\n1,Red rose,5,7361951\n2,Blue rose,6,7362951\n", "format=csv");
    const text = JSON.stringify([
      (await ask(other, "POST", "/shop/secret/search", { query: "rose", explain: true })).body,
      (await ask(other, "POST", "/shop/secret/suggest", { query: "ro" })).body,
      (await ask(other, "GET", "/shop/secret/products/1/data.json")).body,
      (await ask(other, "GET", "/shop/secret/front.json")).body,
    ]);
    expect(text).not.toMatch(/margin|736\d951/);
    await other.stop();
  });

  test("products change one by one, and the next search sees it", async () => {
    const put = await ask(server, "PUT", "/api/stores/corner/products/A9", { values: { title: "Garden gnome", price: 9 } });
    expect(put.status).toBe(200);
    const search = async (query: string) =>
      (await ask<{ total: number }>(server, "POST", "/api/stores/corner/search", { query })).body.total;
    expect(await search("gnome")).toBe(1);
    expect(
      (await ask(server, "PATCH", "/api/stores/corner/products/A9", { values: { title: "Garden dwarf", price: null } })).body,
    ).toMatchObject({ values: { title: "Garden dwarf" } });
    expect(await search("dwarf")).toBe(1);
    const again = (values: object, tag?: string) =>
      ask(server, "PUT", "/api/stores/corner/products/A9", { values }, tag === undefined ? {} : { "if-match": tag });
    expect((await again({ price: "cheap" }, "*")).status).toBe(422);
    // What is there now is replaced by nobody who has not seen it.
    expect((await again({ title: "Gnome" })).status).toBe(428);
    expect((await again({ title: "Gnome" }, put.headers.get("etag") ?? "")).status).toBe(409);
    const { headers } = await ask(server, "GET", "/api/stores/corner/products/A9");
    expect((await again({ title: "Garden dwarf" }, headers.get("etag") ?? "")).status).toBe(200);
    expect((await ask(server, "DELETE", "/api/stores/corner/products/A9")).status).toBe(204);
    expect((await ask(server, "GET", "/api/stores/corner/products/A9")).status).toBe(404);
    const list = await ask<{ total: number; products: { id: string }[] }>(server, "GET", "/api/stores/corner/products?search=rose&limit=1");
    expect(list.body).toMatchObject({ total: 2, products: [{ id: "A1" }] });
  });

  test("categories, related products, suggestions, events and pages answer", async () => {
    expect((await ask(server, "GET", "/api/stores/corner/categories")).body).toContainEqual({ path: ["Plants", "Roses"], products: 2 });
    expect((await ask(server, "GET", "/api/stores/corner/related/A3")).body).toMatchObject({
      goesWith: expect.any(Array),
      insteadOf: [{ id: "A4" }],
    });
    expect((await ask(server, "POST", "/api/stores/corner/suggest", { query: "ro" })).body).toMatchObject({
      moment: "typing",
      completion: "rose",
    });
    expect((await ask(server, "POST", "/api/stores/corner/events", [{ visit: "v1", kind: "search", query: "rose" }])).status).toBe(202);
    expect((await ask(server, "POST", "/api/stores/corner/events", { visit: "v1", kind: "dance" })).status).toBe(422);
    expect((await ask(server, "POST", "/api/stores/corner/pages", { id: "g", title: "Pruning a rose", text: "In February." })).status).toBe(
      200,
    );
    expect((await ask(server, "POST", "/api/stores/corner/search", { query: "pruning" })).body).toMatchObject({ pages: { total: 1 } });
  });

  test("bad requests get a clear answer", async () => {
    const answers = [
      await ask(server, "POST", "/api/stores/nowhere/search", { query: "rose" }),
      await ask(server, "POST", "/api/stores/corner/search", { query: 7 }),
      await ask(server, "POST", "/api/stores/corner/search", { limit: 251 }),
      await ask(server, "POST", "/api/stores/corner/search", { serch: "rose" }),
      await ask(server, "POST", "/api/stores/corner/search", "{broken", { "content-type": "application/json" }),
      await ask(server, "POST", "/api/stores/corner/search", "query=rose", { "content-type": "application/x-www-form-urlencoded" }),
      await ask(server, "POST", "/api/stores/corner/search", "x".repeat(5_000_000), { "content-type": "application/json" }),
      await ask(server, "POST", "/api/stores", { name: "Corner", locale: "klingon-", currency: "GBP" }),
      await ask(server, "POST", "/api/stores", { id: "corner", name: "Corner", locale: "en", currency: "GBP" }),
      await ask(server, "GET", "/api/nothing"),
      await ask(server, "GET", "/api/jobs/none"),
      await ask(server, "POST", "/api/stores/corner/releases", { note: "x" }, { origin: "http://elsewhere.example" }),
    ];
    expect(answers.map(({ status }) => status)).toEqual([404, 422, 422, 422, 400, 415, 413, 422, 409, 404, 404, 403]);
    for (const { type, body } of answers) {
      expect(type).toContain("application/problem+json");
      expect(body).toMatchObject({
        type: expect.any(String),
        title: expect.any(String),
        status: expect.any(Number),
        detail: expect.stringMatching(/\.$/),
        errors: expect.any(Array),
      });
    }
  });

  test("a whole query of nonsense, of signs or of thousands of letters is answered", async () => {
    for (const query of [
      "",
      "   ",
      "???",
      "'\"<script>",
      "\u0000\uFFFF",
      "a".repeat(9000),
      "ab ".repeat(500),
      "🌹🌹",
      "%00%ff",
      "OR 1=1 --",
    ]) {
      const { status, body } = await ask<{ outcome: string }>(server, "POST", "/api/stores/corner/search", { query });
      expect(status).toBe(200);
      expect(["results", "partial", "dead-end"]).toContain(body.outcome);
    }
  });
});
