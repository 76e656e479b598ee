import { SearchAnswer, SuggestAnswer } from "@contract/search";
import { Settings } from "@core/settings/schema";
import { ask, importFeed, startServer, type TestServer, waitForJob } from "../support/server";

/** Answers from the demo shop, held against the schemas that describe them: no key more, none less. */
describe("shapes of answers over the demo shop", () => {
  let server: TestServer;
  beforeAll(async () => {
    server = await startServer({ demo: true });
  });
  afterAll(() => server.stop());

  const REQUESTS: Record<string, unknown>[] = [
    { query: "lavender" },
    { query: "lavendar", explain: true, why: ["P-00001", "P-02000", "nobody"] },
    { query: "aquarium" },
    { query: "rose trellis teapot" },
    { query: "rose", filters: { "flower-colour": { any: ["White"] }, price: { min: 5, max: 30 } }, sort: "price-asc", limit: 250 },
    { query: "rose", filters: { price: { min: 100_000 } } },
    { query: "bulbs", at: "2026-10-01T00:00:00Z" },
    { placement: "category", category: ["Plants", "Roses"], offset: 24 },
    { query: "QG-PL-20000" },
    { query: "9 cm pot", fields: ["price"] },
    { query: "compost", source: "live", context: { device: "phone", language: "de" } },
    { query: "tulip", source: { release: 1 }, limit: 0 },
  ];

  test.each(REQUESTS)("search %j", async (request) => {
    const { status, body } = await ask(server, "POST", "/api/stores/quillmoor/search", request);
    expect(status).toBe(200);
    expect(SearchAnswer.strict().safeParse(body).error?.issues ?? []).toEqual([]);
  });

  test.each(["", "l", "lav", "climbing ro", "aquarium", "QG-PL", "   "])("suggest “%s”", async (query) => {
    const { status, body } = await ask(server, "POST", "/api/stores/quillmoor/suggest", { query });
    expect(status).toBe(200);
    expect(SuggestAnswer.safeParse(body).error?.issues ?? []).toEqual([]);
  });

  test("pages put together are one long page", async () => {
    const page = async (offset: number, limit: number) =>
      (
        await ask<{ hits: { id: string }[] }>(server, "POST", "/api/stores/quillmoor/search", { query: "rose", offset, limit, fields: [] })
      ).body.hits.map((hit) => hit.id);
    const long = await page(0, 120);
    const parts = await Promise.all([0, 24, 48, 72, 96].map((offset) => page(offset, 24)));
    expect(parts.flat()).toEqual(long);
  });

  test("each filter value's count is the total one gets by choosing it", async () => {
    type Body = { total: number; filters: { id: string; values?: { value: string; count: number }[] }[] };
    const request = { query: "rose", filters: { light: { any: ["Full sun"] }, price: { max: 25 } }, limit: 0 };
    const { body } = await ask<Body>(server, "POST", "/api/stores/quillmoor/search", request);
    for (const filter of body.filters) {
      for (const { value, count } of filter.values?.slice(0, 4) ?? []) {
        const alone = await ask<Body>(server, "POST", "/api/stores/quillmoor/search", {
          ...request,
          filters: { ...request.filters, [filter.id]: { any: [value] } },
        });
        expect(`${filter.id} ${value}: ${alone.body.total}`).toBe(`${filter.id} ${value}: ${count}`);
      }
    }
  });

  test("a shelf acts only within its dates", async () => {
    const shelfOn = async (at: string) =>
      (
        await ask<{ shelf: { name: string } | null; nextChangeAt: string | null }>(server, "POST", "/api/stores/quillmoor/search", {
          query: "bulbs",
          at,
        })
      ).body;
    expect(await shelfOn("2026-10-01T00:00:00Z")).toMatchObject({
      shelf: { name: "Bulb season" },
      // What is planned for the weeks before Christmas may come first.
      nextChangeAt: expect.stringMatching(/^2026-12-(01|15)T00:00:00.000Z$/),
    });
    expect((await shelfOn("2027-01-01T00:00:00Z")).shelf).toBeNull();
  });

  test("the draft holds settings that the schema takes as they are", async () => {
    const { body } = await ask<{ settings: object }>(server, "GET", "/api/stores/quillmoor/draft");
    expect(Settings.parse(body.settings)).toEqual(body.settings);
    const part = await ask<{ settings: number }>(
      server,
      "GET",
      `/api/stores/quillmoor/draft?pointer=${encodeURIComponent("/attributes/title/weight")}`,
    );
    expect(part.body.settings).toBe(8);
    expect((await ask(server, "GET", "/api/stores/quillmoor/draft?pointer=/nowhere")).status).toBe(404);
    expect((await ask<{ type: string }>(server, "GET", "/api/stores/quillmoor/settings.schema.json")).body.type).toBe("object");
  });

  test("searches go on while a catalogue of 20,000 products comes in", async () => {
    const rows = Array.from({ length: 20_000 }, (_, i) => `B${i},Product number ${i} of many,Tools > Spades,${1 + (i % 90)},1`);
    await ask(server, "POST", "/api/stores", { id: "large", name: "Large", locale: "en", currency: "EUR" });
    const started = await ask<{ job: string }>(
      server,
      "POST",
      "/api/stores/large/feed?format=csv",
      `id,title,category,price,stock\n${rows.join("\n")}\n`,
    );
    let asked = 0;
    let isDone = false;
    const job = waitForJob(server, started.body.job).finally(() => {
      isDone = true;
    });
    while (!isDone) {
      const { status } = await ask(server, "POST", "/api/stores/quillmoor/search", { query: "lavender" });
      expect(status).toBe(200);
      asked++;
    }
    expect((await job).state).toBe("done");
    expect(asked).toBeGreaterThan(5);
    expect((await ask<{ total: number }>(server, "POST", "/api/stores/large/search", { query: "product 777" })).body.total).toBeGreaterThan(
      0,
    );
  });

  test("two stores know nothing of one another", async () => {
    await ask(server, "POST", "/api/stores", { id: "other", name: "Other", locale: "de", currency: "EUR" });
    await importFeed(server, "other", "id;title;preis\n1;Grüne Gießkanne;12,50\n", "format=csv");
    const found = await ask<{ total: number; hits: { fields: { preis: number } }[] }>(server, "POST", "/api/stores/other/search", {
      query: "gruene giesskanne",
    });
    expect(found.body).toMatchObject({ total: 1, hits: [{ fields: { preis: 12.5 } }] });
    expect((await ask<{ total: number }>(server, "POST", "/api/stores/other/search", { query: "lavender" })).body.total).toBe(0);
  });
});
