import { ask, askRepair, patchDraft, startCorner, type TestServer } from "../support/server";

const store = "/api/stores/corner";

interface Suggested {
  moment: string;
  blocks: { id: string; kind: string; items: { text: string; fields?: Record<string, unknown>; own?: string }[] }[];
}
interface Repairs {
  cases: { text: string; repairs: { kind: string; entry: { part: string; value: object }; total: number; titles: string[] }[] }[];
}
interface Overview {
  searches: number;
  lostLive: number;
  lostDraft: number;
  cases: { text: string; cause: string; next: { text: string; times: number }[]; texts: object[] }[];
  aside: { text: string; reason: string; by: string; asked: number }[];
}

describe("the search box and searches without results over HTTP", () => {
  let server: TestServer;
  beforeEach(async () => {
    server = await startCorner();
  });
  afterEach(() => server.stop());

  const patch = (operations: object[]) => patchDraft(server, operations);
  const own = (text: string, part: object = {}) => ({ text, priority: 50, on: true, from: null, until: null, ...part });
  /** Visits that searched in vain for a word, the last of them perhaps for another, and then took what they meant. */
  const visits = async (last = "blossom") => {
    const at = (i: number, s: number) => new Date(Date.parse("2026-11-20T10:00:00Z") + i * 60_000 + s * 1000).toISOString();
    const events = Array.from({ length: 8 }, (_, i) => [
      { visit: `v${i}`, kind: "search", searchId: `a${i}`, query: i === 7 ? last : "blossom", at: at(i, 0), outcome: "dead-end", total: 0 },
      { visit: `v${i}`, kind: "search", searchId: `b${i}`, query: "rose", at: at(i, 20), outcome: "results", total: 2 },
      { visit: `v${i}`, kind: "click", searchId: `b${i}`, query: "rose", product: "A1", position: 1, at: at(i, 30) },
    ]).flat();
    const lines = events.map((event) => JSON.stringify(event)).join("\n");
    expect(
      (await ask(server, "POST", `${store}/log/events?format=jsonl`, lines, { "content-type": "application/x-ndjson" })).status,
    ).toBeLessThan(300);
    await ask(server, "POST", `${store}/log/snapshots`);
  };

  test("the own list: facts of each search, a table out and in, and bad rows named", async () => {
    await patch([
      { op: "add", path: "/box/list/a", value: own("red rose") },
      { op: "add", path: "/box/list/b", value: own("unicorn") },
    ]);
    const facts = (await ask<{ entries: Record<string, object> }>(server, "GET", `${store}/box/list`)).body.entries;
    expect(facts).toMatchObject({ a: { finds: expect.any(Number), shown: 0, taken: 0 }, b: { finds: 0 } });
    const table = await ask<string>(server, "GET", `${store}/box/list.csv`);
    expect(table.body).toContain("red rose,50,yes,,");
    const read = await ask<object>(server, "POST", `${store}/box/list/read`, "text,priority\nred rose,80\nmint,abc\nblue rose,\n", {
      "content-type": "text/csv",
    });
    expect(read.body).toMatchObject({
      entries: { a: { priority: 80 }, "blue-rose": { text: "blue rose" } },
      problems: [{ line: 3, message: "priority: A priority is a number." }],
    });
    const wrong = await ask<{ detail: string }>(server, "POST", `${store}/box/list/read`, "word\nrose\n", { "content-type": "text/csv" });
    expect([wrong.status, wrong.body.detail]).toEqual([422, expect.stringContaining("text")]);
  });

  test("a panel is refused where it could not be drawn, and what is meant is said", async () => {
    const bad = [
      [{ op: "replace", path: "/box/moments/focus/shares", value: [1, 1, 1, 1] }, "at most three columns"],
      [{ op: "add", path: "/box/moments/focus/blocks/x", value: { kind: "products", most: 99, rank: "a" } }, "at most 20 entries"],
      [{ op: "add", path: "/box/list/x", value: own("") }, "needs a text"],
      [{ op: "replace", path: "/deadEnd/least", value: 140 }, "At most 100 %"],
    ] as const;
    for (const [operation, said] of bad) {
      const { status, body } = await patch([operation]);
      expect([status, JSON.stringify(body)]).toEqual([422, expect.stringContaining(said)]);
    }
  });

  test("shoppers get only what they may see, and what of the own list they were shown and took is counted", async () => {
    await patch([{ op: "add", path: "/box/list/a", value: own("white rose") }]);
    await ask(server, "POST", `${store}/releases`, { note: "x" });
    const { body } = await ask<Suggested>(server, "POST", "/shop/corner/suggest", { query: "ro" });
    const fields = body.blocks.flatMap(({ items }) => items.flatMap((item) => Object.keys(item.fields ?? {})));
    expect(new Set(fields)).toEqual(new Set(["price", "stock"]));
    expect(body.blocks.find(({ kind }) => kind === "completions")?.items[0]).toMatchObject({ own: "a" });
    expect((await ask(server, "POST", "/shop/corner/taken", { own: "a" })).status).toBe(202);
    expect((await ask(server, "POST", "/shop/corner/taken", { own: "" })).status).toBe(422);
    expect((await ask(server, "POST", "/shop/corner/taken", { own: "made up" })).status).toBe(202);
    const { entries } = (await ask<{ entries: Record<string, object> }>(server, "GET", `${store}/box/list`)).body;
    expect(entries).toEqual({ a: expect.objectContaining({ shown: 1, taken: 1, lastAt: expect.any(String) }) });
  });

  test("searches that failed are gathered with what came next; a repair is proposed, and taken makes them fewer", async () => {
    await visits();
    const before = await askRepair<Overview>(server, store);
    expect(before.cases[0]).toMatchObject({ text: "blossom", cause: "nothing", next: [{ text: "rose", times: 8 }] });
    expect(before.lostDraft).toBe(before.lostLive);
    const { cases } = (await ask<Repairs>(server, "POST", `${store}/repair/proposals`, { texts: ["blossom", "never asked"] })).body;
    expect(cases[1].repairs).toEqual([]);
    const [{ repairs }] = cases;
    expect(repairs[0]).toMatchObject({ kind: "also", entry: { part: "words" } });
    expect(repairs[0].total).toBeGreaterThan(0);
    expect((await patch([{ op: "add", path: "/words/repair", value: repairs[0].entry.value }])).status).toBe(200);
    const after = await askRepair<Overview>(server, store);
    expect(after.lostDraft).toBe(0);
    expect(after.lostLive).toBe(8);
  });

  test("a search is ignored with a reason and by whom, and taken back", async () => {
    await visits();
    const put = await ask(
      server,
      "POST",
      `${store}/repair/aside`,
      { text: "blossom", reason: "not ours" },
      { "x-person": "Maud", "content-type": "application/json" },
    );
    expect(put.body).toMatchObject({ text: "blossom", by: "Maud" });
    const { cases, aside } = await askRepair<Overview>(server, store);
    expect([cases.length, aside[0]]).toEqual([0, expect.objectContaining({ reason: "not ours", asked: 8 })]);
    expect((await ask(server, "POST", `${store}/repair/aside`, { text: "x", reason: " " })).status).toBe(422);
    expect((await ask(server, "DELETE", `${store}/repair/aside/blossom`)).status).toBe(204);
    expect((await ask(server, "DELETE", `${store}/repair/aside/blossom`)).status).toBe(404);
  });

  test("a case stays ignored under any of its texts, whichever is the commonest", async () => {
    await visits("blosom");
    await ask(server, "POST", `${store}/repair/aside`, { text: "blosom", reason: "not ours" });
    const { cases, aside, lostLive } = await askRepair<Overview>(server, store);
    expect([cases, lostLive]).toEqual([[], 0]);
    expect(aside[0]).toMatchObject({ text: "blosom", asked: 8 });
  });

  test("what each way to take a search would do is told without taking it", async () => {
    await visits();
    const { body } = await ask<{ asked: number; effects: { strictness: string; finds: number }[] }>(server, "GET", `${store}/strictness`);
    expect(body).toMatchObject({ asked: 8, nothing: 8 });
    expect(body.effects.map(({ strictness }) => strictness)).toEqual(["every", "most", "half", "part", "always"]);
    expect((await ask<{ revision: number }>(server, "GET", `${store}/draft`)).body.revision).toBeGreaterThan(0);
  });
});
