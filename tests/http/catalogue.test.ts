import { gzipSync } from "node:zlib";
import { ask, CSV, importFeed, patchDraft, startCorner, type TestServer, waitForJob } from "../support/server";

interface Found {
  total: number;
  hits: { id: string; position: number; variant: string; fields: Record<string, unknown> }[];
  filters: { id: string }[];
  ignored: string[];
  pages: { total: number };
}
interface Sheet {
  feed: { values: Record<string, unknown> };
  product: { values: Record<string, unknown> };
  byHand: object | null;
  rules: { name: string }[];
  meant: { search: string; position: number | null; reason: string | null }[];
}

describe("the catalogue", () => {
  let server: TestServer;
  beforeEach(async () => {
    server = await startCorner();
  });
  afterEach(() => server.stop());

  const store = "/api/stores/corner";
  const search = async (query: string, more: object = {}) => (await ask<Found>(server, "POST", `${store}/search`, { query, ...more })).body;
  const bulk = (which: object, change: object, dry = false) =>
    ask<{ products: number; changed: number; revision: number }>(server, "POST", `${store}/products/bulk`, { which, change, dry });
  const sheet = async (id: string) => (await ask<Sheet>(server, "GET", `${store}/products/${id}/sheet`)).body;
  const patch = (operations: object[]) => patchDraft(server, operations);

  describe("values set by hand", () => {
    test("win over the feed's, survive an import, go live with a release, and can be dropped", async () => {
      expect((await bulk({ ids: ["A1"] }, { set: { colour: "Speckled" } })).body).toMatchObject({ products: 1, changed: 1 });
      expect((await search("speckled")).hits[0]?.id).toBe("A1");
      expect((await search("speckled", { source: "live" })).total).toBe(0);
      expect(await sheet("A1")).toMatchObject({ feed: { values: { colour: "Red" } }, product: { values: { colour: "Speckled" } } });

      await importFeed(server, "corner", CSV.replace("5.5,3,Red", "6,3,Rust"), "format=csv");
      expect((await search("speckled")).hits[0]).toMatchObject({ id: "A1", fields: { colour: "Speckled", price: 6 } });
      expect((await sheet("A1")).feed.values.colour).toBe("Rust");

      await ask(server, "POST", `${store}/releases`, { note: "speckled" });
      expect((await search("speckled", { source: "live" })).hits[0]?.id).toBe("A1");
      await bulk({ ids: ["A1"] }, { dropFields: ["colour"] });
      expect((await search("speckled")).total).toBe(0);
      expect((await search("speckled", { source: "live" })).total).toBe(1);
    });

    test("many change in one step, counted before, and one undo takes all of it back", async () => {
      const roses = { search: "rose", condition: null, except: ["A2"] };
      expect((await bulk(roses, { addTags: ["thorny"] }, true)).body).toMatchObject({ products: 1, changed: 1 });
      expect((await search("thorny")).total).toBe(0);
      const all = { search: "", condition: { field: "category", is: "Tools" } };
      await bulk(all, { addTags: ["iron", "handmade"], boost: 2 });
      expect((await search("handmade")).total).toBe(2);
      expect((await bulk(all, { addTags: ["iron"] }, true)).body.changed).toBe(0);
      await ask(server, "POST", `${store}/draft/undo`);
      expect((await search("handmade")).total).toBe(0);
      await ask(server, "POST", `${store}/draft/redo`);
      await bulk(all, { removeTags: ["iron"] });
      expect((await search("iron")).total).toBe(0);
      expect((await search("handmade")).total).toBe(2);
    });

    test("hiding many makes one rule that names them", async () => {
      await bulk({ ids: ["A1", "A3"] }, { hide: true });
      expect((await search("rose")).hits.map((hit) => hit.id)).toEqual(["A2"]);
      expect((await sheet("A1")).rules.map((rule) => rule.name)).toEqual(["Hidden by hand"]);
    });

    test("what is no value of the field is refused, and nothing changes", async () => {
      expect((await bulk({ ids: ["A1"] }, { set: { price: "cheap" } })).status).toBe(422);
      expect((await bulk({ ids: ["A1"] }, { set: { shape: "round" } })).status).toBe(422);
      expect((await bulk({ ids: ["A1"] }, { boost: 5000 })).status).toBe(422);
      expect((await sheet("A1")).byHand).toBeNull();
    });
  });

  test("a table of products: searched, narrowed, ordered, hidden and sold-out ones too", async () => {
    const table = async (query: object) =>
      (await ask<{ total: number; rows: { id: string }[] }>(server, "POST", `${store}/products/table`, query)).body;
    const ids = async (query: object) => (await table(query)).rows.map((row) => row.id);
    expect(await ids({})).toEqual(["A1", "A2", "A3", "A4"]);
    expect(await ids({ sort: "price", direction: "desc" })).toEqual(["A3", "A4", "A2", "A1"]);
    expect(await ids({ sort: "colour" })).toEqual(["A1", "A2", "A3", "A4"]);
    expect(await ids({ condition: { field: "price", between: [7, 19] } })).toEqual(["A2", "A4"]);
    await bulk({ ids: ["A2"] }, { hide: true });
    expect((await table({ search: "rose" })).total).toBe(2);
    expect(await table({ limit: 1, offset: 3 })).toMatchObject({ total: 4, rows: [{ id: "A4" }] });
  });

  test("a product says for which searches it is meant, and which of them miss it", async () => {
    await patch([
      {
        op: "add",
        path: "/shelves/k",
        value: {
          name: "Roses",
          searches: [{ match: "is", text: "rose" }],
          categories: [],
          on: true,
          rank: "a",
          pins: { A3: 1 },
          add: ["A4"],
        },
      },
      { op: "add", path: "/hides/h", value: { name: "No forks", products: ["A4"], places: ["searching"], on: true } },
    ]);
    expect((await sheet("A3")).meant).toEqual([{ search: "rose", shelf: "Roses", shelfId: "k", pin: 1, position: 1, reason: null }]);
    expect((await sheet("A4")).meant).toEqual([
      { search: "rose", shelf: "Roses", shelfId: "k", pin: null, position: null, reason: "hidden" },
    ]);
  });

  describe("options", () => {
    const LINES =
      "sku,title,size,price,category\nGL-104-S,Garden glove,S,4,Wear\nGL-104-M,Garden glove,M,5,Wear\nGL-104-L,Garden glove,L,6,Wear\nH-9,Hat,,9,Wear\n";

    test("are proposed with samples, joined when somebody says so, and stay joined in the next import", async () => {
      const first = await importFeed(server, "corner", LINES, "format=csv&mode=merge");
      expect(first.result).toMatchObject({
        products: 8,
        groupings: [
          { way: "title", groups: 1, products: 3 },
          { way: "number", groups: 1, products: 3 },
        ],
      });
      const again = await ask<{ job: string }>(server, "POST", `${store}/feed/again`, { mode: "merge", options: ["title"] });
      expect((await waitForJob(server, again.body.job)).state).toBe("done");
      await importFeed(server, "corner", LINES.replace(",5,", ",5.5,"), "format=csv&mode=merge");
      const found = await search("garden glove m");
      expect(found.hits[0]).toMatchObject({ variant: "GL-104-M", fields: { price: 5.5 } });
    });

    test("a group that somebody refused is two products in every import", async () => {
      await importFeed(server, "corner", LINES, "format=csv&mode=merge");
      const { body } = await ask<{ groupings: { samples: { key: string }[] }[] }>(server, "GET", `${store}/jobs`);
      const keys = (body as unknown as { result: { groupings: { samples: { key: string }[] }[] } }[])[0].result.groupings.flatMap((way) =>
        way.samples.map((sample) => sample.key),
      );
      await ask(server, "PATCH", `${store}/feed/memory`, { apart: keys });
      const job = await importFeed(server, "corner", LINES, "format=csv&mode=merge&options=title,number");
      expect(job.result).toMatchObject({ products: 8, groupings: [] });
    });
  });

  test("duplicates are listed with what differs, merged or kept apart, and every import remembers", async () => {
    const feed = `${CSV}B1,Spade,Tools,22,1,\nB2,Fork,Tools,18,9,\n`;
    await importFeed(server, "corner", feed, "format=csv");
    const duplicates = async () =>
      (
        await ask<{ title: string; products: { id: string }[]; differ: { key: string; values: string[] }[] }[]>(
          server,
          "GET",
          `${store}/duplicates`,
        )
      ).body;
    expect((await duplicates()).map((group) => [group.title, group.products.map(({ id }) => id)])).toEqual([
      ["Spade", ["A3", "B1"]],
      ["Fork", ["A4", "B2"]],
    ]);
    expect((await duplicates())[0].differ).toContainEqual({ key: "price", label: "Price", role: "price", values: ["20", "22"] });
    await ask(server, "POST", `${store}/duplicates`, { ids: ["A3", "B1"], as: "options" });
    await ask(server, "POST", `${store}/duplicates`, { ids: ["A4", "B2"], as: "apart" });
    expect(await duplicates()).toEqual([]);
    expect((await search("spade")).total).toBe(1);
    await importFeed(server, "corner", feed, "format=csv");
    expect((await search("spade")).total).toBe(1);
    expect((await search("fork")).total).toBe(2);
    expect(await duplicates()).toEqual([]);
  });

  test("what is exported can be imported and changes nothing", async () => {
    await importFeed(
      server,
      "corner",
      '{"id":"L1","title":"Lavender, \\"true\\"","category":[["Plants","Herbs"],["Gifts"]],"tags":["a|b","c;d"],"price":6,"options":[{"id":"L1-a","pot":"9 cm","price":6},{"id":"L1-b","pot":"2 litre","price":11}]}\n',
      "format=jsonl&mode=merge",
    );
    for (const format of ["csv", "jsonl", "jsonld"]) {
      const file = await ask<string | object>(server, "GET", `${store}/export/products.${format}?all=true`);
      expect(file.status).toBe(200);
      const text = typeof file.body === "string" ? file.body : JSON.stringify(file.body);
      const job = await importFeed(server, "corner", text, `format=${format}&dry=true`);
      expect(job).toMatchObject({ state: "done", result: { added: 0, changed: 0, removed: 0, products: 5 } });
    }
    expect((await ask(server, "GET", `${store}/export/fields.csv`)).body).toContain("title,Title,text,title");
    expect((await ask(server, "GET", `${store}/export/products.doc`)).status).toBe(404);
  });

  test("a filter is called as its field is, what was chosen in it stays when that is renamed, until somebody names the filter", async () => {
    const shop = async () =>
      (
        await ask<{ filters: { id: string; label: string; values: { value: string; selected: boolean }[] }[] }>(
          server,
          "POST",
          `${store}/search`,
          { query: "rose", filters: { colour: { any: ["Red"] } } },
        )
      ).body.filters.find(({ id }) => id === "colour");
    expect((await shop())?.label).toBe("Colour");
    await ask(server, "PATCH", `${store}/fields/colour`, { label: "Tone" });
    await importFeed(server, "corner", CSV, "format=csv");
    expect(await shop()).toMatchObject({
      label: "Tone",
      values: expect.arrayContaining([expect.objectContaining({ value: "Red", selected: true })]),
    });
    await patchDraft(server, [{ op: "replace", path: "/filters/colour/label", value: { en: "Which colour" } }]);
    await ask(server, "PATCH", `${store}/fields/colour`, { label: "Shade" });
    expect((await shop())?.label).toBe("Which colour");
  });

  test("what shoppers may not see they can neither get nor filter by, from the moment it is said", async () => {
    const shop = (body: object) => ask<Found>(server, "POST", "/shop/corner/search", body);
    expect((await shop({ query: "rose" })).body.hits[0].fields).toHaveProperty("colour");
    expect((await ask(server, "PATCH", `${store}/fields/colour`, { shown: false, label: "Tone" })).body).toMatchObject({
      shown: false,
      label: "Tone",
    });
    const { body } = await shop({ query: "rose", filters: { colour: { any: ["Red"] } } });
    expect(body.hits[0].fields).not.toHaveProperty("colour");
    expect(body).toMatchObject({ total: 2, ignored: ["colour"] });
    expect(body.filters.map((filter) => filter.id)).not.toContain("colour");
    const texts = ["/shop/corner/products/A1/data.json", "/shop/corner/front.json", "/shop/corner/related/A1"];
    for (const path of texts) expect(JSON.stringify((await ask(server, "GET", path)).body)).not.toMatch(/"colour"|Tone/);
    // The next import does not show it again.
    await importFeed(server, "corner", CSV, "format=csv");
    expect((await shop({ query: "rose" })).body.hits[0].fields).not.toHaveProperty("colour");
  });

  test("a feed's own boost, hidden flag and stock state act on one scale", async () => {
    const lines = [
      "id,title,priority,visible,availability",
      "R1,Rake one,0,yes,in stock",
      "R2,Rake two,10,yes,https://schema.org/InStock",
      "R3,Rake three,5,no,in stock",
      "R4,Rake four,0,yes,sold out",
    ];
    await importFeed(server, "corner", lines.join("\n"), "format=csv");
    const job = (await ask<{ id: string; state: string }[]>(server, "GET", `${store}/jobs`)).body[0];
    if (job.state === "waiting") await ask(server, "POST", `/api/jobs/${job.id}/confirm`);
    await waitForJob(server, job.id);
    const { hits } = await search("rake");
    expect(hits.map((hit) => hit.id)).toEqual(["R2", "R1", "R4"]);
    const why = (
      await ask<{ why: Record<string, { reason: string; rule?: string }> }>(server, "POST", `${store}/search`, {
        query: "rake",
        why: ["R3"],
      })
    ).body.why;
    expect(why.R3).toEqual({ reason: "hidden", rule: "feed" });
  });

  test("pages come from a feed, are found beside products, and can be left out of search", async () => {
    const rss =
      "<rss><channel><item><guid>prune</guid><title>When to prune a rose</title><description>&lt;p&gt;In March.&lt;/p&gt;</description><link>/guides/prune</link></item></channel></rss>";
    expect((await ask(server, "POST", `${store}/pages/feed`, rss)).body).toEqual({ pages: 1 });
    expect((await ask(server, "GET", `${store}/pages`)).body).toEqual([
      { id: "prune", title: "When to prune a rose", text: "In March.", link: "/guides/prune", picture: null },
    ]);
    expect((await search("prune")).pages.total).toBe(1);
    await patch([{ op: "add", path: "/pages/prune", value: { searchable: false } }]);
    expect((await search("prune")).pages.total).toBe(0);
    expect((await ask(server, "DELETE", `${store}/pages/prune`)).status).toBe(204);
    expect((await ask(server, "DELETE", `${store}/pages/prune`)).status).toBe(404);
  });

  test("rules of products that a feed no longer has stay, and say so until the products come back", async () => {
    await bulk({ ids: ["A4"] }, { set: { title: "Border fork" } });
    await bulk({ ids: ["A4", "A3"] }, { hide: true });
    await importFeed(server, "corner", CSV.replace(/A4.*\n/, ""), "format=csv");
    const gone = async () => (await ask(server, "GET", `${store}/gone`)).body;
    expect(await gone()).toEqual([{ id: "A4", uses: ["Values set by hand", "Hidden “Hidden by hand”"] }]);
    await importFeed(server, "corner", CSV, "format=csv");
    expect(await gone()).toEqual([]);
    expect((await sheet("A4")).product.values.title).toBe("Border fork");
  });

  test("selections say how many products they name and where they are used", async () => {
    await patch([
      { op: "add", path: "/selections/s", value: { name: "Tools", condition: { field: "category", is: "Tools" } } },
      { op: "add", path: "/boosts/b", value: { name: "Push", condition: { selection: "s" }, factor: 2, on: true } },
    ]);
    expect((await ask(server, "GET", `${store}/selections`)).body).toEqual([
      { id: "s", name: "Tools", products: 2, uses: ["Boost “Push”"] },
    ]);
    expect((await ask(server, "POST", `${store}/conditions/count`, { condition: { not: { selection: "s" } } })).body).toEqual({
      products: 2,
      samples: ["A1", "A2"],
    });
  });

  test("a bare number is searched in its sentence form, and only there", async () => {
    await importFeed(server, "corner", "id,title,pot\nP1,Mint,9\nP2,Sage,12\n", "format=csv&mode=merge");
    expect((await search("9")).total).toBe(0);
    await patch([{ op: "add", path: "/sentences/pot", value: "{value} cm pot" }]);
    expect((await search("mint 9 cm pot")).hits.map((hit) => hit.id)).toEqual(["P1"]);
    expect((await search("12 cm")).hits.map((hit) => hit.id)).toEqual(["P2"]);
    expect((await search("120 mm")).hits.map((hit) => hit.id)).toEqual(["P2"]);
    expect((await search("9")).total).toBe(0);
  });

  describe("the next import", () => {
    test("reads columns as they were read before, until somebody says otherwise", async () => {
      const feed = "nr;what;tone;price\nX1;Big pot;Blue;3,50\nX2;Small pot;Red;2,00\n";
      const map = encodeURIComponent(JSON.stringify({ what: "title", tone: { label: "Shade", type: "keyword", shown: false } }));
      await importFeed(server, "corner", feed, `format=csv&mode=merge&map=${map}`);
      const job = await importFeed(server, "corner", feed.replace("3,50", "4,50"), "format=csv&mode=merge");
      const { mapping } = job.result as { mapping: Record<string, { role: string; label: string; shown: boolean; reason: string }> };
      expect(mapping.tone).toMatchObject({ label: "Shade", shown: false, reason: expect.stringContaining("remembered") });
      expect((await ask<{ values: object }>(server, "GET", `${store}/products/X1`)).body.values).toMatchObject({ price: 4.5 });
    });

    test("can be a packed file of a format that is told from what it holds", async () => {
      const rows = Array.from({ length: 30 }, (_, i) => `{"sku":"Z${i}","name":"Trowel number ${i}","offers":{"price":${i + 1}}}`);
      const job = await importFeed(server, "corner", gzipSync(rows.join("\n")), "mode=merge");
      expect(job).toMatchObject({ state: "done", result: { format: "jsonl", added: 30 } });
      expect((await search("trowel 7")).hits[0]).toMatchObject({ id: "Z7" });
    });

    test("says what is wrong by line and column, as a list to take away", async () => {
      const job = await importFeed(
        server,
        "corner",
        'id,title,price,sku\nE1,"Ivy, green",2,77\nE2,Oak,two,77\n,Elm,3,78\nE3,Ash,4,79\nE4,Yew,5,80\nE5,Bay,6,81\n',
        "format=csv&mode=merge",
      );
      expect(job.result).toMatchObject({ kinds: { "no-id": 1, "number-twice": 1, "not-a-number": 1 } });
      const { body, headers } = await ask<string>(server, "GET", `/api/jobs/${job.id}/problems.csv`);
      expect(headers.get("content-disposition")).toContain("problems.csv");
      const lines = (await ask<string>(server, "GET", `/api/jobs/${job.id}/problems.jsonl`)).body.trim().split("\n");
      expect(JSON.parse(lines[1])).toMatchObject({ line: 4, column: "id", kind: "no-id" });
      expect(body.split("\n").slice(0, 3)).toEqual([
        "line,column,kind,message,done",
        "3,price,not-a-number,“two” is not a number.,left empty",
        "4,id,no-id,The line has no id.,line skipped",
      ]);
    });

    test("stops at more bad lines than the shop allows, and leaves the catalogue as it was", async () => {
      const feed = '{"id":"Q1","title":"One"}\n{oops\n{"id":"Q2","title":"Two"}\n{"id":"Q3","title":"Three"}\n';
      await ask(server, "PATCH", `${store}/feed/memory`, { mostBad: 0.1 });
      const job = await importFeed(server, "corner", feed, "format=jsonl&mode=merge");
      expect(job).toMatchObject({ state: "failed", message: expect.stringContaining("10 %") });
      expect((await search("rose")).total).toBe(2);
      await ask(server, "PATCH", `${store}/feed/memory`, { mostBad: 0.5 });
      expect((await importFeed(server, "corner", feed, "format=jsonl&mode=merge")).state).toBe("done");
    });

    test("can be looked at first and then brought in with another reading of its columns", async () => {
      const look = await importFeed(
        server,
        "corner",
        "id,title,kind\nN1,Net,Fleece|Cover\n",
        "format=csv&mode=merge&dry=true&name=nets.csv",
      );
      expect(look.result).toMatchObject({ dry: true, added: 1, file: "nets.csv", changes: { added: [{ id: "N1", title: "Net" }] } });
      const { body } = await ask<{ job: string }>(server, "POST", `${store}/feed/again`, {
        mode: "merge",
        map: { kind: { type: "list", separator: "|" } },
      });
      expect((await waitForJob(server, body.job)).state).toBe("done");
      expect((await ask<{ values: object }>(server, "GET", `${store}/products/N1`)).body.values).toMatchObject({
        kind: ["Fleece", "Cover"],
      });
      const jobs = (await ask<{ state: string; createdAt: string }[]>(server, "GET", `${store}/jobs`)).body;
      expect(jobs.map((job) => job.state)).toEqual(["done", "done", "done"]);
    });
  });

  test("what is changed while an import is under way is laid over what it brings", async () => {
    const rows = Array.from({ length: 20_000 }, (_, i) => `W${i},Weed number ${i},Weeds,1,1,`).join("\n");
    const { body } = await ask<{ job: string }>(server, "POST", `${store}/feed?format=csv`, `${CSV}${rows}\n`);
    await ask(server, "PATCH", `${store}/products/A3`, { values: { title: "Narrow spade" } });
    await ask(server, "DELETE", `${store}/products/A4`);
    await ask(server, "POST", `${store}/pages`, { id: "g", title: "On weeds", text: "Pull them." });
    await ask(server, "PATCH", `${store}/fields/colour`, { label: "Shade", shown: false });
    expect((await waitForJob(server, body.job)).state).toBe("done");
    const fields = async () => (await ask<{ key: string; label: string; shown: boolean }[]>(server, "GET", `${store}/fields`)).body;
    expect((await fields()).find(({ key }) => key === "colour")).toMatchObject({ label: "Shade", shown: false });
    expect((await search("narrow spade")).hits[0]?.id).toBe("A3");
    expect((await ask(server, "GET", `${store}/products/A4`)).status).toBe(404);
    expect((await search("weeds")).pages.total).toBe(1);
  });

  test("a change of one product is there after a restart, with the saved index", async () => {
    await ask(server, "PATCH", `${store}/products/A3`, { values: { title: "Border spade" } });
    await ask(server, "DELETE", `${store}/products/A4`);
    await ask(server, "PUT", `${store}/products/A9`, { values: { title: "Border fork", price: 3 } });
    expect((await search("border")).hits.map((hit) => hit.id).sort()).toEqual(["A3", "A9"]);
    await server.end("SIGTERM");
    const { startServer } = await import("../support/server");
    const again = await startServer({ data: server.data });
    const found = (await ask<Found>(again, "POST", `${store}/search`, { query: "border" })).body;
    expect(found.hits.map((hit) => hit.id).sort()).toEqual(["A3", "A9"]);
    await again.end("SIGTERM");
  });
});
