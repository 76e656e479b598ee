import { readBytes, rowsOf } from "@tests/support/feed";
import { tableHead } from "./table-head";

const ABOVE = "The line is above the names of the columns.";
const ODD = "Quotes in the line are not in pairs; its cells were read as they are.";
const ROWS = [
  { id: "1", title: "Rose", price: "3" },
  { id: "2", title: "Fern", price: "4" },
];
const table = (sign: string) => `id${sign}title${sign}price\n1${sign}Rose${sign}3\n2${sign}Fern${sign}4\n`;
const noteOf = async (text: string) =>
  (await readBytes(text)).flatMap((entry) => ("row" in entry && entry.note ? [[entry.line, entry.note]] : []));

describe("the delimiter of a table", () => {
  const delimiterOf = (head: string) => tableHead(head).delimiter;

  test("is found in the line of names, not in its values", () => {
    expect(delimiterOf("id;title;preis\n1;Kanne;12,50")).toBe(";");
    expect(delimiterOf('id,"a;b;c;d",price')).toBe(",");
    expect(delimiterOf("\uFEFFid\ttitle")).toBe("\t");
    expect(delimiterOf("id|title|price")).toBe("|");
    expect(delimiterOf("title")).toBe(",");
    expect(delimiterOf("id,title,tags\n1,Rose,a|b|c\n2,Fern,a|b|c\n3,Oak,a|b|c")).toBe(",");
  });
  test.each([",", ";", "\t", "|", "^", "~", "||", ";;", ":", "§", "\u0001", "\u001F"])("may be %j", async (sign) => {
    expect(await rowsOf(table(sign), "csv")).toEqual(ROWS);
  });
  test("may be named by the file", async () => {
    expect(await rowsOf(`sep=|\r\n${table("|")}`)).toEqual(ROWS);
    expect(await rowsOf("sep=;\nid;title\n1;Rose, red\n")).toEqual([{ id: "1", title: "Rose, red" }]);
  });
  test("is none in a table of one column", async () => {
    expect(await rowsOf("title\nRose\nFern\n", "csv")).toEqual([{ title: "Rose" }, { title: "Fern" }]);
  });
});

describe("the lines of a table", () => {
  test("go over several where a cell is quoted, and may be short or long", async () => {
    const text = '\uFEFFid,title,price\r\n1,"Red, large\nrose",5\r\n2,White\r\n3,Blue,6,extra\r\n';
    expect(await rowsOf(text)).toEqual([
      { id: "1", title: "Red, large\nrose", price: "5" },
      { id: "2", title: "White" },
      { id: "3", title: "Blue", price: "6" },
    ]);
    expect((await readBytes(text)).map(({ line }) => line)).toEqual([3, 4, 5]);
    expect(await noteOf(text)).toEqual([
      [4, "The line has 2 cells for 3 columns."],
      [5, "The line has 4 cells for 3 columns."],
    ]);
  });
  test("may end in whatever way, also in several", async () => {
    expect(await rowsOf(table(",").replaceAll("\n", "\r\n"))).toEqual(ROWS);
    expect(await rowsOf(table(",").replaceAll("\n", "\r"))).toEqual(ROWS);
    expect(await rowsOf(table(",").replace("\n", "\r\n"))).toEqual(ROWS);
    expect(await rowsOf(table(",").trimEnd())).toEqual(ROWS);
  });
  test("above the names are left out, and said so, whatever is in them", async () => {
    expect(await rowsOf(`Our range 2026\n${table(",")}`)).toEqual([ABOVE, ...ROWS]);
    expect(await rowsOf(`Our range 2026,,\n,,\n\n${table(",")}`)).toEqual([ABOVE, ...ROWS]);
    expect(await rowsOf(`Range, spring\n${table("\t")}`)).toEqual([ABOVE, ...ROWS]);
    expect(await rowsOf("# of today\nid,title,price\n1,Rose,3\n")).toEqual([ABOVE, ROWS[0]]);
  });
  test("with the names once more, as in tables put together, are left out", async () => {
    const rows = await readBytes(`${table(",")}${table(",")}`);
    expect(rows.map((entry) => ("row" in entry ? entry.row.title : entry.problem))).toEqual([
      "Rose",
      "Fern",
      "The line names the columns once more.",
      "Rose",
      "Fern",
    ]);
    expect(rows[2].line).toBe(4);
  });
  test("have names of their own for every column", async () => {
    expect(await rowsOf("id,,size,size\n1,a,b,c\n")).toEqual([{ id: "1", "column 2": "a", size: "b", "size 2": "c" }]);
    await expect(rowsOf(`${Array.from({ length: 2001 }, (_, i) => `c${i}`).join(",")}\n1\n`)).rejects.toThrow("2001 columns");
  });
});

