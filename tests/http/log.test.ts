import { statSync } from "node:fs";
import { join } from "node:path";
import Database from "better-sqlite3";
import { ask, importFeed, patchDraft, startCorner, startServer, type TestServer } from "../support/server";
import { until } from "../support/waits";

interface Summary {
  number: number;
  searches: number;
  visits: number;
  clicked: number;
  queries: number;
  keepDays: number;
}
interface Asked {
  total: number;
  queries: { text: string; asked: number; clicked: number; found: number; products: { id: string; clicks: number }[] }[];
}
interface Found {
  searchId: string;
  state: { log: number };
  query: { steps: { kind: string }[] };
  total: number;
  hits: { id: string }[];
}

const store = "/api/stores/corner";

describe("the search log", () => {
  let server: TestServer;
  beforeEach(async () => {
    server = await startCorner();
  });
  afterEach(() => server.stop());
  const count = async () => (await ask<Summary>(server, "POST", `${store}/log/snapshots`)).body;

  test("keeps what was shown beside what was asked, and counts clicks to their search", async () => {
    const found = (await ask<Found>(server, "POST", "/shop/corner/search", { query: "Rose" })).body;
    const events = [
      { visit: "v1", kind: "search", searchId: found.searchId, query: "Rose" },
      { visit: "v1", kind: "click", searchId: found.searchId, query: "Rose", product: found.hits[0].id, position: 1 },
      { visit: "v2", kind: "search", searchId: "unknown", query: "rose " },
    ];
    expect((await ask(server, "POST", `${store}/events`, events)).status).toBe(202);
    expect(await count()).toMatchObject({ number: 1, searches: 2, visits: 2, clicked: 1, queries: 1 });
    const { body } = await ask<Asked>(server, "GET", `${store}/log/queries`);
    expect(body.queries[0]).toMatchObject({ text: "rose", asked: 2, clicked: 1, products: [{ id: found.hits[0].id, clicks: 1 }] });
    // Answers say which count they come from.
    expect((await ask<Found>(server, "POST", `${store}/search`, { query: "rose" })).body.state.log).toBe(1);

    const table = await (await fetch(`${server.url}${store}/log/events.csv`)).text();
    const [head, first] = table.split("\n");
    expect(head).toBe(
      "at,visit,kind,searchId,query,product,position,searched,outcome,total,shown,rules,beside,id,value,currency,device,language,place,bot",
    );
    expect(first).toContain(found.hits[0].id);
  });

  test("what is written can be read by another shop, and a line that cannot is named", async () => {
    const lines = [
      {
        at: "2026-11-01T10:00:00Z",
        visit: "a",
        kind: "search",
        searchId: "s1",
        query: "aquarium",
        total: 0,
        outcome: "dead-end",
        shown: [],
      },
      {
        at: "2026-11-01T10:00:09Z",
        visit: "a",
        kind: "search",
        searchId: "s2",
        query: "pond",
        total: 1,
        outcome: "results",
        shown: ["A1"],
      },
      { at: "2026-11-01T10:00:20Z", visit: "a", kind: "click", searchId: "s2", product: "A1", position: 1 },
      { at: "2026-11-01T10:30:00Z", visit: "c", kind: "search", query: "=HYPERLINK(1)", total: 0, outcome: "dead-end", shown: [] },
      { at: "yesterday", visit: "b", kind: "search", query: "rose" },
      { at: "2026-11-01T11:00:00Z", visit: "b", kind: "dance" },
    ];
    const body = lines.map((line) => JSON.stringify(line)).join("\n");
    const read = await ask<{ added: number; problemCount: number; problems: { line: number; message: string }[] }>(
      server,
      "POST",
      `${store}/log/events?format=jsonl`,
      body,
    );
    expect(read.body).toMatchObject({ added: 4, problemCount: 2, problems: [{ line: 5 }, { line: 6 }] });
    const before = (await ask<Asked>(server, "GET", `${store}/log/queries`)).body;
    expect(before.queries.map(({ text, asked, found }) => [text, asked, found])).toEqual([
      ["aquarium", 1, 0],
      ["hyperlink 1", 1, 0],
      ["pond", 1, 1],
    ]);

    // In a spreadsheet it is a text, and read again it is what it was.
    const table = await (await fetch(`${server.url}${store}/log/events.csv`)).text();
    expect(table).toContain(",'=HYPERLINK(1),");
    await ask(server, "POST", "/api/stores", { name: "Other", locale: "en-GB", currency: "GBP" });
    const again = await ask<{ added: number }>(server, "POST", "/api/stores/other/log/events?format=csv", table);
    expect(again.body.added).toBe(4);
    expect((await ask<Asked>(server, "GET", "/api/stores/other/log/queries")).body).toEqual(before);
  });

  test("is kept for as long as is set, and survives a kill but for the last moment", async () => {
    const old = { at: "2020-01-01T00:00:00Z", visit: "a", kind: "search", query: "old" };
    await ask(server, "POST", `${store}/events`, [old, { visit: "b", kind: "search", query: "new" }]);
    expect((await ask<Summary>(server, "PATCH", `${store}/log`, { keepDays: 30 })).body.keepDays).toBe(30);
    expect((await ask(server, "PATCH", `${store}/log`, { keepDays: 0 })).status).toBe(422);
    expect((await count()).queries).toBe(1);
    await ask(server, "POST", `${store}/events`, { visit: "c", kind: "search", query: "newer" });
    // What is recorded is written within the second that the documents promise, not before the answer.
    const file = new Database(join(server.data, "clever-shelf.db"), { readonly: true });
    const isWritten = file.prepare("SELECT 1 FROM events WHERE query = 'newer'");
    await until(async () => isWritten.get() !== undefined, "the event in the database");
    file.close();
    await server.end("SIGKILL");
    const { data } = server;
    server = await startServer({ data });
    await count();
    expect((await ask<Asked>(server, "GET", `${store}/log/queries`)).body.queries.map(({ text }) => text).sort()).toEqual(["new", "newer"]);
  });

  test("a long journal is copied back into the database while the server goes on", async () => {
    const database = join(server.data, "clever-shelf.db");
    const before = statSync(database).size;
    const line = (number: number) =>
      JSON.stringify({ at: "2026-11-01T10:00:00Z", visit: `v${number}`, kind: "search", query: "rose ".repeat(40) });
    const body = Array.from({ length: 20_000 }, (_, number) => line(number)).join("\n");
    expect((await ask<{ added: number }>(server, "POST", `${store}/log/events?format=jsonl`, body)).body.added).toBe(20_000);
    await until(async () => statSync(database).size > before + 3_000_000, "the events in the database's own file");
    const table = await (await fetch(`${server.url}${store}/log/events.csv`)).text();
    expect(table.trimEnd().split("\n")).toHaveLength(20_001);
  });

  test("judgments are kept by search and product, and can be taken back", async () => {
    const judge = (query: string, product: string, verdict: string | null) =>
      ask<{ product: string; verdict: string; by: string }[]>(
        server,
        "PUT",
        `${store}/judgments`,
        { query, product, verdict },
        { "x-person": "Maud" },
      );
    await judge("Red Rose", "A1", "good");
    await judge("red rose", "", "bad");
    expect((await judge("red  rose", "A1", "bad")).body).toMatchObject([
      { product: "", verdict: "bad" },
      { product: "A1", verdict: "bad", by: "Maud" },
    ]);
    expect((await judge("red rose", "", null)).body).toHaveLength(1);
    expect((await ask<object[]>(server, "GET", `${store}/judgments?query=RED rose`)).body).toHaveLength(1);
  });
});

