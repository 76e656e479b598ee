import { build } from "../index/build";
import { defaultSettings } from "../insights/propose/defaults";
import { prepare } from "../prepare/searcher";
import { SearchRequest } from "../search/request";
import { search } from "../search/search";

const TITLES = [
  "Gartenschere aus Stahl",
  "Rosenschere",
  "Scherenöl",
  "Gießkanne 1,5 Liter",
  "Rose für den Garten",
  "Blumentopf",
  "Handschuhe",
  "Topf mit Rose",
];

function find(query: string, locale = "de") {
  const fields = [{ key: "titel", label: "Titel", type: "text", role: "title", unit: null, perOption: false, shown: true } as const];
  const index = build({ locale, fields, products: TITLES.map((titel, i) => ({ id: `${i}`, values: { titel }, options: [] })), pages: [] });
  const found = search(prepare(index, defaultSettings(index)), SearchRequest.parse({ query }), { at: 0, visible: () => true });
  return {
    titles: found.hits.map((hit) => hit.title),
    steps: found.query.steps.map(({ kind, to }) => `${kind} ${to}`),
    outcome: found.outcome,
  };
}

describe("words written together", () => {
  test("are found by their last part, but only where the rest is a word too", () => {
    expect(find("Schere").titles.sort()).toEqual(["Gartenschere aus Stahl", "Rosenschere"].sort());
    expect(find("Schuhe").titles).toEqual([]);
  });
  test("rank behind the word itself", () => {
    expect(find("Topf").titles[0]).toBe("Topf mit Rose");
  });
  test("that nobody sells are cut into words that one product holds", () => {
    expect(find("Rosentopf")).toMatchObject({ titles: ["Topf mit Rose", "Rose für den Garten"], outcome: "results" });
    const { titles, steps } = find("Gartenrose");
    expect([titles[0], steps[0]]).toEqual(["Rose für den Garten", "compound garten rose"]);
  });
  test("are found by their heads alone where nothing is known of the rest", () => {
    expect(find("Astschere")).toMatchObject({ steps: ["compound schere"], outcome: "results" });
    expect(find("Astschere").titles).toContain("Gartenschere aus Stahl");
    // What is a slip of a word is read as that.
    expect(find("Blumentoph").steps).toEqual(["correction blumentopf"]);
  });
  test("stay as they are in languages that write words apart", () => {
    expect(find("Schere", "en").titles).not.toContain("Rosenschere");
  });
  test("umlauts and ß may be spelt out, and a comma comes before decimals", () => {
    expect(find("giesskanne 1,5 liter").titles).toEqual(["Gießkanne 1,5 Liter"]);
    expect(find("Gießkanne 1.5 l").titles).toEqual(["Gießkanne 1,5 Liter"]);
  });
});