describe("quotes in a table", () => {
  test("that stand alone cost no line", async () => {
    const text = 'id,title,price\n1,5" pot,1\n2,"a" b,2\n3,"Rose "Red" large",3\n4,fine,4\n5,"two, ""quoted""\nlines",5\n';
    expect(await rowsOf(text)).toEqual([
      { id: "1", title: '5" pot', price: "1" },
      { id: "2", title: '"a" b', price: "2" },
      { id: "3", title: 'Rose "Red" large', price: "3" },
      { id: "4", title: "fine", price: "4" },
      { id: "5", title: 'two, "quoted"\nlines', price: "5" },
    ]);
    expect(await noteOf(text)).toEqual([
      [3, ODD],
      [4, ODD],
    ]);
  });
  test("leave what is quoted by the rules as it is, in the same file", async () => {
    const text = 'id,title\n1,"a" b\n2,"""Red"""\n3,"""Red"" and ""White"""\n4, "x, y" \n5,"""Red""\nrose"\n';
    expect((await rowsOf(text)).slice(1)).toEqual([
      { id: "2", title: '"Red"' },
      { id: "3", title: '"Red" and "White"' },
      { id: "4", title: "x, y" },
      { id: "5", title: '"Red"\nrose' },
    ]);
  });
  test("take up where they break, also far into a file", async () => {
    const lines = Array.from({ length: 5000 }, (_, i) => (i === 4000 ? `${i},"odd" one` : `${i},Rose ${i}`)).join("\n");
    const rows = await rowsOf(`id,title\n${lines}\n`);
    expect(rows).toHaveLength(5000);
    expect(rows[4000]).toEqual({ id: "4000", title: '"odd" one' });
    expect(new Set(rows.map((row) => (row as { id: string }).id)).size).toBe(5000);
  });
  test("mean nothing in a table parted by tabs that has them unpaired", async () => {
    expect(await rowsOf('id\ttitle\n1\t"24 inch pot\n2\tFern\n')).toEqual([
      { id: "1", title: '"24 inch pot' },
      { id: "2", title: "Fern" },
    ]);
    const lines = Array.from({ length: 3000 }, (_, i) => (i % 1000 === 500 ? `${i}\t"24 inch pot` : `${i}\tRose ${i}`));
    const rows = await rowsOf(`id\ttitle\n${lines.join("\n")}\n`);
    expect(rows).toHaveLength(3000);
    expect(rows[1500]).toEqual({ id: "1500", title: '"24 inch pot' });
    expect(await rowsOf('id\ttitle\n1\t"two\nlines"\n2\t"a" b\n')).toEqual([
      { id: "1", title: "two\nlines" },
      { id: "2", title: '"a" b' },
    ]);
  });
  test("that are never closed are named by the line after which they open", async () => {
    await expect(rowsOf('id,title\n1,Rose\n2,"24 inch\n3,Fern\n4,"9 inch\n')).rejects.toThrow("after line 2 is never closed");
    await expect(rowsOf('id,title\n1,Rose\n2,Fern\n3,"open\n4,Oak\n')).rejects.toThrow("after line 3 is never closed");
    await expect(rowsOf(`id,title\n1,Rose\n2,"${"x".repeat(9 * 1024 * 1024)}`)).rejects.toThrow("after line 2 is longer than 8 MB");
  });
});
