import type { Row } from "./flatten";
import { applyWishes, proposeMapping } from "./mapping";
import { openQuestions } from "./questions";

const rowsOf = (columns: string[], ...rows: string[][]): Row[] =>
  rows.map((cells) => Object.fromEntries(columns.map((column, i) => [column, cells[i]])));
const ask = (rows: Row[], wishes = {}) => openQuestions(rows, applyWishes(proposeMapping(rows), wishes));
const roles = (rows: Row[]) => ask(rows).map(({ role }) => role);

const PLAIN = ["id", "title", "category", "price", "stock"];
const GOODS = [
  ["1", "Red rose climbing", "Plants > Roses", "5.50", "3"],
  ["2", "White rose shrub", "Plants > Roses", "7.00", "0"],
  ["3", "Digging spade", "Tools", "20.00", "4"],
  ["4", "Garden fork large", "Tools", "18.00", "9"],
  ["5", "Border fork small", "Tools", "16.00", "2"],
];

describe("what is asked of a first file", () => {
  it("is nothing where the columns are called by their names", () => {
    expect(ask(rowsOf(PLAIN, ...GOODS))).toEqual([]);
    expect(ask(rowsOf(["artikelnr", "bezeichnung", "kategorie", "preis", "bestand"], ...GOODS))).toEqual([]);
  });

  it("is what no name tells, with the columns that it may be", () => {
    const questions = ask(rowsOf(["a", "b", "c", "d", "e"], ...GOODS));
    expect(questions.map(({ role }) => role)).toEqual(["title", "price", "category", "stock"]);
    const candidates = Object.fromEntries(questions.map((question) => [question.role, question.candidates]));
    expect(candidates.title).toContain("b");
    expect(candidates.price).toContain("d");
    expect(candidates.category[0]).toBe("c");
    expect(candidates.stock).toContain("e");
  });

  it("is which of two, where both are called alike", () => {
    const goods = GOODS.map(([id, title, category, price, stock]) => [id, title, category, price, String(Number(price) * 1.2), stock]);
    const [question, ...more] = ask(rowsOf(["id", "title", "category", "price shop", "price club", "stock"], ...goods));
    expect(more).toEqual([]);
    expect(question).toMatchObject({ role: "price", candidates: expect.arrayContaining(["price shop", "price club"]) });
  });

  it("is nothing once somebody has said it, nor what is said in another way", () => {
    const goods = GOODS.map(([id, title, category, price, stock]) => [
      id,
      title,
      category,
      price,
      stock === "0" ? "out of stock" : "in stock",
    ]);
    expect(roles(rowsOf(["id", "title", "category", "price", "availability"], ...goods))).toEqual([]);
    const unnamed = rowsOf(["id", "title", "category", "wert", "stock"], ...GOODS);
    expect(ask(unnamed, { wert: "price" })).toEqual([]);
  });

  it("is nothing that the file has no column for", () => {
    expect(roles(rowsOf(["id", "title"], ["1", "Red rose"], ["2", "White rose"]))).toEqual([]);
  });
});