describe("a change tried on real searches", () => {
  let server: TestServer;
  beforeAll(async () => {
    server = await startCorner();
    const at = "2026-11-20T10:00:00Z";
    await ask(server, "POST", `${store}/events`, [
      ...["blossom", "blossom", "blossom red", "rose", "spade"].map((query, i) => ({ at, visit: `v${i}`, kind: "search", query })),
    ]);
    await ask(server, "POST", `${store}/log/snapshots`);
  });
  afterAll(() => server.stop());

  interface Trial {
    tried: number;
    asked: number;
    changedAsked: number;
    changed: { text: string; before: { total: number; outcome: string }; after: { total: number; outcome: string; titles: string[] } }[];
  }

  test("says which searches it changes and how, and changes nothing", async () => {
    const value = { does: "one-way", words: ["blossom"], to: ["rose"], on: true };
    const { body } = await ask<Trial>(server, "POST", `${store}/trial`, {
      patch: [{ op: "add", path: "/words/w", value }],
      words: ["blossoms"],
    });
    expect(body).toMatchObject({ tried: 2, asked: 3, changedAsked: 3 });
    expect(body.changed[0]).toMatchObject({ text: "blossom", before: { outcome: "dead-end" }, after: { outcome: "results" } });
    expect(body.changed[0].after.titles.length).toBeGreaterThan(0);
    const { body: draft } = await ask<{ settings: { words: object } }>(server, "GET", `${store}/draft`);
    expect(draft.settings.words).toEqual({});
    const wrong = await ask<{ detail: string }>(server, "POST", `${store}/trial`, {
      patch: [{ op: "add", path: "/words/w", value: { does: "dance" } }],
    });
    expect(wrong.status).toBe(422);
  });

  test("a boost's reach and the strength it needs are known before it is made", async () => {
    const reach = await ask<{ products: number; results: number; searches: number }>(server, "POST", `${store}/reach`, {
      products: ["A1"],
    });
    expect(reach.body.products).toBe(1);
    expect(reach.body.searches).toBeGreaterThan(0);
    const strength = await ask<{ search: { best: { id: string } } | null; frequent: object[] }>(server, "POST", `${store}/strength`, {
      products: ["A1"],
      query: "rose",
    });
    expect(strength.body.search?.best.id).toBe("A1");
    expect((await ask(server, "POST", `${store}/reach`, {})).status).toBe(422);
  });
});

