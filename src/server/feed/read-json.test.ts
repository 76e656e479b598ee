import { readBytes, rowsOf } from "@tests/support/feed";
import { FeedError } from "./feed-error";
import { placeOfRows } from "./json-shape";

const ROWS = [
  { id: 1, title: "Rose" },
  { id: 2, title: "Fern" },
];
const PLAIN = JSON.stringify(ROWS);

describe("rows in JSON", () => {
  test("are in an array, at the top or under whatever keys", async () => {
    expect(await rowsOf(PLAIN, "json")).toEqual(ROWS);
    for (const path of [["products"], ["data", "shop products", "list"], ["a.b"], ["*", "x"], ["1.5", "*"], [""]]) {
      const nested = path.reduceRight<unknown>((inner, key) => ({ [key]: inner, shop: "x" }), ROWS);
      expect(await rowsOf(JSON.stringify(nested), "json")).toEqual(ROWS);
    }
  });
  test("are the longest list, or the one that is called so, not the first", async () => {
    const links = [{ rel: "next" }, { rel: "prev" }];
    expect(await rowsOf(JSON.stringify({ meta: { links }, rest: [...ROWS, ...ROWS] }), "json")).toEqual([...ROWS, ...ROWS]);
    const facets = Array.from({ length: 20 }, (_, i) => ({ facet: i }));
    expect(await rowsOf(JSON.stringify({ facets, items: ROWS }), "json")).toEqual(ROWS);
    expect(await rowsOf(JSON.stringify({ products: [{ id: 1, pictures: [{ url: "a" }, { url: "b" }] }] }), "json")).toHaveLength(1);
  });
  test("may be named by their ids", async () => {
    const byId = { R1: { title: "Rose", price: 3 }, R2: { title: "Fern" }, R3: { id: 7, title: "Oak", price: 4 } };
    const rows = [
      { id: "R1", title: "Rose", price: 3 },
      { id: "R2", title: "Fern" },
      { id: 7, title: "Oak", price: 4 },
    ];
    expect(await rowsOf(JSON.stringify(byId), "json")).toEqual(rows);
    expect(await rowsOf(JSON.stringify({ count: 3, stock: { "0.5": byId } }), "json")).toEqual(rows);
  });
  test("may follow one another, on one line each or on several, or be alone", async () => {
    expect(await rowsOf(ROWS.map((row) => JSON.stringify(row)).join("\n"))).toEqual(ROWS);
    expect(await rowsOf(ROWS.map((row) => JSON.stringify(row, null, 2)).join("\n"))).toEqual(ROWS);
    expect(await rowsOf(JSON.stringify(ROWS[0]))).toEqual([ROWS[0]]);
  });
  test("go on after a line that is broken, and name it", async () => {
    const rows = await readBytes('{"id":1}\n\nnot json\n[1,2]\n{"id":2}\n', "jsonl");
    expect(rows.map((entry) => [entry.line, "row" in entry])).toEqual([
      [1, true],
      [3, false],
      [4, false],
      [5, true],
    ]);
  });
  test("are told from what is none, entry by entry", async () => {
    expect(await rowsOf('[{"id":1},7,[{"id":2}],null]', "json")).toEqual([{ id: 1 }, ...Array(3).fill("The entry is no object.")]);
  });
  test("keep their brackets and quotes in texts, and names that mean something to a program", async () => {
    const row = { id: 1, title: 'a "b" ]}', __proto__x: "y", constructor: "z" };
    expect(await rowsOf(JSON.stringify({ products: [row] }), "json")).toEqual([row]);
  });
  test("go over more than what is looked at first", async () => {
    const many = Array.from({ length: 8000 }, (_, id) => ({ id, title: `Rose ${id}`, pictures: [{ url: `/${id}.png` }] }));
    expect(await rowsOf(JSON.stringify({ meta: [{ a: 1 }], many }), "json")).toHaveLength(8000);
    expect(await rowsOf(JSON.stringify(Object.fromEntries(many.map((row) => [`r${row.id}`, row]))), "json")).toHaveLength(8000);
    expect(await rowsOf(many.map((row) => JSON.stringify(row, null, 1)).join("\n"))).toHaveLength(8000);
  });
});

describe("a file in JSON", () => {
  test.each([
    ["that is an answer and no list", '{"error":"not allowed","code":403}', "no list of products"],
    ["that holds one word", '{"shop":"x"}', "no list of products"],
    ["that is no JSON", "{shop", "not JSON"],
    ["that opens and ends", "{", "not JSON"],
    ["that ends in a row", '[{"id":1,"title":"Rose"},{"id":2', "ends in the middle"],
    ["that ends between rows", '{"products":[{"id":1},', "ends in the middle"],
    ["that ends in the last of several", '{"id":1,"title":"a"}\n{"id":2,\n"title":"b"}\n{"id":3', "ends in the middle"],
    ["that breaks in the middle", '[{"id":1},{"id":2,}]', "not JSON"],
  ])("%s is refused with a reason", async (_, text, reason) => {
    await expect(rowsOf(text, "json")).rejects.toThrow(reason);
    await expect(rowsOf(text, "json")).rejects.toThrow(FeedError);
  });
  test("tells where its rows are", () => {
    expect(placeOfRows(PLAIN)).toEqual({ path: [], kind: "array" });
    expect(placeOfRows('{"a":{"b":[{"id":1}]}}')).toEqual({ path: ["a", "b"], kind: "array" });
    expect(placeOfRows('{"a":{"x":{"id":1},"y":{"id":2}}}')).toEqual({ path: ["a"], kind: "members" });
    expect(placeOfRows('{"meta":{"page":1},"data":{"rows":[{"id":1}]}}')).toEqual({ path: ["data", "rows"], kind: "array" });
  });
});
