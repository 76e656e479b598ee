import { Hono } from "hono";
import { parseTable, sentText, type Table } from "./table";

/** What a route reads that takes a table of word rules. */
async function send(body: Buffer | string): Promise<Table> {
  let table: Table | null = null;
  const app = new Hono().post("/", async (c) => {
    table = parseTable(await sentText(c), ["does", "words"]);
    return c.body(null, 204);
  });
  app.onError((error) => {
    throw error;
  });
  await app.request("/", { method: "POST", body: new Uint8Array(Buffer.from(body)) });
  if (!table) throw new Error("nothing read");
  return table;
}

const COMMAS = 'does,words,with\nsame,"Kübel; Töpfe",\nread,9" pot,9 inch pot\n';
const ROWS = [
  { does: "same", words: "Kübel; Töpfe", with: "" },
  { does: "read", words: '9" pot', with: "9 inch pot" },
];

describe("a table that is sent", () => {
  test.each([
    ["as it was saved", COMMAS],
    ["with semicolons, as German spreadsheets save it", 'does;words;with\nsame;"Kübel; Töpfe";\nread;9" pot;9 inch pot\n'],
    ["with semicolons in its first line", 'sep=;\r\nDoes;Words;With\r\nsame;"Kübel; Töpfe";\r\nread;9" pot;9 inch pot\r\n'],
    ["with tabs", 'does\twords\twith\nsame\tKübel; Töpfe\t\nread\t9" pot\t9 inch pot\n'],
    ["in Latin-1", Buffer.from(COMMAS, "latin1")],
    ["in UTF-16", Buffer.from(`\uFEFF${COMMAS}`, "utf16le")],
    ["with a byte order mark and empty lines", `\uFEFF${COMMAS.replaceAll("\n", "\n\n")}`],
  ])("is read %s", async (_, body) => {
    expect((await send(body)).rows).toEqual(ROWS);
  });
  test("tells the line of each row", async () => {
    const { lineOf } = await send(COMMAS);
    expect([lineOf(0), lineOf(1)]).toEqual([2, 3]);
  });
  test("that is another, too large or broken is refused with a reason", async () => {
    await expect(send("word,synonym\na,b\n")).rejects.toThrow("needs the columns does and words");
    await expect(send(`does,words\n${"same,a;b\n".repeat(500_000)}`)).rejects.toThrow("larger than 4 MB");
    await expect(send('does,words\nsame,"open')).rejects.toThrow("cannot be read");
  });
});
