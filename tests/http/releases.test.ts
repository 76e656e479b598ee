import { ask, patchDraft, startCorner, type TestServer } from "../support/server";

const store = "/api/stores/corner";

describe("who changed what", () => {
  let server: TestServer;
  beforeEach(async () => {
    server = await startCorner();
  });
  afterEach(() => server.stop());

  const revision = async () => (await ask<{ revision: number }>(server, "GET", `${store}/draft`)).body.revision;
  const patch = (few: number, person: string, headers: Record<string, string> = {}) =>
    patchDraft(server, [{ op: "replace", path: "/misspelling/few", value: few }], { "x-person": person, ...headers });
  const few = async () =>
    (await ask<{ settings: { misspelling: { few: number } } }>(server, "GET", `${store}/draft`)).body.settings.misspelling.few;

  test("a release of what somebody else changed since it was reviewed is refused with who and what; nothing goes live", async () => {
    const reviewed = { "if-match": `"${await revision()}"` };
    await patch(7, "Maud");
    const refused = await ask<{ detail: string; errors: { path: string }[] }>(server, "POST", `${store}/releases`, {}, reviewed);
    expect(refused).toMatchObject({
      status: 409,
      body: { detail: expect.stringMatching(/changed since it was reviewed, by Maud/), errors: [{ path: "/misspelling/few" }] },
    });
    expect((await ask<unknown[]>(server, "GET", `${store}/releases`)).body).toEqual([]);
    const again = { "if-match": `"${await revision()}"` };
    expect((await ask(server, "POST", `${store}/releases`, {}, again)).status).toBe(201);
    // Whoever does not say what was reviewed releases what there is.
    expect((await ask(server, "POST", `${store}/releases`, {})).status).toBe(201);
  });

  test("the shop goes back to a release, and the draft as well where that is said; one undo brings it here again", async () => {
    const restore = (query: string) => ask(server, "POST", `${store}/releases/1/restore${query}`);
    await ask(server, "POST", `${store}/releases`, { note: "Good" });
    await patch(7, "Maud");
    await ask(server, "POST", `${store}/releases`, { note: "Not so good" });
    expect((await restore("")).status).toBe(201);
    expect(await few()).toBe(7);
    expect((await restore("?draft=back")).status).toBe(201);
    expect(await few()).toBe(3);
    expect((await ask<{ patch: unknown[] }>(server, "GET", `${store}/draft/changes`)).body.patch).toEqual([]);
    await ask(server, "POST", `${store}/draft/undo`);
    expect(await few()).toBe(7);
    // Where the draft is as the release was already, there is nothing to set back.
    await ask(server, "POST", `${store}/draft/redo`);
    expect((await restore("?draft=back")).status).toBe(201);
    expect((await restore("?draft=maybe")).status).toBe(422);
  });

  test("an edit of a person who is called as imports are is undone like any other", async () => {
    await patch(7, "import");
    expect((await ask(server, "POST", `${store}/draft/undo`, undefined, { "x-person": "import" })).status).toBe(200);
    expect(await few()).toBe(3);
    const [, edit] = (await ask<{ by: string }[]>(server, "GET", `${store}/draft/history?limit=2`)).body;
    expect(edit.by).toBe("import (by hand)");
  });

  test("a store that is removed is kept and can be put back, with all that was decided and done in it", async () => {
    const stores = async () => (await ask<{ id: string }[]>(server, "GET", "/api/stores")).body.map(({ id }) => id);
    const kept = async () =>
      (await ask<{ id: string; name: string; removedAt: string; goneAt: string }[]>(server, "GET", "/api/removed-stores")).body;
    await patch(7, "Maud");
    await ask(server, "POST", `${store}/releases`, { note: "Good" });
    await ask(server, "POST", `${store}/events`, { visit: "v", kind: "search", query: "rose" });
    expect((await ask(server, "DELETE", store)).status).toBe(204);
    expect([await stores(), (await ask(server, "GET", `${store}/draft`)).status]).toEqual([[], 404]);
    expect((await ask(server, "POST", "/shop/corner/search", { query: "rose" })).status).toBe(404);
    const [one] = await kept();
    expect(one).toMatchObject({ id: "corner", name: "Corner shop" });
    expect(Date.parse(one.goneAt) - Date.parse(one.removedAt)).toBe(30 * 86_400_000);
    const again = { id: "corner", name: "Another", locale: "en", currency: "GBP" };
    expect((await ask<{ detail: string }>(server, "POST", "/api/stores", again)).body.detail).toMatch(
      /removed store “corner” is still kept/,
    );
    // It stays away, and stays kept, over a start.
    await server.end("SIGTERM");
    const { startServer } = await import("../support/server");
    server = await startServer({ data: server.data });
    expect([await stores(), (await kept()).length]).toEqual([[], 1]);
    expect((await ask(server, "POST", "/api/removed-stores/corner/restore")).status).toBe(201);
    expect([await stores(), await kept(), await few()]).toEqual([["corner"], [], 7]);
    expect((await ask<{ total: number }>(server, "POST", "/shop/corner/search", { query: "rose" })).body.total).toBe(2);
    expect((await ask<{ note: string }[]>(server, "GET", `${store}/releases`)).body[0].note).toBe("Good");
    expect((await ask<string>(server, "GET", `${store}/log/events.jsonl`)).body).toContain("rose");
    // Restored, it is none of those that may be let go; removed once more, it may.
    expect((await ask(server, "DELETE", "/api/removed-stores/corner")).status).toBe(404);
    expect((await ask(server, "POST", "/api/removed-stores/corner/restore")).status).toBe(404);
    await ask(server, "DELETE", store);
    expect((await ask(server, "DELETE", "/api/removed-stores/corner")).status).toBe(204);
    expect([await kept(), (await ask(server, "POST", "/api/stores", again)).status]).toEqual([[], 201]);
  });

  test.each(['""', '  ""  ', "W/"])("If-Match %j names no revision", async (header) => {
    expect((await patch(7, "Maud", { "if-match": header })).status).toBe(428);
    expect(await few()).toBe(3);
  });
});
