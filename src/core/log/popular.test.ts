import { beginningWith, preparePopular } from "./popular";
import type { QueryStats } from "./tally";

const asked = (text: string, all: number, lastWeek = 0, more: object = {}) =>
  ({ text, asked: all, lastWeek, found: 3, outcome: "results", ...more }) as QueryStats;
const period = { from: "2026-10-01T00:00:00Z", until: "2026-11-26T00:00:00Z", products: {} };
const popularOf = (...queries: QueryStats[]) => preparePopular({ ...period, queries: queries.sort((a, b) => b.asked - a.asked) });

describe("what shoppers search most", () => {
  test("found something whole, and was asked more than by chance", () => {
    const { mostAsked } = popularOf(
      asked("rose", 90),
      asked("unicorn", 80, 0, { found: 0, outcome: "dead-end" }),
      asked("rose unicorn", 70, 0, { outcome: "partial" }),
      asked("lavender", 40),
      asked("mint", 2),
    );
    expect(mostAsked).toEqual(["rose", "lavender"]);
  });
  test("rises where its last week stands out from the weeks before; a small number is no trend", () => {
    const { rising } = popularOf(asked("tulip bulbs", 80, 50), asked("rose", 800, 100), asked("frost", 4, 4), asked("mulch", 30, 20));
    expect(rising).toEqual(["tulip bulbs", "mulch"]);
  });
  test("nothing rises in a log of a week", () => {
    const queries = [asked("tulip", 50, 50)];
    expect(preparePopular({ ...period, from: "2026-11-20T00:00:00Z", queries }).rising).toEqual([]);
    expect(preparePopular({ from: "", until: "", products: {}, queries }).rising).toEqual([]);
  });
  test("what begins with a text comes with the most asked first, then by alphabet", () => {
    const popular = popularOf(
      asked("lavender", 40),
      asked("lavender hedge", 90),
      asked("lawn", 99),
      asked("lavatera", 40),
      asked("larch", 3),
    );
    expect(beginningWith(popular, "lav", 5)).toEqual(["lavender hedge", "lavatera", "lavender"]);
    expect(beginningWith(popular, "la", 2)).toEqual(["lawn", "lavender hedge"]);
    expect(beginningWith(popular, "zz", 2)).toEqual([]);
  });
});
