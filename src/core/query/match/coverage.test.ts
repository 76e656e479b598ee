import type { Catalogue } from "@core/catalogue/types";
import { field } from "@tests/core/garden";
import { build } from "../../index/build";
import { defaultSettings } from "../../insights/propose/defaults";
import { prepare } from "../../prepare/searcher";
import { SearchRequest } from "../../search/request";
import { search } from "../../search/search";

const FIELDS = [
  field("title", "text", "title"),
  field("category", "path", "category"),
  field("text", "text", "description"),
  field("evergreen", "flag"),
];

type Row = [title: string, category: string, text: string, evergreen?: boolean];
function shop(rows: readonly Row[], locale = "en") {
  const products = rows.map(([title, category, text, evergreen], i) => ({
    id: `${i}`,
    values: { title, category: [[category]], text, ...(evergreen === undefined ? {} : { evergreen }) },
    options: [],
  }));
  const catalogue: Catalogue = { locale, fields: FIELDS, products, pages: [] };
  const index = build(catalogue);
  const searcher = prepare(index, defaultSettings(index));
  return (query: string) => search(searcher, SearchRequest.parse({ query, explain: true }), { at: 0, visible: () => true });
}
const many = (count: number, row: (i: number) => Row): Row[] => Array.from({ length: count }, (_, i) => row(i));

describe("not every word must match", () => {
  const garden = shop([
    ...many(6, (i): Row => [`Tomato Sun ${i}`, "Seeds", "Sow in March."]),
    ...many(4, (i): Row => [`Cherry laurel ${i}`, "Hedging", "A cherry that is a hedge."]),
    ...many(3, (i): Row => [`Pot ${i}`, "Pots", "For tomato plants."]),
    ...many(12, (i): Row => [`Spade ${i}`, "Tools", "For heavy soil."]),
    ["Ivy", "Climbers", "For walls.", true],
    ["Clematis", "Climbers", "For walls.", false],
    ["Nest box", "Wildlife", "Hang it on a north facing wall."],
  ]);
  const titles = (query: string, most = 5) =>
    garden(query)
      .hits.slice(0, most)
      .map(({ title }) => title.replace(/ \d+$/, ""));

  test("the word that says what is meant is not the one that is left out", () => {
    expect(garden("cherry tomato")).toMatchObject({ outcome: "partial", query: { leftOut: ["cherry"], fullMatches: 0 } });
    expect(titles("cherry tomato")).toEqual(Array(5).fill("Tomato Sun"));
    expect(titles("evergreen climber for north facing wall", 1)).toEqual(["Ivy"]);
  });
  test("function words need not be answered, alone they are words like any other", () => {
    expect(garden("how do I grow tomato").query.leftOut).toEqual(["grow"]);
    expect(garden("the tomato")).toMatchObject({ outcome: "results", query: { leftOut: [] } });
    expect(garden("for").total).toBeGreaterThan(0);
  });
  test("fewer than ten are filled up, those that answer everything first", () => {
    const found = garden("tomato sun");
    expect(found).toMatchObject({ outcome: "results", query: { fullMatches: 6, leftOut: [] } });
    expect(found.hits.slice(0, 6).every(({ answers }) => answers.join(" ") === "tomato sun")).toBe(true);
    expect(found.hits[6]).toMatchObject({ answers: ["tomato"] });
    expect(found.query.steps).toContainEqual({ kind: "filled-up", from: "tomato sun", to: "tomato" });
    // What answers a part is said to count by how much that is.
    const { base, factors } = found.hits[6].explain ?? { base: 0, factors: [] };
    expect(factors.map(({ rule }) => rule)).toEqual(["coverage"]);
    expect(base * factors[0].factor).toBeCloseTo(found.hits[6].score, 9);
  });
  test("ten or more stand alone", () => {
    expect(garden("heavy spade")).toMatchObject({ total: 12, outcome: "results" });
  });
  test("what is called by the word that is meant comes before what mentions it beside another", () => {
    const roses = shop([
      ...many(4, (i): Row => [`Rose ${i}`, "Flowers", "For the border."]),
      ...many(8, (i): Row => [`Lavender ${i}`, "Scents", "Smells well beside roses."]),
    ]);
    const found = roses("smelling purple roses");
    expect(found.hits.slice(0, 4).map(({ title }) => title.replace(/ \d$/, ""))).toEqual(Array(4).fill("Rose"));
    // Others that mention it stay behind them.
    expect(
      roses("purple roses")
        .hits.map(({ title }) => title)
        .indexOf("Lavender 0"),
    ).not.toBe(0);
  });
  test("a long search is about the kind of thing that it names, wherever that stands, and not about its other words", () => {
    const long =
      "hello we moved house last week and now my sister says that something with a big yellow coloured tomato would look lovely on the wall of our kitchen";
    expect(titles(long, 3)).toEqual(Array(3).fill("Tomato Sun"));
    expect(titles("heavy heavy heavy heavy heavy tomato", 3)).toEqual(titles("heavy tomato", 3));
  });
  test("where a category is meant, what fills up is of it first", () => {
    expect(titles("evergreen facing climbers", 9)).toEqual(["Ivy", "Clematis", "Nest box"]);
  });
  test("products of the category that is meant come first, unless its name is part of another", () => {
    const shelf = shop([
      ["Bucket", "Vessels", "Pots for plants."],
      ["Rose", "Plants", "Grows in pots."],
      ["Apple tree", "Fruit", "A tree."],
      ["Crab apple", "Tree", "An apple tree."],
    ]);
    expect(shelf("plants for pots").hits[0].title).toBe("Rose");
    expect(shelf("plants for pots").query.steps).toContainEqual({ kind: "category-first", from: "plants", to: "Plants" });
    expect(shelf("apple tree").hits[0].title).toBe("Apple tree");
  });
  test("what is meant comes first in languages that say it so", () => {
    const rows: Row[] = [
      ...many(3, (i): Row => [`Rose ${i}`, "Plantes", ""]),
      ...many(3, (i): Row => [`Chaise rouge ${i}`, "Meubles", ""]),
    ];
    expect(shop(rows, "fr")("rose rouge").query.leftOut).toEqual(["rouge"]);
  });
});

describe("the word as it was typed", () => {
  test("stands before other forms of its stem", () => {
    const library = shop([...many(4, (i): Row => [`University ${i}`, "Places", ""]), ["Universal key", "Tools", ""]]);
    const found = library("universal");
    expect(found.hits[0]).toMatchObject({
      title: "Universal key",
      explain: { parts: expect.arrayContaining([expect.objectContaining({ via: "as-typed" })]) },
    });
  });
});

describe("yes/no fields", () => {
  const garden = shop([
    ["Ivy", "Climbers", "", true],
    ["Rose", "Climbers", "", false],
  ]);
  test("are named by their labels", () => {
    expect(garden("evergreen climber").hits[0].title).toBe("Ivy");
    expect(garden("evergreen").hits.map(({ title }) => title)).toEqual(["Ivy"]);
  });
});
