import { mkdirSync, symlinkSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { ask, importFeed, patchDraft, startCorner, type TestServer } from "../support/server";

/** Names that every object has, or is made of. */
const NAMES = ["constructor", "__proto__", "toString", "hasOwnProperty", "valueOf"];
const store = "/api/stores/corner";

describe("things that are called as nobody would expect", () => {
  let server: TestServer;
  beforeAll(async () => {
    server = await startCorner();
  });
  afterAll(() => server.stop());

  const patch = (operations: object[]) => patchDraft(server, operations);
  const search = async (query: string, more: object = {}) =>
    (
      await ask<{ total: number; filters: { id: string; values?: { value: string }[] }[]; hits: { id: string }[] }>(
        server,
        "POST",
        `${store}/search`,
        { query, ...more },
      )
    ).body;

  test("a feed with columns, products, values and colours of such names is as any other", async () => {
    const head = ["id", "title", "category", "colour", ...NAMES].join(",");
    const line = (id: string) => [id, `Pot ${id}`, `Pots > ${id}`, id, ...NAMES].join(",");
    const job = await importFeed(
      server,
      "corner",
      `${head}\n${NAMES.map(line).join("\n")}\nA1,Red rose,Plants,Red,,,,,\n`,
      "format=csv&mode=merge",
    );
    expect([job.state, job.problemCount]).toEqual(["done", 0]);
    expect((await search("pot")).hits.map(({ id }) => id).sort()).toEqual([...NAMES].sort());
    for (const name of NAMES) {
      expect((await search(`pot ${name}`)).total).toBeGreaterThan(0);
      expect([name, (await ask(server, "GET", `${store}/products/${name}/sheet`)).status]).toEqual([name, 200]);
    }
    for (const path of [
      "fields",
      "fields/report",
      "filters/facts",
      "categories",
      "duplicates",
      "export/products.csv",
      "export/products.jsonl",
      "export/products.jsonld",
    ])
      expect([path, (await ask(server, "GET", `${store}/${path}`)).status]).toEqual([path, 200]);
  });

  test.each(NAMES)("rules called “%s” are rules, and what names it is told that it is not there", async (name) => {
    const made = [
      ["selections", { name: "S", condition: { field: name, is: name } }],
      ["words", { does: "synonym", words: [name, "rose"] }],
      ["hides", { name: "H", products: [name], places: ["searching"], on: false }],
      ["boosts", { name: "B", products: [name], factor: 2 }],
      ["filters", { from: [{ field: name }], label: { en: name }, display: "ticks", rank: "a" }],
      ["shelves", { name: "K", searches: [{ match: "is", text: name }], rank: "a", pins: { [name]: 1 }, add: [name] }],
      ["products", { set: { colour: name }, boost: 2 }],
    ] as const;
    // JSON has no trouble with such names; an object literal has.
    const operations = made.map(([part, value]) => ({ op: "add", path: `/${part}/${name}`, value }));
    const answered = await patch(JSON.parse(JSON.stringify(operations)));
    // A patch may not touch what objects are made of (RFC 6902 leaves it open); it says so and changes nothing.
    expect([200, 422]).toContain(answered.status);
    expect((await patch([{ op: "add", path: "/ranking/ties/t", value: { field: name, direction: "asc", rank: "a" } }])).status).toBe(200);
    expect((await search("rose")).total).toBeGreaterThan(0);
    expect((await search(name, { filters: { [name]: { any: [name] } }, explain: true })).total).toBeGreaterThanOrEqual(0);
    for (const path of [
      "shelves/overview",
      "shelves/conflicts",
      "words/use",
      "box/list",
      "page/facts",
      "ranking/stock",
      "attributes/effects",
      "draft/changes",
      "gone",
    ])
      expect([path, (await ask(server, "GET", `${store}/${path}`)).status]).toEqual([path, 200]);
    expect((await ask(server, "GET", `${store}/products/${name}x`)).status).toBe(404);
    expect((await ask(server, "POST", `${store}/suggest`, { query: name.slice(0, 4) })).status).toBe(200);
  });

  test("a folder called like a picture, and a link that leads out, are no files", async () => {
    const media = join(server.data, "media", "corner");
    mkdirSync(join(media, "folder.svg"), { recursive: true });
    writeFileSync(join(media, "rose.svg"), "<svg/>");
    symlinkSync(join(server.data, "clever-shelf.db"), join(media, "out.svg"));
    const status = async (file: string) => (await fetch(`${server.url}/media/corner/${file}`)).status;
    expect([await status("rose.svg"), await status("folder.svg"), await status("out.svg"), await status("none.svg")]).toEqual([
      200, 404, 404, 404,
    ]);
  });

  test.each(["", "<a><b>", "{", "[1,2", "\u0000\u0001", '{"__proto__":{"a":1}}'])(
    "pages from a file that is none are refused in words: %j",
    async (text) => {
      const { status, body } = await ask<{ detail: string }>(server, "POST", `${store}/pages/feed`, text || " ");
      expect([status, body.detail.length > 20]).toEqual([422, true]);
    },
  );
});
