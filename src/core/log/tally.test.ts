import { filterName, type LoggedEvent } from "./events";
import { LogTally, queryKey } from "./tally";

const START = Date.parse("2026-11-01T10:00:00Z");
const DAY = 86_400_000;

/** A log told line by line: minutes after the start, visit, what happened. */
class Told {
  readonly events: LoggedEvent[] = [];

  search(at: number, visit: string, query: string, more: Partial<LoggedEvent> = {}): this {
    return this.add(at, { visit, kind: "search", searchId: `${visit}-${query}`, query, total: 3, outcome: "results", rules: [], ...more });
  }

  deed(at: number, visit: string, kind: "click" | "basket" | "order", query: string, product: string, position = 1): this {
    return this.add(at, { visit, kind, searchId: `${visit}-${query}`, query, product, position });
  }

  private add(at: number, event: Omit<LoggedEvent, "at">): this {
    this.events.push({ ...event, at: new Date(START + at * 60_000).toISOString() });
    return this;
  }

  stats(until = START + DAY) {
    const tally = new LogTally(new Date(until).toISOString());
    for (const event of this.events) tally.add(event);
    return tally.result();
  }
}

describe("a log, counted", () => {
  test("ticking a filter asks nothing new, and is counted for the filter", () => {
    const light = { rules: [filterName("light")] };
    const { queries, searches, rules } = new Told()
      .search(0, "a", "rose")
      .search(1, "a", "rose", light)
      .search(2, "a", "rose", { rules: [filterName("light"), filterName("price")] })
      .search(3, "b", "rose", light)
      .search(4, "a", "fern")
      .stats();
    expect(queries.map(({ text, asked }) => [text, asked])).toEqual([
      ["rose", 2],
      ["fern", 1],
    ]);
    expect(searches).toBe(3);
    expect(rules[filterName("light")].acted).toBe(3);
    expect(rules[filterName("price")].acted).toBe(1);
  });
  test("queries that differ in case, signs and spaces alone are one, the most asked first", () => {
    const { queries, searches, visits } = new Told().search(0, "a", "Rose").search(1, "b", " rose! ").search(2, "b", "fern").stats();
    expect(queries.map(({ text, asked, visits: by }) => [text, asked, by])).toEqual([
      ["rose", 2, 2],
      ["fern", 1, 1],
    ]);
    expect([searches, visits]).toEqual([3, 2]);
    expect(queryKey("9cm pot")).toBe("9 cm pot");
  });

  test("a search counts as clicked once, however often something is clicked; places are averaged over all clicks", () => {
    const told = new Told().search(0, "a", "rose").deed(1, "a", "click", "rose", "P1", 1).deed(2, "a", "click", "rose", "P2", 4);
    const [rose] = told.deed(3, "a", "basket", "rose", "P2", 4).deed(4, "a", "order", "rose", "P2", 4).stats().queries;
    expect(rose).toMatchObject({ asked: 1, clicked: 1, baskets: 1, orders: 1, meanPlace: 2.5 });
    expect(rose.products).toEqual([
      { id: "P1", clicks: 1 },
      { id: "P2", clicks: 1 },
    ]);
  });

  test("what is tried next counts when it leads to a click, more than once, and the first search did not", () => {
    const told = new Told();
    for (const visit of ["a", "b"])
      told.search(0, visit, "eggplant", { total: 0 }).search(1, visit, "aubergine").deed(2, visit, "click", "aubergine", "P6");
    told.search(3, "c", "rose").deed(4, "c", "click", "rose", "P4").search(5, "c", "fern").deed(6, "c", "click", "fern", "P9");
    told.search(7, "d", "eggplant", { total: 0 }).search(8, "d", "seeds").deed(9, "d", "click", "seeds", "P3");
    expect(told.stats().followed).toEqual([{ from: "eggplant", to: "aubergine", times: 2 }]);
  });

  test("rules count the searches they took part in and those that led to a click", () => {
    const told = new Told().search(0, "a", "rose", { rules: ["w1", "b1"] }).search(1, "b", "rose", { rules: ["w1"] });
    expect(told.deed(2, "a", "click", "rose", "P4").stats().rules).toEqual({
      w1: { acted: 2, clicked: 1, lastAt: "2026-11-01T10:01:00.000Z" },
      b1: { acted: 1, clicked: 1, lastAt: "2026-11-01T10:00:00.000Z" },
    });
  });

  test("the last week is that before the end of the period", () => {
    const told = new Told().search(0, "a", "rose").search(8 * 24 * 60, "b", "rose");
    expect(told.stats(START + 9 * DAY).queries[0]).toMatchObject({ asked: 2, lastWeek: 1 });
  });

  test("clicks without a search, and searches without words, are passed over", () => {
    const told = new Told().search(0, "a", " … ").deed(1, "z", "click", "nothing", "P1");
    const stats = told.stats();
    expect(stats.queries).toEqual([]);
    expect(stats.products).toEqual({ P1: { clicks: 1, baskets: 0, orders: 0, week: 1 } });
  });
});
