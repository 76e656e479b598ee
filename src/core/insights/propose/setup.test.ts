import { AT, gardenSearcher } from "@tests/core/garden";
import { build } from "../../index/build";
import { NO_STATS, type QueryStats } from "../../log/tally";
import { prepare } from "../../prepare/searcher";
import { Settings } from "../../settings/schema";
import { defaultSettings } from "./defaults";
import { proposeSetup, type SetupPart } from "./setup";

function partsOf(changes: Parameters<typeof gardenSearcher>[0], queries: QueryStats[] = []): SetupPart[] {
  const searcher = gardenSearcher(changes);
  const steps = proposeSetup({ searcher, stats: { ...NO_STATS, queries }, defaults: defaultSettings(searcher.index), at: AT });
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
}
const titles = (parts: SetupPart[]) => parts.map(({ title }) => title);
const asked = (text: string, products: QueryStats["products"]): QueryStats => ({
  text,
  asked: 20,
  lastWeek: 5,
  visits: 20,
  clicked: 10,
  baskets: 0,
  orders: 0,
  found: 3,
  outcome: "results",
  lastAt: "",
  meanPlace: 3,
  products,
});

describe("a proposed set-up", () => {
  test("searches what a fresh import would, adds its filters, and says why", () => {
    const parts = partsOf({ attributes: { title: { searchable: true, weight: 5 } }, filters: {}, ranking: { ties: {} } });
    expect(titles(parts)).toEqual(expect.arrayContaining([expect.stringMatching(/^Search in /), expect.stringMatching(/^Filter by /)]));
    for (const { reason, operations } of parts) {
      expect(reason.length).toBeGreaterThan(20);
      expect(operations.length).toBeGreaterThan(0);
    }
  });

  test("has nothing to say where the draft is what a fresh import starts from", () => {
    const { settings } = gardenSearcher();
    const defaults = defaultSettings(gardenSearcher().index);
    const parts = partsOf({ ...settings, ...defaults });
    expect(titles(parts).filter((title) => !title.includes("groups of colours"))).toEqual([]);
  });

  test("a field that counts too little for what shoppers click is proposed to count more", () => {
    const base = { unit: null, perOption: false, shown: true } as const;
    const words = ["rose", "tulip", "lavender", "hosta", "iris", "fern"];
    const index = build({
      locale: "en",
      pages: [],
      fields: [
        { key: "title", label: "Title", type: "text", role: "title", ...base },
        { key: "text", label: "Text", type: "text", role: "description", ...base },
      ],
      products: words.flatMap((word) => [
        { id: `${word}-named`, values: { title: `${word} Mill`, text: "a plant" }, options: [] },
        { id: `${word}-told`, values: { title: "a book", text: `all about ${word}, and how to grow a ${word} in a garden` }, options: [] },
      ]),
    });
    const attributes = { title: { searchable: true, weight: 2 }, text: { searchable: true, weight: 2 } };
    const searcher = prepare(index, Settings.parse({ attributes, ranking: { tieWidth: 0 } }));
    const queriesFor = (id: string) => words.map((word) => asked(word, [{ id: `${word}-${id}`, clicks: 5 }]));
    const weights = (queries: QueryStats[]) => {
      const steps = proposeSetup({ searcher, stats: { ...NO_STATS, queries }, defaults: searcher.settings, at: AT });
      for (;;) {
        const step = steps.next();
        if (step.done) return step.value.map(({ id }) => id).filter((id) => id.startsWith("weight"));
      }
    };
    expect(weights(queriesFor("told"))).toEqual([]);
    expect(weights(queriesFor("named")).length).toBeGreaterThan(0);
    // Clicks on what is not found move nothing.
    expect(weights(queriesFor("gone"))).toEqual([]);
  });
});
