import { AT, find, gardenCatalogue, gardenSearcher } from "@tests/core/garden";
import { build } from "../index/build";
import { defaultSettings } from "../insights/propose/defaults";
import { prepare } from "../prepare/searcher";
import { Settings, type SettingsInput } from "../settings/schema";
import { SuggestRequest } from "../suggest/request";
import { suggest } from "../suggest/suggest";

const end = (query: string, settings: SettingsInput = {}) => {
  const { outcome, deadEnd } = find(gardenSearcher(settings), query);
  if (outcome !== "dead-end" || !deadEnd) throw new Error(`“${query}” finds something.`);
  return deadEnd;
};

describe("a dead end", () => {
  test("proposes the closest words, their positions, and what sells there", () => {
    const { searches, categories, products } = end("secatoooors", { misspelling: { policy: "off" }, deadEnd: { ladder: [] } });
    expect(searches).toEqual([]);
    expect(categories).toEqual([]);
    expect(products.length).toBeGreaterThan(0);
    const near = end("secateurrs", { misspelling: { policy: "off" }, deadEnd: { ladder: [] } });
    expect(near.searches).toContain("secateurs");
    expect(near.categories[0].path).toEqual(["Tools", "Cutting"]);
    expect(near.products[0].id).toBe("P8");
  });
  test("is in the merchandiser's order, with headings in the language, and as many of each as wanted", () => {
    const parts = { products: { rank: "a", heading: { en: "From us" } }, searches: { on: false }, message: { rank: "b" } };
    const { parts: shown, products } = end("unicorn", { deadEnd: { parts: { ...parts, products: { ...parts.products, most: 2 } } } });
    expect(shown.slice(0, 2)).toEqual([
      { part: "products", heading: "From us" },
      { part: "tips", heading: "What may help" },
    ]);
    expect(shown.map(({ part }) => part)).not.toContain("searches");
    expect(products).toHaveLength(2);
  });
  test("by hand comes first and is filled up; without the automatic what is written by hand is all", () => {
    const byHand = { products: ["P7"], searches: ["rose", "unicorn"] };
    expect(end("unicorn", { deadEnd: byHand }).products.map(({ id }) => id)[0]).toBe("P7");
    expect(end("unicorn", { deadEnd: byHand }).products).toHaveLength(4);
    const alone = end("unicorn", { deadEnd: { ...byHand, automatic: false } });
    expect([alone.products.map(({ id }) => id), alone.searches]).toEqual([["P7"], ["rose"]]);
  });
  test("always offers something, whatever is switched off", () => {
    const { products } = end("unicorn", { deadEnd: { automatic: false } });
    expect(products.length).toBeGreaterThan(0);
  });
  test("has an answer of its own for a search or a word, from a moment to another", () => {
    const answers = {
      a: {
        searches: [{ match: "contains" as const, text: "aquarium" }],
        message: { en: "No fish here" },
        proposals: ["watering can"],
        products: ["P9"],
      },
    };
    const own = end("big aquarium", { deadEnd: { answers } });
    expect([own.message, own.searches[0], own.products[0].id]).toEqual(["No fish here", "watering can", "P9"]);
    const { products, categories } = end("big aquarium", {
      deadEnd: { answers: { a: { ...answers.a, products: [], proposals: ["secateurs"] } } },
    });
    expect([products[0].id, categories[0].path]).toEqual(["P8", ["Tools", "Cutting"]]);
    const later = { a: { ...answers.a, from: new Date(AT + 1000).toISOString() } };
    expect(end("big aquarium", { deadEnd: { answers: later } }).message).toBe("Nothing found for “big aquarium”.");
  });
});

