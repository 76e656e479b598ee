import { gardenCatalogue, PRODUCTS } from "@tests/core/garden";
import { countBits, emptyBits, fullBits, hasBit, intersect, invert, isEmpty, listBits, setBit, subtract, unite } from "./bits";
import { build } from "./build";
import { productAt, productNumber } from "./read";
import { compareCodePoints, findSorted, packStrings, prefixRun, stringAt, stringsOf } from "./strings";
import { VALUE_GAP } from "./types";
import { visitWords } from "./words";

describe("the index of a catalogue", () => {
  const index = build(gardenCatalogue());
  const { postings, lexicon } = index;

  test("holds every product as it came", () => {
    for (const product of PRODUCTS) expect(productAt(index, productNumber(index, product.id))).toEqual(product);
    expect(productNumber(index, "nobody")).toBe(-1);
  });

  test("lists stand by term, then field, and their products ascend", () => {
    const terms = stringsOf(lexicon.terms);
    expect([...terms].sort()).toEqual(terms);
    for (let term = 0; term < terms.length; term++) {
      for (let list = postings.listStarts[term]; list < postings.listStarts[term + 1]; list++) {
        if (list > postings.listStarts[term]) expect(postings.listFields[list]).toBeGreaterThan(postings.listFields[list - 1]);
        for (let i = postings.postingStarts[list] + 1; i < postings.postingStarts[list + 1]; i++) {
          expect(postings.products[i]).toBeGreaterThan(postings.products[i - 1]);
        }
      }
    }
  });

  test("frequencies are the number of positions", () => {
    for (let i = 0; i < postings.products.length; i++) {
      expect(postings.frequencies[i]).toBe(postings.positionStarts[i + 1] - postings.positionStarts[i]);
    }
  });

  test("a term knows in how many products it stands, and which other forms it has", () => {
    const lavender = findSorted(lexicon.terms, "lavender");
    expect(lexicon.termProducts[lavender]).toBe(3);
    const climber = findSorted(lexicon.terms, "climbing");
    const stem = lexicon.termStems[climber];
    const forms = [...lexicon.stemTerms.subarray(lexicon.stemStarts[stem], lexicon.stemStarts[stem + 1])].map((term) =>
      stringAt(lexicon.terms, term),
    );
    expect(forms).toContain("climbing");
  });

  test("a product without options has one that stands for it", () => {
    expect(index.options).toBe(PRODUCTS.length + 1);
    expect([...index.optionStarts.subarray(0, 3)]).toEqual([0, 2, 3]);
    expect(stringAt(index.optionIds, 1)).toBe("P1-2");
  });

  test("columns count values once, a path under each of its levels", () => {
    const column = index.columns[index.fields.findIndex((field) => field.key === "category")];
    if (column.kind !== "keys") throw new Error("A path has keys.");
    expect(stringsOf(column.keys)).toContain("Plants › Roses");
    expect(column.starts[1] - column.starts[0]).toBe(2);
  });

  test("an empty catalogue has an index too", () => {
    const empty = build({ locale: "en", fields: [], products: [], pages: [] });
    expect(empty.products).toBe(0);
  });
});

describe("words of a field", () => {
  const visited = (texts: string[], german = false) => {
    const found: [string, number][] = [];
    const count = visitWords(texts, german, (word, _surface, position) => found.push([word, position]));
    return { found, count };
  };
  test("values stand apart, so that no phrase crosses", () => {
    expect(visited(["red rose", "pot"]).found).toEqual([
      ["red", 0],
      ["rose", 1],
      ["pot", 2 + VALUE_GAP],
    ]);
  });
  test("hyphenated words are there apart and joined, but count once each", () => {
    expect(visited(["black-eyed susan"])).toEqual({
      found: [
        ["black", 0],
        ["blackeyed", 0],
        ["eyed", 1],
        ["susan", 2],
      ],
      count: 3,
    });
  });
  test("German umlauts are there both ways", () => {
    expect(visited(["grüne Töpfe"], true).found.map(([word]) => word)).toEqual(["grune", "gruene", "topfe", "toepfe"]);
  });
});

describe("sets of products", () => {
  const of = (size: number, members: number[]) => {
    const bits = emptyBits(size);
    for (const member of members) setBit(bits, member);
    return bits;
  };
  test("are counted, listed, joined, cut and turned over", () => {
    const a = of(70, [0, 31, 32, 69]);
    const b = of(70, [31, 40]);
    expect([countBits(a), isEmpty(a), hasBit(a, 69), hasBit(a, 68)]).toEqual([4, false, true, false]);
    expect([...listBits(unite(a.slice(), b))]).toEqual([0, 31, 32, 40, 69]);
    expect([...listBits(intersect(a.slice(), b))]).toEqual([31]);
    expect([...listBits(subtract(a.slice(), b))]).toEqual([0, 32, 69]);
    expect(countBits(invert(a, 70))).toBe(66);
    for (const size of [0, 1, 31, 32, 33, 64, 70]) expect(countBits(fullBits(size))).toBe(size);
  });
});

describe("strings in one blob", () => {
  const words = ["", "rose", "röse", "🌹", "rosette", "z"].sort();
  const blob = packStrings(words);
  test("come out as they went in", () => {
    expect(words.map((_, i) => stringAt(blob, i))).toEqual(words);
    expect(words.map((word) => findSorted(blob, word))).toEqual([...words.keys()]);
    expect(findSorted(blob, "absent")).toBe(-1);
  });
  test("those with a beginning are together", () => {
    const { from, to } = prefixRun(blob, "rose");
    expect(words.slice(from, to)).toEqual(["rose", "rosette"]);
    const none = prefixRun(blob, "zz");
    expect(none.from).toBe(none.to);
  });
  test("code points order what code units would not", () => {
    expect(compareCodePoints("\uFFFD", "🌹")).toBeLessThan(0);
    expect("\uFFFD" < "🌹").toBe(false);
    expect(compareCodePoints("a", "ab")).toBeLessThan(0);
  });
});
