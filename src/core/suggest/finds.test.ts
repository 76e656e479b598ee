import { AT, find, gardenSearcher } from "@tests/core/garden";
import type { SettingsInput } from "../settings/schema";
import { findingOf } from "./finds";

const spot = { category: null, within: null, at: AT };
const shelf = (part: object): SettingsInput => ({
  shelves: { k: { name: "Shelf", searches: [{ match: "is", text: "lavender" }], categories: [], rank: "a", ...part } },
});

describe("what a search would come to", () => {
  test.each([
    ["plain", "lavender", {}],
    ["with a synonym", "aubergine", { words: { w: { does: "synonym", words: ["aubergine", "eggplant"] } } }],
    ["with a shelf that brings and keeps out", "lavender", shelf({ pins: { P8: 1 }, exclude: ["P1"] })],
    ["with an end of the shelf", "lavender", shelf({ pins: { P8: 1 }, end: 2, after: "nothing" })],
    ["with an end at what it brings", "lavender", shelf({ pins: { P8: 1, P9: 2 }, end: 2, after: "nothing" })],
    ["with a hide", "lavender", { hides: { h: { name: "h", products: ["P1"], places: ["searching"] } } }],
  ] as [string, string, SettingsInput][])("counts what its results page shows: %s", (_name, text, settings) => {
    const searcher = gardenSearcher(settings);
    expect(findingOf(searcher, text, spot).count).toBe(find(searcher, text).total);
  });
  test("a part of it, or the closest category, is nothing", () => {
    expect(findingOf(gardenSearcher(), "lavender unicorn", spot).count).toBe(0);
    expect(findingOf(gardenSearcher(), "unicorn", spot).count).toBe(0);
    expect(findingOf(gardenSearcher(), "  ", spot).count).toBe(0);
  });
  test("says where it leads, and that it needs a correction", () => {
    const searcher = gardenSearcher(shelf({ redirect: { to: "page", value: "g1" } }));
    expect(findingOf(searcher, "lavender", spot).redirect).toBe("Shelf");
    expect(findingOf(gardenSearcher(), "lavendar", spot)).toMatchObject({ count: 3, isCorrected: true });
  });
  test("is remembered until something changes by itself, and no longer", () => {
    const until = new Date(AT + 1000).toISOString();
    const searcher = gardenSearcher({ hides: { h: { name: "h", products: ["P1"], places: ["searching"], until } } });
    const countAt = (at: number) => findingOf(searcher, "lavender", { ...spot, at }).count;
    expect([countAt(AT), countAt(AT + 500), countAt(AT + 1000), countAt(AT)]).toEqual([2, 2, 3, 2]);
  });
  test("stands for its place alone", () => {
    const searcher = gardenSearcher();
    expect(findingOf(searcher, "lavender", { ...spot, category: ["Seeds"] }).count).toBe(1);
    expect(findingOf(searcher, "lavender", spot).count).toBe(3);
  });
});
