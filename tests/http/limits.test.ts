import { callAs } from "../support/call-as";
import { ask, startCorner, type TestServer } from "../support/server";
import { until } from "../support/waits";

const SEARCH = "/shop/corner/search";
const FROM = "x-forwarded-for";

describe("how much the shop’s side may be asked", () => {
  let server: TestServer;
  beforeAll(async () => {
    const args = ["--trust-proxy", "127.0.0.1", "--requests-per-client", "3", "--events-per-client", "5", "--events-per-store", "8"];
    server = await startCorner({ args: [...args, "--most-stores", "2", "--waiting-per-client", "4"] });
    await ask(server, "POST", "/api/stores/corner/releases", { note: "First" });
  });
  afterAll(() => server.stop());

  const search = (from: string, query = "rose") => callAs(server.url, "POST", SEARCH, { [FROM]: from }, { query });
  const send = (from: string, count: number) =>
    callAs(
      server.url,
      "POST",
      "/shop/corner/events",
      { [FROM]: from },
      Array.from({ length: count }, () => ({ visit: "v", kind: "search", query: "rose" })),
    );

  test("one who asks without end is told when to ask again; everybody else is answered", async () => {
    const statuses = [];
    for (let i = 0; i < 31; i++) statuses.push((await search("203.0.113.1")).status);
    expect(new Set(statuses.slice(0, 30))).toEqual(new Set([200]));
    const refused = await search("203.0.113.1");
    expect(refused.status).toBe(429);
    expect(Number(refused.headers["retry-after"])).toBeGreaterThan(0);
    expect(JSON.parse(refused.body)).toMatchObject({
      title: "Too many requests",
      detail: expect.stringMatching(/^Too many requests of yours\. Ask again in \d+ seconds?\.$/),
    });
    expect((await search("203.0.113.2")).status).toBe(200);
    // Files count as well, and the bench's own calls do not.
    expect((await callAs(server.url, "GET", "/media/corner/none.svg", { [FROM]: "203.0.113.1" })).status).toBe(429);
    expect((await callAs(server.url, "GET", "/api/stores", { [FROM]: "203.0.113.1" })).status).toBe(200);
  });

  test("an address of version 6 is counted with its network, of which one caller has all", async () => {
    const statuses = [];
    for (let i = 0; i < 32; i++) statuses.push((await search(`2001:db8:1:2::${i.toString(16)}`)).status);
    expect(statuses.filter((status) => status === 429)).toHaveLength(2);
    expect((await search("2001:db8:1:3::1")).status).toBe(200);
  });

  test("events are counted one by one, by caller and by store", async () => {
    expect((await send("203.0.113.10", 50)).status).toBe(202);
    const more = await send("203.0.113.10", 1);
    expect([more.status, JSON.parse(more.body).detail]).toEqual([429, expect.stringMatching(/^Too many events of yours/)]);
    expect((await send("203.0.113.11", 30)).status).toBe(202);
    const others = await send("203.0.113.12", 20);
    expect([others.status, JSON.parse(others.body).detail]).toEqual([429, expect.stringMatching(/^Too many events for this store/)]);
    // A search is answered all the same.
    expect((await search("203.0.113.12")).status).toBe(200);
  });

  test("more searches than may wait are refused at once, and the others are answered", async () => {
    const answers = await Promise.all(Array.from({ length: 20 }, () => search("203.0.113.20")));
    const statuses = new Set(answers.map(({ status }) => status));
    expect([...statuses].every((status) => status === 200 || status === 429)).toBe(true);
    expect(answers.filter(({ status }) => status === 200).length).toBeGreaterThan(4);
  });

  test("a shop’s page has nothing long to say", async () => {
    const long = await callAs(
      server.url,
      "POST",
      SEARCH,
      { [FROM]: "203.0.113.30" },
      { query: "rose", fields: Array(500).fill("x".repeat(140)) },
    );
    expect([long.status, JSON.parse(long.body).detail]).toEqual([413, "The body is larger than 64 kB. Send it in parts."]);
  });

  test("what is typed is read as far as 512 characters, whatever follows", async () => {
    const rose = "rose ".repeat(103).slice(0, 512);
    const answer = await search("203.0.113.31", `${rose}${"z q ".repeat(2000)}`);
    const { query, total } = JSON.parse(answer.body) as { query: { steps: { kind: string; from: string }[] }; total: number };
    expect(total).toBe(2);
    expect(query.steps).toContainEqual({ kind: "dropped", from: "z q ".repeat(20) });
  });

  test("no more stores than are allowed", async () => {
    const make = (id: string) => ask<{ detail: string }>(server, "POST", "/api/stores", { id, name: id, locale: "en", currency: "GBP" });
    expect((await make("second")).status).toBe(201);
    const third = await make("third");
    expect([third.status, third.body.detail]).toEqual([
      409,
      "There are 2 stores, and no more may be made here. Whoever runs the server can allow more with --most-stores.",
    ]);
    await ask(server, "DELETE", "/api/stores/second");
    expect((await make("third")).status).toBe(201);
  });
});

describe("a search that takes longer than it may", () => {
  let server: TestServer;
  beforeAll(async () => {
    server = await startCorner({ args: ["--search-budget", "1"] });
  });
  afterAll(() => server.stop());

  test("is answered with 503 and when to ask again, and holds up no other", async () => {
    const words = "a rose of very many words ".repeat(18);
    let asked = 0;
    let late: Awaited<ReturnType<typeof ask<{ detail: string }>>> | null = null;
    await until(async () => {
      // Another one each time: what was answered is kept.
      const answer = await ask<{ detail: string }>(server, "POST", "/shop/corner/search", { query: `${words}${asked++}` });
      if (answer.status === 503) late = answer;
      return late !== null;
    }, "a search that took a millisecond");
    expect(late).toMatchObject({ body: { detail: "There was no answer within 1 ms. Ask again in a second." } });
    expect((late as unknown as { headers: Headers }).headers.get("retry-after")).toBe("1");
    await until(
      async () => (await ask(server, "POST", "/shop/corner/search", { query: "spade" })).status === 200,
      "a search whose answer came too late for who asked first",
    );
    // The bench's own take as long as they take.
    expect((await ask(server, "POST", "/api/stores/corner/search", { query: words })).status).toBe(200);
  });
});
