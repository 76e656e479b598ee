import { RECOMMENDATION_COLUMNS, readRows, toRow } from "./recommendations";

const KNOWN = new Set(["A", "B", "C"]);
const read = (...rows: Record<string, unknown>[]) =>
  readRows(
    rows,
    (row) => row + 2,
    (id) => KNOWN.has(id),
  );

describe("recommendations made by hand, as a table", () => {
  it("come back as they went out", () => {
    const lists = { goesWith: ["B", "C"], insteadOf: [], automatic: false };
    const row = toRow("A", lists);
    expect(Object.keys(row)).toEqual([...RECOMMENDATION_COLUMNS]);
    expect(read(row)).toEqual({ lists: { A: lists }, problems: [] });
  });

  it("name what cannot be read by its line, and leave out what the catalogue has not", () => {
    const { lists, problems } = read(
      { product: "", complements: "B" },
      { product: "Z", complements: "B" },
      { product: "A", "goes with": "B; Y; X" },
    );
    expect(lists).toEqual({ A: { goesWith: ["B"], insteadOf: [], automatic: true } });
    expect(problems).toEqual([
      { line: 2, message: "product: no product is named" },
      { line: 3, message: "product: the catalogue has no “Z”" },
      { line: 4, message: "the catalogue has no Y, X: left out" },
    ]);
  });

  it("hold no product twice, and none beside itself", () => {
    expect(read({ product: " A ", "goes with": "B;B; A ;C", "instead of": "", automatic: "NO" }).lists).toEqual({
      A: { goesWith: ["B", "C"], insteadOf: [], automatic: false },
    });
  });
});