describe("the fallbacks", () => {
  const part = (deadEnd: SettingsInput["deadEnd"]) => find(gardenSearcher({ deadEnd }), "lavender unicorn zebra");
  test("a part that holds less than the shop wants is not shown", () => {
    expect(part({}).outcome).toBe("partial");
    expect(part({ least: 10, ladder: ["partial"] }).outcome).toBe("partial");
    expect(part({ least: 80, ladder: ["partial"] }).outcome).toBe("dead-end");
  });
  test("fallbacks are tried in their order, and one that is off is not", () => {
    expect(part({ ladder: ["joined"] }).outcome).toBe("dead-end");
    expect(part({ ladder: ["category", "partial"] }).query.steps.at(-1)?.kind).toBe("category");
  });
  test("weaker synonyms: those of synonyms, and rules of one way against their direction, only where nothing is found", () => {
    const words: SettingsInput["words"] = {
      a: { does: "one-way", words: ["secateurs"], to: ["snippers"] },
      b: { does: "one-way", words: ["sprinkler"], to: ["rose can"] },
      c: { does: "synonym", words: ["rose can", "watering can"] },
    };
    const against = find(gardenSearcher({ words }), "snippers");
    expect([against.outcome, against.hits.map(({ id }) => id)]).toEqual(["results", ["P8"]]);
    expect(against.query.steps).toContainEqual({ kind: "synonym", from: "snippers", to: "secateurs", rule: "a" });
    const chained = find(gardenSearcher({ words }), "sprinkler");
    expect(chained.hits.map(({ id }) => id)).toContain("P9");
    expect(find(gardenSearcher({ words, deadEnd: { ladder: ["joined"] } }), "snippers").outcome).toBe("dead-end");
  });
});

describe("guides that answer a search alone", () => {
  const when = "when prune";
  it("are its result: no product, and nothing of the page for nothing found", () => {
    const found = find(gardenSearcher(), when);
    expect([found.outcome, found.total, found.deadEnd]).toEqual(["results", 0, null]);
    expect(found.pages).toMatchObject({ total: 1, hits: [{ id: "g1" }] });
    const { moment, blocks } = suggest(gardenSearcher(), SuggestRequest.parse({ query: when }), { at: AT, visible: () => true });
    expect([moment, blocks.find(({ kind }) => kind === "pages")?.items[0].id]).toEqual(["typing", "g1"]);
  });

  it("are not where the shop has an answer of its own, shows no guides, or the search is kept to a part of the range", () => {
    const answers = { own: { searches: [{ match: "is" as const, text: when }], products: ["P1"] } };
    expect(find(gardenSearcher({ deadEnd: { answers } }), when).outcome).toBe("dead-end");
    expect(find(gardenSearcher({ page: { content: { results: [] } } }), when).outcome).toBe("dead-end");
    expect(find(gardenSearcher(), { query: when, category: ["Tools"] }).outcome).toBe("dead-end");
  });

  it("are not where one of the words had to be changed or left out for them", () => {
    expect(find(gardenSearcher(), "when prunne").outcome).toBe("dead-end");
    expect(find(gardenSearcher(), "when unicorn").outcome).toBe("dead-end");
  });

  it("are, without the words that nothing in the shop holds, where what is left is what their title is about", () => {
    const found = find(gardenSearcher(), "prune questions");
    expect([found.outcome, found.total, found.deadEnd, found.pages.total]).toEqual(["results", 0, null, 1]);
    const { moment, blocks } = suggest(gardenSearcher(), SuggestRequest.parse({ query: "prune policy" }), { at: AT, visible: () => true });
    expect([moment, blocks.find(({ kind }) => kind === "pages")?.items[0].id]).toEqual(["typing", "g1"]);
    // In the text alone; a small word; a word that products are called by, and one that they hold.
    expect(find(gardenSearcher(), "after questions").outcome).toBe("dead-end");
    expect(find(gardenSearcher(), "when questions").outcome).toBe("dead-end");
    expect(find(gardenSearcher(), "lavender questions").pages.total).toBe(0);
    expect(find(gardenSearcher(), "prune secateurs").pages.total).toBe(0);
  });

  it("are instead of products that hold a part of the search in passing, not of those that are called by it", () => {
    const index = build({
      ...gardenCatalogue(),
      pages: [{ id: "r", title: "Delivery and returns", text: "We take back what does not suit.", link: "/r", picture: null }],
      products: gardenCatalogue().products.map((product, i) =>
        i > 0 ? product : { ...product, values: { ...product.values, description: "Asks little in return." } },
      ),
    });
    const shop = prepare(index, Settings.parse(defaultSettings(index)));
    const guide = find(shop, "returns policy");
    expect([guide.outcome, guide.total, guide.pages.hits[0]?.id]).toEqual(["results", 0, "r"]);
    expect(find(shop, "return").total).toBe(1);
    expect(find(shop, "lavender returns policy").outcome).toBe("partial");
    expect(find(shop, { query: "returns policy", category: ["Plants"] }).outcome).toBe("partial");
  });

  it("are not where a guide says the word in passing", () => {
    expect(find(gardenSearcher(), "after").outcome).toBe("dead-end");
  });

  it("are said below the products where there are products", () => {
    expect(find(gardenSearcher(), "prune lavender")).toMatchObject({ pages: { total: 1 } });
  });
});
