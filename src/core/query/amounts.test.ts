import { field } from "@tests/core/garden";
import { build } from "../index/build";
import { defaultSettings } from "../insights/propose/defaults";
import { prepare } from "../prepare/searcher";
import { SearchRequest } from "../search/request";
import { search } from "../search/search";

const TITLES = [
  "Rose food 2.5 kg",
  "Rose food 5 kg",
  "Rose food 500 g",
  "Watering can 9 l",
  "Watering can 1,5 litres",
  "Hose connector ½ inch",
  "Hose connector 3/4 inch",
  "Trellis 6 ft",
  "Fence 10-12 m",
  "Label 11 cm",
];
const VOLUMES: Record<number, number> = { 3: 9000, 4: 1500 };

const fields = [field("title", "text", "title"), field("volume", "number", "attribute", { unit: "ml" })];
const index = build({
  locale: "en",
  fields,
  products: TITLES.map((title, i) => ({ id: `item-${"abcdefghij"[i]}`, values: { title, volume: VOLUMES[i] ?? null }, options: [] })),
  pages: [],
});
const searcher = prepare(index, defaultSettings(index));
const ask = (query: string) => search(searcher, SearchRequest.parse({ query, explain: true }), { at: 0, visible: () => true });
/** Titles of what answers all of it. */
const find = (query: string) => {
  const found = ask(query);
  return found.hits.slice(0, found.query.fullMatches ?? found.total).map(({ title }) => title);
};

describe("amounts are whole", () => {
  test.each([
    ["rose food 5 kg", ["Rose food 5 kg"]],
    ["rose food 2,5kg", ["Rose food 2.5 kg"]],
    ["rose food 5", ["Rose food 5 kg"]],
    ["rose food 0.5 kg", ["Rose food 500 g"]],
    ["rose food 2500 grams", ["Rose food 2.5 kg"]],
    ["watering can 1.5 l", ["Watering can 1,5 litres"]],
    ["9000 ml", ["Watering can 9 l"]],
    ["hose connector 1/2 inch", ["Hose connector ½ inch"]],
    ["hose connector 0.75 in", ["Hose connector 3/4 inch"]],
    ['hose connector ½"', ["Hose connector ½ inch"]],
    ["trellis 6'", ["Trellis 6 ft"]],
  ])("%s", (query, titles) => {
    expect(find(query)).toEqual(titles);
  });

  test("a range finds what is within it, and the same range", () => {
    expect(find("rose food 2 to 6 kg").sort()).toEqual(["Rose food 2.5 kg", "Rose food 5 kg"]);
    expect(find("label 10-12 cm")).toEqual(["Label 11 cm"]);
    expect(find("label 10 - 12 cm")).toEqual(["Label 11 cm"]);
    expect(find("fence 10-12 m")).toEqual(["Fence 10-12 m"]);
  });

  test("the nearest amount of what answers the rest stands in for one that is not there", () => {
    const can = ask("10 litre watering can");
    expect(can.hits[0].title).toBe("Watering can 9 l");
    expect(can.query.steps).toContainEqual({ kind: "amount", from: "10 litre", to: "9 l, 9000 ml" });
    expect(find("rose food 4.5 kg")).toEqual(["Rose food 5 kg"]);
    expect(find("trellis 180 cm")).toEqual(["Trellis 6 ft"]);
    // A hundred litres are no nine.
    expect(ask("100 litre watering can").query.steps.map(({ kind }) => kind)).not.toContain("amount");
  });
});
