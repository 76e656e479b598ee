import { find, gardenSearcher, idsOf } from "@tests/core/garden";
import type { SettingsInput } from "../../settings/schema";

const ladder = (...fallbacks: ("joined" | "widening" | "partial" | "category")[]): SettingsInput => ({ deadEnd: { ladder: fallbacks } });

describe("when no product has every word", () => {
  test("joined and split words are tried", () => {
    const garden = gardenSearcher(ladder("joined"));
    expect(idsOf(find(garden, "water ing can"))).toEqual(["P9"]);
    expect(idsOf(find(garden, "wateringcan"))).toEqual(["P9"]);
    expect(find(garden, "wateringcan").query.steps).toContainEqual({ kind: "joined", from: "wateringcan", to: "watering can" });
    expect(find(gardenSearcher(ladder()), "wateringcan").outcome).toBe("dead-end");
  });

  test("words that are close are tried, but not those that hold a digit or are never changed", () => {
    const garden = gardenSearcher({ ...ladder("widening"), misspelling: { policy: "correct" } });
    expect(idsOf(find(garden, "lavenders rosse"))).toEqual([]);
    expect(idsOf(find(garden, "bypas secateurs"))).toEqual(["P8"]);
    // A short word by itself is asked about.
    expect(find(garden, "roze")).toMatchObject({ outcome: "dead-end", query: { didYouMean: ["rose"] } });
    const literal = gardenSearcher({ ...ladder("widening"), words: { w: { does: "literal", words: ["secaters"] } } });
    expect(find(literal, "secaters").outcome).toBe("dead-end");
  });

  test("of the words that some product has together, the rarest count", () => {
    const found = find(gardenSearcher(ladder("partial")), "lavender secateurs trellis");
    expect(found.outcome).toBe("partial");
    expect(found.query.leftOut).toEqual(["lavender", "trellis"]);
    // What covers less fills up, down to ten.
    expect(idsOf(found)[0]).toBe("P8");
    expect(found.hits.slice(1).every(({ answers }) => answers.join() === "lavender")).toBe(true);
  });

  test("what is meant counts more than what that is like", () => {
    // The last word says what is meant.
    expect(find(gardenSearcher(ladder("partial")), "courgette eggplant").query.leftOut).toEqual(["courgette"]);
    expect(find(gardenSearcher(ladder("partial")), "eggplant courgette").query.leftOut).toEqual(["eggplant"]);
  });

  test("the category of the closest words comes last of all", () => {
    const found = find(gardenSearcher(ladder("category")), "rosee trellis");
    expect(found.query.steps.at(-1)).toMatchObject({ kind: "category" });
    expect(found.total).toBeGreaterThan(0);
  });

  test("nothing is tried where the acting shelf brings products", () => {
    const shelf = { name: "k", searches: [{ match: "is" as const, text: "rose trellis" }], categories: [], rank: "a", pins: { P9: 1 } };
    const found = find(gardenSearcher({ shelves: { k: shelf } }), "rose trellis");
    expect(found).toMatchObject({ outcome: "results", total: 1 });
  });
});

describe("misspellings", () => {
  test("left alone, asked about, or corrected", () => {
    const policy = (kind: "off" | "ask" | "correct") =>
      find(gardenSearcher({ misspelling: { policy: kind }, deadEnd: { ladder: [] } }), "lavendar");
    expect(policy("off")).toMatchObject({ outcome: "dead-end", query: { didYouMean: [] } });
    expect(policy("ask")).toMatchObject({ outcome: "dead-end", query: { searched: "lavendar", didYouMean: ["lavender"] } });
    expect(policy("correct")).toMatchObject({ outcome: "results", query: { searched: "lavender" } });
  });

  test("a correction is taken only where the other words still find something", () => {
    expect(find(gardenSearcher(), "bypass secateus").query.searched).toBe("bypass secateurs");
    expect(find(gardenSearcher({ deadEnd: { ladder: [] } }), "courgette secateus").query.searched).toBe("courgette secateus");
  });

  test("words that are never offered and fields that are excepted lead nowhere", () => {
    expect(
      find(gardenSearcher({ words: { w: { does: "never-offer", words: ["lavender"] } }, deadEnd: { ladder: [] } }), "lavendar").outcome,
    ).toBe("dead-end");
    const excepted = gardenSearcher({ misspelling: { except: ["title", "description"] }, deadEnd: { ladder: [] } });
    expect(find(excepted, "lavendar").outcome).toBe("dead-end");
  });

  test("a field in which misspellings are off is not found by an edit either", () => {
    const typoIn = (except: string[]) =>
      find(gardenSearcher({ misspelling: { except } }), { query: "bypas secateurs", explain: true })
        .hits.flatMap((hit) => hit.explain?.parts ?? [])
        .flatMap(({ via, field }) => (via === "typo" ? [field] : []));
    expect(typoIn([])).toEqual(["title"]);
    expect(typoIn(["title"])).toEqual([]);
  });

  test("there is a way back to what was typed, and from there to what was meant", () => {
    const typed = find(gardenSearcher({ deadEnd: { ladder: [] } }), { query: "lavendar", asTyped: true });
    expect(typed).toMatchObject({ outcome: "dead-end", query: { searched: "lavendar", steps: [], didYouMean: ["lavender"] } });
  });
});
