import { find, gardenSearcher } from "@tests/core/garden";
import { findSorted } from "../index/strings";
import { readQuery } from "../search/read-query";
import { findArticleNumbers } from "./article-numbers";
import { cleanQuery, MOST_CHARACTERS, MOST_WORDS, sayWords } from "./clean";
import { expandForms, expandPrefix, expandTypos, isHeld } from "./expand";
import { interpret } from "./interpret";

const garden = gardenSearcher();
const clean = (text: string) => cleanQuery(text, garden.stem, new Set());
const unitsOf = (text: string, searcher = garden, typing = false) => {
  const { words, numbers } = readQuery(searcher, text);
  return interpret(searcher, words, numbers, typing);
};

describe("a query is cut into words", () => {
  test("each knows its chunk, its stem and whether a hyphen ties it", () => {
    const { words } = clean("Black-eyed 9cm");
    expect(words.map(({ word, chunk, hyphened }) => [word, chunk, hyphened])).toEqual([
      ["black", 0, false],
      ["eyed", 0, true],
      ["9", 1, false],
      ["cm", 1, false],
    ]);
    expect(sayWords(words)).toBe("black-eyed 9 cm");
  });
  test("beyond the limits it is dropped, and said", () => {
    expect(clean(`${"a ".repeat(MOST_WORDS + 3)}`).words).toHaveLength(MOST_WORDS);
    const long = clean("x".repeat(MOST_CHARACTERS + 10));
    expect(long.words[0].word).toHaveLength(MOST_CHARACTERS);
    expect(long.steps).toEqual([{ kind: "dropped", from: "xxxxxxxxxx" }]);
  });
  test("signs alone are no words", () => {
    expect(clean("?! … – ").words).toEqual([]);
  });
});

describe("article numbers in a query", () => {
  const numbers = (text: string) =>
    findArticleNumbers(garden.index, text).map(({ code, whole, products }) => [code, whole, products.length]);
  test("whole, however they are written, and over spaces", () => {
    expect(numbers("qg1003a")).toEqual([["qg1003a", true, 1]]);
    expect(numbers("QG 1003 A")).toEqual([["QG 1003 A", true, 1]]);
    expect(numbers("rose QG-1003-A")).toEqual([["QG-1003-A", true, 1]]);
  });
  test("in part from three characters; digits alone only as the whole query; letters never in part", () => {
    expect(numbers("G-100")).toEqual([["G-100", false, 10]]);
    expect(numbers("003")).toEqual([["003", false, 1]]);
    expect(numbers("rose 003")).toEqual([]);
    expect(numbers("qg")).toEqual([]);
  });
});

describe("what a word stands for", () => {
  const [rose] = clean("roses").words;
  test("itself first, then its other forms", () => {
    expect(expandForms(garden, rose).map(({ matched, via, quality }) => [matched, via, quality])).toEqual([
      ["roses", "exact", 1],
      ["rose", "form", 0.92],
    ]);
    expect(expandForms(garden, { ...rose, literal: true }).map(({ matched }) => matched)).toEqual(["roses"]);
  });
  test("longer words, the most frequent first, never for digits", () => {
    const matched = expandPrefix(garden, clean("s").words[0]).map((expansion) => expansion.matched);
    const counts = matched.map((word) => garden.index.lexicon.termProducts[findSorted(garden.index.lexicon.terms, word)]);
    expect([...counts].sort((a, b) => b - a)).toEqual(counts);
    expect(expandPrefix(garden, clean("9").words[0])).toEqual([]);
  });
  test("close words are worth less the further they are", () => {
    expect(expandTypos(garden, clean("secateus").words[0]).map(({ matched, quality }) => [matched, quality])).toEqual([["secateurs", 0.6]]);
  });
  test("is held when a searched field has it in any form", () => {
    expect(isHeld(garden, clean("climb").words[0])).toBe(true);
    expect(isHeld(garden, clean("trellis").words[0])).toBe(false);
    const titleOnly = gardenSearcher({ attributes: { title: { searchable: true, weight: 1 } } });
    expect(isHeld(titleOnly, clean("scented").words[0])).toBe(false);
  });
});

describe("units", () => {
  test("a number and its queryTerm are one, words set to be together are one", () => {
    expect(unitsOf("lavender 60 cm").queryTerms.map((queryTerm) => queryTerm.label)).toEqual(["lavender", "60 cm"]);
    const together = gardenSearcher({ words: { w: { does: "phrase", words: ["watering can"] } } });
    expect(unitsOf("watering can", together).queryTerms.map((queryTerm) => queryTerm.label)).toEqual(["watering can"]);
    expect(find(together, "can watering").total).toBe(1);
  });
  test("ignored words are dropped unless nothing would be left", () => {
    const searcher = gardenSearcher({ words: { w: { does: "ignore", words: ["for", "the"] } } });
    expect(unitsOf("seeds for the greenhouse", searcher).queryTerms.map((queryTerm) => queryTerm.label)).toEqual(["seeds", "greenhouse"]);
    expect(unitsOf("for the", searcher).queryTerms).toHaveLength(2);
  });
  test("the longest synonym wins, and synonyms are not chained", () => {
    const searcher = gardenSearcher({
      words: {
        a: { does: "synonym", words: ["can", "tin"] },
        b: { does: "synonym", words: ["watering can", "sprinkler"] },
        c: { does: "synonym", words: ["tin", "bucket"] },
      },
      // The fallback to weaker synonyms goes further, where nothing is found.
      deadEnd: { ladder: [] },
    });
    const { steps } = unitsOf("watering can", searcher);
    expect(steps.map(({ from, to }) => `${from} = ${to}`)).toEqual(["watering can = sprinkler"]);
    expect(find(searcher, "bucket").total).toBe(0);
    expect(find(searcher, "tin").total).toBe(1);
  });
  test("a rule that is off does nothing; one way is one way", () => {
    const off = gardenSearcher({ words: { a: { does: "synonym", words: ["eggplant", "aubergine"], on: false } }, deadEnd: { ladder: [] } });
    expect(find(off, "aubergine").outcome).toBe("dead-end");
    const also = gardenSearcher({ words: { a: { does: "one-way", words: ["pruners"], to: ["secateurs"] } } });
    expect(find(also, "pruners").total).toBe(1);
    expect(find(also, "secateurs").query.steps).toEqual([]);
  });
  test("the last word is completed while typing, also when it is a word itself", () => {
    const completed = (typing: boolean) =>
      unitsOf("rose", garden, typing).queryTerms[0].expansions.some((expansion) => expansion.via === "prefix");
    expect(completed(false)).toBe(false);
    expect(unitsOf("ro", garden, true).queryTerms[0].expansions.some((expansion) => expansion.matched === "rose")).toBe(true);
  });
});
