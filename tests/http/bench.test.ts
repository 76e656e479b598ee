import { readdirSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { ask, CSV, importFeed, startCorner, startServer, type TestServer, waitForJob } from "../support/server";

const store = "/api/stores/corner";
const JSON_PATCH = "application/json-patch+json";

/** What the screens of the bench read: each answer is parsed by its schema as it comes, and says what the shop's data say. */
describe("what the bench reads", () => {
  let server: TestServer;
  beforeAll(async () => {
    server = await startCorner();
  });
  afterAll(() => server.stop());

  const read = async <T>(path: string) => {
    const { status, body } = await ask<T>(server, "GET", `${store}${path}`);
    expect(status).toBe(200);
    return body;
  };
  const edit = async (patch: object[]) => {
    const { headers } = await ask(server, "GET", `${store}/draft`);
    const etag = headers.get("etag") ?? "";
    return ask<{ revision: number }>(server, "PATCH", `${store}/draft`, patch, { "content-type": JSON_PATCH, "if-match": etag });
  };

  test("how the draft differs from what is live, and that nothing does once it is released", async () => {
    expect((await edit([{ op: "add", path: "/words/w", value: { does: "synonym", words: ["spade", "shovel"] } }])).status).toBe(200);
    const changes = await read<{ since: number | null; patch: { path: string }[]; canUndo: boolean }>("/draft/changes");
    expect(changes).toMatchObject({ patch: [{ op: "add", path: "/words/w" }], canUndo: true });
    expect((await ask(server, "POST", `${store}/releases`, { note: "Words for tools" })).status).toBe(201);
    expect(await read<object>("/draft/changes")).toMatchObject({ since: 1, patch: [], inverse: [] });
  });

  test("fields come with their distribution, and their values by how many products have them", async () => {
    const report = await read<{ key: string; bars: { label: string; count: number }[]; warnings: object[] }[]>("/fields/report");
    const colour = report.find(({ key }) => key === "colour");
    expect(colour?.bars).toEqual(
      expect.arrayContaining([
        { label: "Red", count: 1 },
        { label: "White", count: 1 },
      ]),
    );
    expect(await read("/fields/colour/values")).toEqual({
      total: 2,
      values: [
        { value: "Red", products: 1 },
        { value: "White", products: 1 },
      ],
    });
    expect(await read("/fields/colour/values?search=whi&limit=1")).toEqual({ total: 1, values: [{ value: "White", products: 1 }] });
    expect((await ask(server, "GET", `${store}/fields/colour/values?limit=many`)).status).toBe(422);
    expect((await ask(server, "GET", `${store}/fields/taste/values`)).status).toBe(404);
  });

  test("what filters do for the searches of the log, and what one would hold before it is made", async () => {
    const facts = await read<{ searches: number; proposals: { id: string }[] }>("/filters/facts");
    expect(facts.searches).toBe(0);
    const filter = { from: [{ field: "colour" }], label: {}, display: "ticks", rank: "a" };
    const look = await ask<{ filled: number; results: number; values: { value: string; count: number; here: number }[] }>(
      server,
      "POST",
      `${store}/filters/look`,
      { filter, query: "rose" },
    );
    expect(look.body).toMatchObject({ filled: 0.5, results: 2 });
    expect(look.body.values.map(({ value, count, here }) => [value, count, here])).toEqual([
      ["Red", 1, 1],
      ["White", 1, 1],
    ]);
    const wrong = await ask<{ errors: { path: string }[] }>(server, "POST", `${store}/filters/look`, { filter: { ...filter, from: [] } });
    expect(wrong.status).toBe(422);
    expect(wrong.body.errors[0].path).toBe("/filter/from");
  });

  test("how many products are sold out, to order or coming", async () => {
    expect(await read("/ranking/stock")).toMatchObject({ soldOut: 1, toOrder: 0, coming: 0 });
  });

  test("words and groups that are proposed", async () => {
    expect(Array.isArray(await read<object[]>("/words/proposals"))).toBe(true);
    const groups = await read<{ key: string }[]>("/groups/proposals");
    expect(groups.every(({ key }) => typeof key === "string")).toBe(true);
  });

  test("a search as it would be with a change is another, and the draft stays as it is", async () => {
    const request = { query: "trowel" };
    const rule = { does: "one-way", words: ["trowel"], to: ["spade"] };
    const trial = { patch: [{ op: "add", path: "/words/t", value: rule }], request };
    const { body, status } = await ask<{ total: number; outcome: string }>(server, "POST", `${store}/trial/search`, trial);
    expect([status, body.outcome, body.total]).toEqual([200, "results", 1]);
    const { body: draft } = await ask<{ outcome: string; total: number }>(server, "POST", `${store}/search`, request);
    expect([draft.outcome, draft.total]).toEqual(["dead-end", 0]);
    const wrong = { patch: [{ op: "add", path: "/words/t", value: { ...rule, to: [] } }], request };
    expect((await ask(server, "POST", `${store}/trial/search`, wrong)).status).toBe(422);
  });

  test("recommendations made by hand go out as a table and come back; what cannot be read is named by its line", async () => {
    await edit([{ op: "add", path: "/related/A1", value: { goesWith: ["A3"], insteadOf: ["A2"], automatic: false } }]);
    const table = (await ask<string>(server, "GET", `${store}/recommendations/lists.csv`)).body as unknown as string;
    const [head, row] = table.trim().split("\n");
    expect(head.split(",")).toHaveLength(4);
    expect(row).toContain("A1");
    const again = await ask<{ lists: object; problems: object[] }>(server, "POST", `${store}/recommendations/read`, table);
    expect(again.body).toEqual({ lists: { A1: { goesWith: ["A3"], insteadOf: ["A2"], automatic: false } }, problems: [] });
    const odd = await ask<{ lists: object; problems: { line: number; message: string }[] }>(
      server,
      "POST",
      `${store}/recommendations/read`,
      `${head}\nA2,A3; Z9,,yes\nZ8,A1,,\n,A1,,\n`,
    );
    expect(odd.body.lists).toEqual({ A2: { goesWith: ["A3"], insteadOf: [], automatic: true } });
    expect(odd.body.problems.map(({ line }) => line)).toEqual([2, 3, 4]);
  });

  test("cards and badges are counted, guides are read by shoppers", async () => {
    const facts = await read<{ cards: Record<string, { products: number }> }>("/page/facts");
    expect(Object.values(facts.cards).reduce((sum, { products }) => sum + products, 0)).toBe(4);
    const page = { id: "pruning", title: "Pruning roses", text: "Cut above an outward bud.", link: "" };
    expect((await ask(server, "POST", `${store}/pages`, page)).status).toBeLessThan(300);
    const { status, body } = await ask(server, "GET", "/shop/corner/pages/pruning/data.json");
    expect([status, body]).toMatchObject([200, { id: "pruning", title: "Pruning roses" }]);
    expect((await ask(server, "GET", "/shop/corner/pages/none/data.json")).status).toBe(404);
  });

  test("a draft of the time before kinds of word rules were renamed is taken, tested and given by its present names", async () => {
    const added = await edit([
      { op: "add", path: "/words/old", value: { does: "read", words: ["shade"], to: ["spade"] } },
      { op: "test", path: "/words/old/does", value: "read" },
    ]);
    expect(added.status).toBe(200);
    const { settings } = await read<{ settings: { words: Record<string, { does: string }> } }>("/draft");
    expect(settings.words.old.does).toBe("rewrite");
    const edits = await read<{ patch: { path: string; value: { does: string } }[] }[]>("/draft/history?limit=1");
    expect(edits[0].patch[0].value.does).toBe("rewrite");
    expect((await ask(server, "POST", `${store}/draft/undo`)).status).toBe(200);
    expect(await read<object>("/draft")).not.toHaveProperty("settings.words.old");
  });

  test("an import while another of the same store runs is refused, and the first one is whole", async () => {
    const names = ["Trug", "Dibber"];
    const feed = (name: string) =>
      `id,title,price\n${Array.from({ length: 300 }, (_, i) => `${name}${i},${name} ${i},${i + 1}`).join("\n")}\n`;
    const sent = await Promise.all(
      names.map((name) => ask<{ job: string }>(server, "POST", `${store}/feed?format=csv&mode=merge`, feed(name))),
    );
    expect(sent.map(({ status }) => status).sort()).toEqual([202, 409]);
    const taken = sent.findIndex(({ status }) => status === 202);
    expect((await waitForJob(server, sent[taken].body.job)).state).toBe("done");
    const totalOf = async (query: string) => (await ask<{ total: number }>(server, "POST", `${store}/search`, { query })).body.total;
    expect(await totalOf(names[taken])).toBe(300);
    expect(await totalOf("rose")).toBe(2);
  });
});

describe("a server that starts", () => {
  let again: TestServer | null = null;
  afterAll(() => again?.stop());

  test("serves the other stores when one's catalogue is damaged, and keeps what was decided for it", async () => {
    const first = await startCorner();
    await ask(first, "POST", "/api/stores", { id: "other", name: "Other shop", locale: "en", currency: "GBP" });
    await importFeed(first, "other", CSV, "format=csv");
    const { headers } = await ask(first, "GET", `${store}/draft`);
    const rule = [{ op: "add", path: "/words/w", value: { does: "synonym", words: ["spade", "shovel"] } }];
    const sent = { "content-type": JSON_PATCH, "if-match": headers.get("etag") ?? "" };
    expect((await ask(first, "PATCH", `${store}/draft`, rule, sent)).status).toBe(200);
    await first.end("SIGTERM");
    const folder = join(first.data, "stores", "corner");
    for (const file of readdirSync(folder)) if (file.startsWith("catalogue-")) writeFileSync(join(folder, file), "no database");

    again = await startServer({ data: first.data });
    const { url } = again;
    const totalIn = async (id: string) =>
      (await ask<{ total: number }>({ url }, "POST", `/api/stores/${id}/search`, { query: "spade" })).body.total;
    expect(await totalIn("other")).toBe(1);
    expect(await totalIn("corner")).toBe(0);
    const { body } = await ask<{ settings: { words: object } }>(again, "GET", `${store}/draft`);
    expect(Object.keys(body.settings.words)).toEqual(["w"]);
    // Its feed brings it back.
    expect((await importFeed(again, "corner", CSV, "format=csv")).state).toBe("done");
    expect(await totalIn("corner")).toBe(1);
  });
});
