import { find, gardenSearcher, idsOf } from "@tests/core/garden";
import { prepare } from "../../prepare/searcher";
import { knownCommon } from "./common";
import { matchTerm } from "./terms";

/** A term that a term answers alone. */
const unitOf = (term: number) => ({
  label: "x",
  words: [],
  expansions: [{ kind: "term" as const, term, via: "exact" as const, matched: "x", quality: 1 }],
});

describe("common words", () => {
  test("a search that is asked again has the same order, scores and accounts", () => {
    const garden = gardenSearcher({});
    const ask = () => find(garden, { query: "lavender", explain: true });
    const first = ask();
    expect(first.hits.length).toBeGreaterThan(1);
    expect(ask()).toEqual(first);
    for (const { explain } of first.hits) {
      const sum = explain?.parts.reduce((all, { points }) => all + points, 0) ?? 0;
      expect(explain?.base).toBeCloseTo(sum, 10);
    }
  });

  test("what is kept is of the attributes: other weights earn other points", () => {
    const garden = gardenSearcher({});
    const before = find(garden, { query: "lavender", explain: true });
    const title = garden.settings.attributes.title;
    const heavier = { ...garden.settings, attributes: { ...garden.settings.attributes, title: { ...title, weight: 1 } } };
    const after = find(prepare(garden.base, heavier, garden), { query: "lavender", explain: true });
    expect(after.hits[0].explain?.base).not.toBe(before.hits[0].explain?.base);
    expect(idsOf(find(garden, "lavender"))).toEqual(idsOf(before));
  });

  test("a queryTerm is known again by what answers it, and only where a good part of the catalogue does", () => {
    const garden = gardenSearcher({});
    const { listStarts } = garden.index.postings;
    const terms = Array.from({ length: listStarts.length - 1 }, (_, term) => term);
    const counted = terms.map((term) => ({ term, count: matchTerm(garden, unitOf(term)).count }));
    for (const { term, count } of counted.slice(-40)) {
      const isKept = matchTerm(garden, unitOf(term)).common !== undefined;
      expect(isKept).toBe(count > 0 && count * 16 >= garden.index.products);
    }
    const [last] = counted.filter(({ count }) => count * 16 >= garden.index.products).slice(-1);
    matchTerm(garden, unitOf(last.term));
    expect(knownCommon(garden, unitOf(last.term))?.count).toBe(last.count);
    const other = unitOf(last.term);
    other.expansions[0].quality = 0.5;
    expect(knownCommon(garden, other)).toBeNull();
  });

  test("no more than a handful are kept, those used last", () => {
    const garden = gardenSearcher({});
    const { listStarts } = garden.index.postings;
    const common = Array.from({ length: listStarts.length - 1 }, (_, term) => unitOf(term)).filter(
      (queryTerm) => matchTerm(garden, queryTerm).common,
    );
    expect(common.length).toBeGreaterThan(12);
    for (const queryTerm of common) matchTerm(garden, queryTerm);
    expect(common.filter((queryTerm) => knownCommon(garden, queryTerm) !== null).length).toBe(12);
    expect(knownCommon(garden, common[common.length - 1])).not.toBeNull();
  });
});
