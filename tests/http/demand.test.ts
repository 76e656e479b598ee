import type { DemandOverview, DemandRow } from "@contract/demand";
import { ask, startServer, type TestServer } from "../support/server";

interface Searches {
  total: number;
  all: { asked: number };
  searches: DemandRow[];
}

const SHOP = "/api/stores/quillmoor/demand";

/** What shoppers of the demo shop did, by HTTP; the log itself is read as a file and counted by hand beside it. */
describe("Demand", () => {
  let server: TestServer;
  let events: Record<string, string & number>[];
  beforeAll(async () => {
    server = await startServer({ demo: true });
    const text = await (await fetch(`${server.url}/api/stores/quillmoor/log/events.jsonl`)).text();
    events = text
      .trim()
      .split("\n")
      .map((line) => JSON.parse(line));
  });
  afterAll(() => server.stop());

  const dates = new Intl.DateTimeFormat("en-CA", { timeZone: "Europe/London", year: "numeric", month: "2-digit", day: "2-digit" });
  const within = (from: string, until: string) => (event: Record<string, string>) => {
    const day = dates.format(Date.parse(event.at));
    return day >= from && day <= until;
  };

  test("the overview of a period has the figures of its days, which are those of the log", async () => {
    const { status, body } = await ask<DemandOverview>(server, "GET", `${SHOP}?days=7`);
    expect(status).toBe(200);
    const { from, until } = body.now.period;
    expect(body.kept?.until).toBe(until);
    const searches = events.filter(({ kind }) => kind === "search").filter(within(from, until));
    const plain = searches.filter(({ rules }) => !String(rules).includes("filter:"));
    expect(body.now.days).toHaveLength(7);
    expect(body.now.searches.asked).toBe(plain.length);
    expect(body.now.days.reduce((sum, { asked }) => sum + asked, 0)).toBe(plain.length);
    expect(body.now.searches.noResults).toBe(plain.filter(({ outcome }) => outcome === "dead-end").length);
    const ids = new Set(searches.map(({ searchId }) => searchId));
    const orders = events.filter(({ kind, searchId }) => kind === "order" && ids.has(searchId));
    const pence = orders.reduce((sum, { value }) => sum + Math.round(Number(value) * 100), 0);
    expect(body.now.searches.revenue).toBe(pence);
    expect(pence).toBeGreaterThan(100_000);
    expect(body.before.period.until < from).toBe(true);
    const phones = await ask<DemandOverview>(server, "GET", `${SHOP}?days=7&device=phone`);
    expect(phones.body.now.searches.asked).toBe(plain.filter(({ device }) => device === "phone").length);
    const bots = await ask<DemandOverview>(server, "GET", `${SHOP}?bots=only`);
    expect(bots.body.now.searches.asked).toBe(0);
  });

  test("the searches of a period come in views and orders, page by page, and each has its own page", async () => {
    const { body } = await ask<Searches>(server, "GET", `${SHOP}/searches?limit=10`);
    expect(body.searches).toHaveLength(10);
    const asked = body.searches.map(({ now }) => now.asked);
    expect(asked).toEqual(asked.toSorted((a, b) => b - a));
    for (const row of body.searches) expect(row.line.reduce((sum, times) => sum + times, 0)).toBe(row.now.asked);
    const next = await ask<Searches>(server, "GET", `${SHOP}/searches?limit=10&offset=10`);
    expect(next.body.searches[0].now.asked).toBeLessThanOrEqual(asked[9]);
    const none = await ask<Searches>(server, "GET", `${SHOP}/searches?view=noResults&limit=200`);
    expect(none.body.total).toBeGreaterThan(5);
    for (const { now } of none.body.searches) expect(now.noResults * 2).toBeGreaterThanOrEqual(now.asked);
    const apart = await ask<Searches>(server, "GET", `${SHOP}/searches?apart=true`);
    expect(apart.body.total).toBeGreaterThan(body.total);
    expect(apart.body.all.asked).toBe(body.all.asked);
    const csv = await (await fetch(`${server.url}${SHOP}/searches.csv?view=noResults`)).text();
    const [head, first, ...rest] = csv.trim().split("\n");
    expect(head).toMatch(/^search,spellings,asked,asked_before,/);
    expect(first.split(",")[0]).toBe(none.body.searches[0].text);
    expect(rest.length + 1).toBe(none.body.total);
    const cheap = await ask<Searches>(server, "GET", `${SHOP}/searches?order=text&direction=asc&search=tulip`);
    const texts = cheap.body.searches.map(({ text }) => text);
    expect(texts).toEqual(texts.toSorted());
    const one = await ask<{ now: { searches: { asked: number } }; products: { clicked: number; expected: number }[] }>(
      server,
      "GET",
      `${SHOP}/search?text=${encodeURIComponent(body.searches[0].text)}`,
    );
    expect(one.body.now.searches.asked).toBe(asked[0]);
    const sum = (name: "clicked" | "expected") => one.body.products.reduce((all, product) => all + product[name], 0);
    expect(sum("expected")).toBeGreaterThan(0.9 * sum("clicked"));
    expect(sum("expected")).toBeLessThan(1.1 * sum("clicked"));
  });

  test("what shoppers do now is there when it is counted, each event once, and bots are apart", async () => {
    const before = await ask<DemandOverview>(server, "GET", SHOP);
    const search = { kind: "search", visit: "new", searchId: "n1", query: "quince trees", id: "e1", device: "tablet" };
    const order = { kind: "order", visit: "new", searchId: "n1", product: "P-00001", value: 12.5, id: "e2" };
    const bot = { kind: "search", visit: "machine", searchId: "b1", query: "everything", bot: true };
    for (let i = 0; i < 2; i++) {
      const told = await ask(server, "POST", "/api/stores/quillmoor/events", [search, order]);
      expect(told.status).toBe(202);
    }
    await ask(server, "POST", "/api/stores/quillmoor/events", bot);
    const crawler = { "user-agent": "ExampleBot/1.0 (+https://crawler.example)" };
    await ask(server, "POST", "/shop/quillmoor/events", { kind: "search", visit: "crawl", searchId: "b2", query: "all of it" }, crawler);
    expect((await ask(server, "POST", `${SHOP}/count`)).status).toBe(204);
    const after = await ask<DemandOverview>(server, "GET", SHOP);
    const asked = (overview: DemandOverview) => overview.now.searches.asked;
    expect(after.body.kept?.until).not.toBe(before.body.kept?.until);
    const today = after.body.now.days.at(-1);
    expect([today?.asked, today?.ordered, today?.revenue, today?.visits]).toEqual([1, 1, 1_250, 1]);
    expect(asked((await ask<DemandOverview>(server, "GET", `${SHOP}?bots=only`)).body)).toBe(2);
    expect(asked((await ask<DemandOverview>(server, "GET", `${SHOP}?bots=in`)).body)).toBe(asked(after.body) + 2);
  });

  test("the products of a period come in views, those that nobody saw among them", async () => {
    interface Products {
      total: number;
      all: { clicked: number; ordered: number };
      products: { id: string; title: string; now: { shown: number; clicked: number; ordered: number; revenue: number } }[];
    }
    const read = async (query: string) => (await ask<Products>(server, "GET", `${SHOP}/products?${query}`)).body;
    const { now } = (await ask<DemandOverview>(server, "GET", `${SHOP}?days=7`)).body;
    const best = await read("days=7&limit=1000");
    const revenue = best.products.map((product) => product.now.revenue);
    expect(revenue).toEqual(revenue.toSorted((a, b) => b - a));
    const inDays = events.filter(within(now.period.from, now.period.until));
    const clicks = inDays.filter(({ kind, product }) => kind === "click" && product === best.products[0].id);
    expect(best.products[0].now.clicked).toBe(clicks.length);
    expect(best.products[0].title).not.toBe("");
    const clicked = await read("days=7&view=clicked&limit=0");
    expect(clicked.all.clicked).toBe(inDays.filter(({ kind, product }) => kind === "click" && product).length);
    const unseen = await read("days=7&view=unshown&order=title&direction=asc&limit=5");
    expect(unseen.total).toBeGreaterThan(0);
    for (const product of unseen.products) expect(product.now.shown).toBe(0);
    const named = await read(`days=7&search=${encodeURIComponent(best.products[0].title.slice(0, 8))}`);
    expect(named.products.some(({ id }) => id === best.products[0].id)).toBe(true);
  });

  test("this week's work is ordered by what it may bring, and keeps what becomes of it", async () => {
    interface Entry {
      id: string;
      kind: string;
      orders: number;
      state: { state: string; person: string; by: string };
    }
    const read = async () => (await ask<{ items: Entry[] }>(server, "GET", `${SHOP}/work`)).body.items;
    const items = await read();
    const orders = items.map((item) => item.orders);
    expect(orders).toEqual(orders.toSorted((a, b) => b - a));
    expect(new Set(items.map(({ kind }) => kind)).size).toBeGreaterThan(2);
    const [first, second] = items;
    const put = (item: string, state: string, more: object = {}) =>
      ask(server, "PUT", `${SHOP}/work`, { item, state, until: null, person: "Perrin", note: "", ...more }, { "x-person": "Maud" });
    expect((await put(first.id, "taken")).status).toBe(204);
    await put(second.id, "later", { until: "2026-01-01" });
    const after = new Map((await read()).map(({ id, state }) => [id, state]));
    expect(after.get(first.id)).toMatchObject({ state: "taken", person: "Perrin", by: "Maud" });
    // Its day is over: it is to be done again.
    expect(after.get(second.id)?.state).toBe("open");
    expect((await put(first.id, "done")).status).toBe(422);
    expect((await put(first.id, "later", { until: "soon" })).status).toBe(422);
  });

  test("what cannot be asked for is said", async () => {
    const wrong = async (query: string) => {
      const { status, body } = await ask<{ detail: string }>(server, "GET", `${SHOP}${query}`);
      return [status, body.detail];
    };
    expect(await wrong("?from=2026-11-20&until=2026-11-01")).toEqual([422, expect.stringContaining("before it begins")]);
    expect(await wrong("?from=yesterday")).toEqual([422, expect.stringContaining("2026-03-28")]);
    expect(await wrong("?days=0")).toEqual([422, expect.stringContaining("from 1 to 800")]);
    expect(await wrong("/searches?view=best")).toEqual([422, expect.stringContaining("asked")]);
    expect(await wrong("/search?text=never%20searched%20by%20anybody")).toEqual([404, expect.stringContaining("never searched")]);
    const empty = await ask<DemandOverview>(server, "GET", "/api/stores/quillmoor-de/demand");
    expect([empty.status, empty.body.kept]).toEqual([200, null]);
  });
});
