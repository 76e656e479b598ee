import { OwnSearch } from "../../settings/box/box";
import { readOwnRows, toOwnRow } from "./own-searches";

const line = (row: number) => row + 2;
const list = { a: OwnSearch.parse({ text: "Lavender", priority: 70 }), b: OwnSearch.parse({ text: "rose", on: false }) };

describe("the own list as a table", () => {
  test("comes back as it went out", () => {
    const rows = Object.values(list).map(toOwnRow);
    expect(readOwnRows(rows, list, line)).toEqual({ entries: {}, same: 2, problems: [] });
    expect(Object.values(readOwnRows(rows, {}, line).entries)).toEqual(Object.values(list));
  });
  test("a text that is known changes its entry, another is new, and of two the later one holds", () => {
    const read = readOwnRows([{ text: "LAVENDER", priority: "10" }, { text: "mint" }, { text: "mint", priority: "5" }], list, line);
    expect(read.entries).toMatchObject({ a: { priority: 10 }, mint: { text: "mint", priority: 5 } });
  });
  test("a row that cannot be read is named and left out", () => {
    const { problems, entries } = readOwnRows([{ text: "" }, { text: "x", priority: "200" }, { text: "y", from: "yesterday" }], {}, line);
    expect(problems.map(({ line: at, message }) => `${at} ${message}`)).toEqual([
      "2 text: A search needs a text.",
      "3 priority: A priority is at most 100.",
      expect.stringContaining("4 from: "),
    ]);
    expect(entries).toEqual({});
  });
});