describe("what fields did for shoppers", () => {
  let server: TestServer;
  beforeAll(async () => {
    server = await startCorner();
    const at = new Date(Date.now() - 3_600_000).toISOString();
    const { hits } = (await ask<Found>(server, "POST", `${store}/search`, { query: "rose" })).body;
    await ask(server, "POST", `${store}/events`, [
      { at, visit: "a", kind: "search", searchId: "s1", query: "rose" },
      { at, visit: "a", kind: "click", searchId: "s1", product: hits[0].id, position: 1 },
      { at, visit: "b", kind: "search", searchId: "s2", query: "rose" },
    ]);
    await ask(server, "POST", `${store}/log/snapshots`);
  });
  afterAll(() => server.stop());

  test("is counted over last week's searches, on the draft", async () => {
    interface Effects {
      asked: number;
      searches: number;
      fields: Record<string, { answered: number; alone: number; clicked: number }>;
    }
    const { body } = await ask<Effects>(server, "GET", `${store}/attributes/effects`);
    expect(body).toMatchObject({ asked: 2, searches: 2 });
    expect(Math.max(...Object.values(body.fields).map(({ answered }) => answered))).toBe(2);
    for (const { answered, alone } of Object.values(body.fields)) expect(alone).toBeLessThanOrEqual(answered);
  });

  test("a set-up is proposed in parts that the draft can take, and nothing is changed by asking", async () => {
    const draft = async () => (await ask<{ revision: number }>(server, "GET", `${store}/draft`)).body.revision;
    const before = await draft();
    const { status, body } = await ask<{ id: string; reason: string; operations: object[] }[]>(server, "GET", `${store}/setup`);
    expect(status).toBe(200);
    expect(await draft()).toBe(before);
    const trial = await ask(server, "POST", `${store}/trial`, { patch: body.flatMap(({ operations }) => operations) });
    expect(trial.status).toBe(200);
  });
});

describe("word rules as a table", () => {
  let server: TestServer;
  beforeAll(async () => {
    server = await startCorner();
    await importFeed(server, "corner", "id,title,botanical\n1,Aubergine Kite,Solanum\n", "format=csv&mode=merge");
  });
  afterAll(() => server.stop());

  test("come in with what cannot be read named, enter the draft as one edit, and go out the same", async () => {
    const table =
      'does,words,with,quality,as,on\nsame,aubergine; eggplant,,0.8,,yes\nalso,bloom,rose,,,\nmeans,a,b,,,\n"stand","gift","category: Tools",,prefer,no\n';
    const read = await ask<{ rules: Record<string, object>; problems: { line: number; message: string }[] }>(
      server,
      "POST",
      `${store}/words/read`,
      table,
    );
    expect(Object.values(read.body.rules)).toHaveLength(3);
    expect(read.body.problems).toMatchObject([{ line: 4 }]);
    const patch = Object.entries(read.body.rules).map(([id, value]) => ({ op: "add", path: `/words/${id}`, value }));
    const edited = await patchDraft(server, patch, { "x-person": "Perrin" });
    expect(edited.status).toBe(200);
    const out = await (await fetch(`${server.url}${store}/words/rules.csv`)).text();
    expect(out).toContain("synonym,aubergine; eggplant,,0.8,,yes");
    expect(out).toContain("intent,gift,category: Tools,,prefer,no");
    const again = await ask<{ rules: object; known: number }>(server, "POST", `${store}/words/read`, out);
    expect(again.body).toMatchObject({ rules: {}, known: 3 });
    const use = await ask<{ rules: Record<string, { by: string }> }>(server, "GET", `${store}/words/use`);
    expect(Object.values(use.body.rules).map(({ by }) => by)).toEqual(["Perrin", "Perrin", "Perrin"]);
  });

  test("a table without the columns is refused with what it needs", async () => {
    const wrong = await ask<{ detail: string }>(server, "POST", `${store}/words/read`, "word,synonym\na,b\n");
    expect(wrong.status).toBe(422);
    expect(wrong.body.detail).toContain("does and words");
  });
});
