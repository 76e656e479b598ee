import { find, gardenSearcher, idsOf } from "@tests/core/garden";
import type { SearchFound } from "./request";

/** Those that answer every word, which come first. */
const fullMatchesOf = (found: SearchFound) => idsOf(found).slice(0, found.query.fullMatches ?? found.total);

describe("what a search finds", () => {
  const garden = gardenSearcher();

  test("a word finds the products that hold it, early in the title before late", () => {
    expect(idsOf(find(garden, "lavender"))).toEqual(["P3", "P1", "P2"]);
    expect(idsOf(find(garden, "english lavender"))[0]).toBe("P1");
  });

  test("other forms of a word are found", () => {
    expect(idsOf(find(garden, "lavenders")).sort()).toEqual(["P1", "P2", "P3"]);
    expect(idsOf(find(garden, "roses"))[0]).toEqual("P4");
  });

  test("a misspelt word that nobody holds is corrected, and the trace says so", () => {
    const found = find(garden, "lavendar");
    expect(found.query).toMatchObject({ typed: "lavendar", searched: "lavender" });
    expect(found.query.steps).toContainEqual({ kind: "correction", from: "lavendar", to: "lavender" });
    expect(idsOf(found)).toContain("P1");
  });

  test("every word must be answered, and when none answers all the closest are shown and told", () => {
    const found = find(garden, "white rose");
    // What answers a part of it fills up behind.
    expect(idsOf(found)).toEqual(["P5", "P4", "P9"]);
    expect([found.outcome, found.query.fullMatches, ...found.hits.map(({ answers }) => answers.join(" "))]).toEqual([
      "results",
      1,
      "white rose",
      "rose",
      "rose",
    ]);
    const strict = find(gardenSearcher({ deadEnd: { ladder: [] } }), "white rose");
    expect(idsOf(strict)).toEqual(["P5"]);
    const partial = find(garden, "rose trellis");
    expect(partial.outcome).toBe("partial");
    expect(partial.query.leftOut).toEqual(["trellis"]);
    expect(idsOf(partial)).toContain("P4");
  });

  test("article numbers are found whole and in part, however they are written", () => {
    expect(idsOf(find(garden, "QG-1007-A"))[0]).toBe("P8");
    expect(find(garden, "qg1007a").hits[0]).toMatchObject({ id: "P8", tier: 2 });
    expect(idsOf(find(garden, "1007"))).toEqual(["P8"]);
    expect(idsOf(find(garden, "P1-2"))[0]).toBe("P1");
    expect(find(garden, "P1-2").hits[0].variant).toBe("P1-2");
  });

  test("a number with its unit is together or equals a number field after conversion", () => {
    expect(fullMatchesOf(find(garden, "lavender 9cm"))).toEqual(["P1"]);
    expect(find(garden, "lavender 9cm").hits[0].variant).toBe("P1-9");
    expect(fullMatchesOf(find(garden, "lavender 600 mm"))).toEqual(["P1"]);
  });

  test("hyphenated and joined forms find each other", () => {
    for (const query of ["blackeyed susan", "black-eyed susan"]) expect(fullMatchesOf(find(garden, query))).toEqual(["P10"]);
    for (const query of ["green-house", "green house"]) expect(fullMatchesOf(find(garden, query))).toEqual(["P6"]);
  });

  test("synonyms widen a search, words of the left side still match apart, and no word loses its own results", () => {
    const taught = gardenSearcher({
      words: {
        w1: { does: "synonym", words: ["aubergine", "eggplant"] },
        w2: { does: "one-way", words: ["sprinkling can"], to: ["watering can"] },
      },
    });
    expect(find(garden, "aubergine seeds").query.leftOut).toEqual(["aubergine"]);
    expect(fullMatchesOf(find(taught, "aubergine seeds"))).toEqual(["P6"]);
    expect(fullMatchesOf(find(taught, "eggplants"))).toEqual(["P6"]);
    expect(fullMatchesOf(find(taught, "sprinkling can"))).toEqual(["P9"]);
    expect(fullMatchesOf(find(taught, "watering can"))).toEqual(["P9"]);
  });

  test("words can be read as others, ignored, kept together and never changed", () => {
    const taught = gardenSearcher({
      words: {
        w1: { does: "rewrite", words: ["clemetis"], to: ["climbing rose"] },
        w2: { does: "ignore", words: ["for"] },
        w3: { does: "phrase", words: ["little cart"] },
        w4: { does: "literal", words: ["roses"] },
      },
    });
    expect(fullMatchesOf(find(taught, "clemetis"))).toEqual(["P4"]);
    expect(fullMatchesOf(find(taught, "seeds for greenhouse"))).toEqual(["P6"]);
    expect(fullMatchesOf(find(taught, "little cart"))).toEqual(["P2"]);
    expect(find(taught, "cart little").outcome).toBe("results");
    expect(idsOf(find(taught, "roses"))).toEqual(idsOf(find(taught, "roses")));
  });

  test("a beginning finds longer words while typing and where no field holds it", () => {
    expect(idsOf(find(garden, "secat"))).toEqual(["P8"]);
  });

  test("sold-out products stand behind", () => {
    expect(idsOf(find(garden, "rose")).at(-1)).toBe("P5");
  });

  test("a guide is found beside the products", () => {
    expect(find(garden, "prune lavender").pages.hits.map((page) => page.id)).toEqual(["g1"]);
  });

  test("what cannot be found at all ends with ways on", () => {
    const found = find(garden, "aquarium");
    expect(found.outcome).toBe("dead-end");
    expect(found.deadEnd?.message).toContain("aquarium");
    expect(found.deadEnd?.products.length).toBeGreaterThan(0);
  });

  test("too long a query is read as far as the limits allow, and the trace names the rest", () => {
    const found = find(garden, `${"lavender ".repeat(40)}`);
    expect(found.query.steps[0]).toMatchObject({ kind: "dropped" });
  });
});
