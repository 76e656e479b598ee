import { ask, patchDraft, startServer, type TestServer } from "../support/server";
import { until } from "../support/waits";

interface UnderWay {
  name: string;
  done: number;
  of: number;
}

const REPORT = "/api/stores/quillmoor/setup";

/** Answers that take their time in the demo shop: how far they are, and what becomes of them when whoever asked leaves. */
describe("what takes its time", () => {
  let server: TestServer;
  beforeAll(async () => {
    server = await startServer({ demo: true });
  });
  afterAll(() => server.stop());

  const underWay = async () => {
    const all = (await ask<UnderWay[]>(server, "GET", "/api/stores/quillmoor/under-way")).body;
    return all.find(({ name }) => name === "GET /api/stores/{store}/setup");
  };

  test("ends when who asked for it leaves, and is done whole for who asks again and stays", async () => {
    const leaving = new AbortController();
    const left = fetch(server.url + REPORT, { signal: leaving.signal });
    await until(async () => (await underWay()) !== undefined, "it is known how far it is");
    const { done = 0, of = 0 } = (await underWay()) ?? {};
    expect(of).toBeGreaterThanOrEqual(done);
    const stays = fetch(server.url + REPORT);
    leaving.abort();
    await expect(left).rejects.toThrow("abort");
    // Who asked second joined the work; with them it comes to its end.
    expect((await stays).status).toBe(200);
    expect(await underWay()).toBeUndefined();

    expect((await patchDraft(server, [{ op: "replace", path: "/misspelling/few", value: 7 }], {}, "quillmoor")).status).toBe(200);
    const again = new AbortController();
    const gone = fetch(server.url + REPORT, { signal: again.signal });
    await until(async () => (await underWay()) !== undefined, "it is worked out for the new state");
    again.abort();
    await expect(gone).rejects.toThrow("abort");
    await until(async () => (await underWay()) === undefined, "it is worked on no longer");
  });
});
