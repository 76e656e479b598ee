import { mkdtempSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { FeedError } from "./feed-error";
import type { FeedRow } from "./feed-row";
import type { Format } from "./formats";
import { readFeed } from "./read-feed";
import { delimiterOf } from "./read-table";

async function read(text: string, format: Format): Promise<FeedRow[]> {
  const file = join(mkdtempSync(join(tmpdir(), "feed-")), "feed");
  writeFileSync(file, text);
  const rows: FeedRow[] = [];
  for await (const row of readFeed(file, format)) rows.push(row);
  return rows;
}

describe("reading a feed", () => {
  test("the sign that parts the columns is found in the first line, not in its values", () => {
    expect(delimiterOf("id;title;preis\n1;Kanne;12,50")).toBe(";");
    expect(delimiterOf('id,"a;b;c;d",price')).toBe(",");
    expect(delimiterOf("\uFEFFid\ttitle")).toBe("\t");
    expect(delimiterOf("id|title|price")).toBe("|");
    expect(delimiterOf("title")).toBe(",");
  });
  test("tables: quotes, line breaks in them, a byte order mark, short and long lines", async () => {
    const rows = await read('\uFEFFid,title,price\r\n1,"Red, large\nrose",5\r\n2,White\r\n3,Blue,6,extra\r\n', "csv");
    expect(rows.map((entry) => ("row" in entry ? entry.row : entry.problem))).toEqual([
      { id: "1", title: "Red, large\nrose", price: "5" },
      { id: "2", title: "White" },
      { id: "3", title: "Blue", price: "6" },
    ]);
    expect(rows[0].line).toBe(3);
  });
  test("JSON Lines go on after a line that is broken, and name it", async () => {
    const rows = await read('{"id":1}\n\nnot json\n[1,2]\n{"id":2}\n', "jsonl");
    expect(rows.map((entry) => [entry.line, "row" in entry])).toEqual([
      [1, true],
      [3, false],
      [4, false],
      [5, true],
    ]);
  });
  test("JSON: an array, or the first array in an object", async () => {
    expect(await read('[{"id":1},{"id":2}]', "json")).toHaveLength(2);
    expect(await read('{"shop":"x","products":[{"id":1}]}', "json")).toHaveLength(1);
    await expect(read('{"shop":"x"}', "json")).rejects.toThrow(FeedError);
    await expect(read("{", "json")).rejects.toThrow("not JSON");
  });
  test("what is no text at all is refused at once", async () => {
    await expect(read("P\u0000\u0003", "csv")).rejects.toThrow("not text");
    await expect(read('id,title\n1,"open', "csv")).rejects.toThrow("cannot be read");
  });
});
