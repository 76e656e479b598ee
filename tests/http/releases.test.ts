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

  test.each(['""', '  ""  ', "W/"])("If-Match %j names no revision", async (header) => {
    expect((await patch(7, "Maud", { "if-match": header })).status).toBe(428);
    expect(await few()).toBe(3);
  });
});
