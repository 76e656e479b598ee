import { makeCatalogue } from "../catalogue";
import { Random } from "../random";
import { NEED_CLASSES, needsOf } from "./needs";
import { knownProducts } from "./record";
import { type Ask, sampleMeant, simulate } from "./simulate";
import { misspell } from "./words";

const made = makeCatalogue(4820);
const needs = needsOf(knownProducts(made));
const UNTIL = Date.parse("2026-11-24T12:00:00Z");
const ids = made.products.map(({ id }) => id);

/** A shop that shows the same ten products for everything. */
const dull: Ask = (query) => ({
  searched: query,
  outcome: "results",
  total: 10,
  shown: ids.slice(0, 10),
  rules: [],
  soldOut: new Set([ids[0]]),
});

describe("the simulated shopper", () => {
  test("makes the same log of the same seed, another of another", () => {
    const log = (seed: number) => JSON.stringify(simulate(needs, dull, UNTIL, seed, { count: 40 }));
    expect(log(1)).toBe(log(1));
    expect(log(1)).not.toBe(log(2));
  });

  test("lives in eight weeks, in the order of time, by day rather than by night", () => {
    const events = simulate(needs, dull, UNTIL, 3, { count: 600 });
    const times = events.map(({ at }) => Date.parse(at));
    expect([...times].sort((a, b) => a - b)).toEqual(times);
    expect(times[0]).toBeGreaterThanOrEqual(UNTIL - 57 * 86_400_000);
    expect(times.at(-1)).toBeLessThanOrEqual(UNTIL);
    const at = (from: number, to: number) =>
      times.filter((time) => new Date(time).getUTCHours() >= from && new Date(time).getUTCHours() < to).length;
    expect(at(18, 22)).toBeGreaterThan(at(0, 4) * 3);
  });

  test("clicks what was shown, at its place, after a search; the first places more; baskets after clicks, orders after baskets", () => {
    const events = simulate(needs, dull, UNTIL, 5, { count: 1500 });
    const searches = new Map(events.filter(({ kind }) => kind === "search").map((event) => [event.searchId, event]));
    const places = Array(11).fill(0);
    for (const { kind, searchId, product, position = 0 } of events) {
      if (kind === "search") continue;
      const search = searches.get(searchId);
      expect(search?.shown?.[position - 1]).toBe(product);
      if (kind === "click") places[position]++;
    }
    expect(places.slice(2, 5).reduce((a, b) => a + b)).toBeGreaterThan(places.slice(8, 11).reduce((a, b) => a + b));
    const count = (kind: string) => events.filter((event) => event.kind === kind).length;
    expect(count("click")).toBeGreaterThan(count("basket"));
    expect(count("basket")).toBeGreaterThan(count("order"));
  });

  test("narrows many results, by the first filters more than by the last, and does all else as without filters", () => {
    const many: Ask = (query) => ({
      ...dull(query, 0),
      total: 90,
      filters: ["filter:a", "filter:b", "filter:c"].map((name) => ({ name, narrow: () => ({ ...dull(query, 0), total: 9 }) })),
    });
    const events = simulate(needs, many, UNTIL, 5, { count: 1500 });
    const used = (name: string) => events.filter(({ rules }) => rules?.includes(name)).length;
    expect(used("filter:a")).toBeGreaterThan(20);
    expect(used("filter:a")).toBeGreaterThan(used("filter:b"));
    const clicks = (ask: Ask) =>
      simulate(needs, ask, UNTIL, 5, { count: 300 })
        .filter(({ kind }) => kind === "click")
        .map(({ visit, product, at }) => [visit, product, at]);
    expect(clicks(many)).toEqual(clicks(dull));
  });

  test("holds nothing about a person: a visit is a number of its own", () => {
    const events = simulate(needs, dull, UNTIL, 7, { count: 50 });
    expect(new Set(events.flatMap((event) => Object.keys(event)))).toEqual(
      new Set([
        "visit",
        "at",
        "kind",
        "searchId",
        "query",
        "searched",
        "outcome",
        "total",
        "shown",
        "rules",
        "product",
        "position",
        "device",
        "language",
        "value",
      ]),
    );
    expect(new Set(events.map(({ visit }) => visit)).size).toBeLessThanOrEqual(50);
  });
});

describe("what is meant", () => {
  test("has every class of need, products that serve it, and words that no title gave", () => {
    const titles = new Set(made.products.map(({ title }) => title.toLowerCase()));
    for (const sort of NEED_CLASSES) expect(needs.some((need) => need.sort === sort)).toBe(true);
    for (const { words, serves } of needs) {
      expect(words.length).toBeGreaterThan(0);
      expect(serves.size).toBeGreaterThan(0);
      for (const text of words) expect(titles.has(text)).toBe(false);
    }
  });

  test("follows the season: bulbs in autumn, seeds in spring", () => {
    const share = (month: number, top: string) => {
      const meant = sampleMeant(needs, 3000, month, 9);
      const tops = new Map(made.products.map(({ id, category }) => [id, category[0]]));
      return meant.filter(({ need }) => tops.get([...need.serves.keys()][0]) === top).length;
    };
    expect(share(10, "Bulbs")).toBeGreaterThan(share(4, "Bulbs"));
    expect(share(4, "Seeds")).toBeGreaterThan(share(11, "Seeds"));
  });

  test("is misspelt by one slip of the hand, never in short words or numbers", () => {
    const random = new Random(11);
    for (const word of ["fern", "9cm", "qg-1042"]) expect(misspell(word, random)).toBe(word);
    const slips = Array.from({ length: 200 }, () => misspell("hydrangea", random));
    expect(new Set(slips).size).toBeGreaterThan(10);
    for (const slip of slips) expect(Math.abs(slip.length - "hydrangea".length)).toBeLessThanOrEqual(1);
  });
});
