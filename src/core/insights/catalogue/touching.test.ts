import { AT, gardenSearcher } from "@tests/core/garden";
import { productNumber } from "../../index/read";
import { Settings, type SettingsInput } from "../../settings/schema";
import { ruleFactor } from "../../shelves/rule-factor";
import { describeChanges } from "../changes/changes";
import { goneProducts } from "./gone";
import { rulesTouching, usesOfSelection } from "./touching";

const own = { field: "brand", is: "Fernbank" };
const input: SettingsInput = {
  selections: { own: { name: "Own", condition: own } },
  boosts: { b: { name: "Own brand", condition: { selection: "own" }, factor: 1.5 } },
  hides: { h: { name: "Winter", products: ["P2", "gone"], places: ["searching"] } },
  products: { P2: { boost: 3 } },
  related: { P1: { goesWith: ["P8", "lost"] } },
  shelves: {
    k: {
      name: "Week",
      searches: [{ match: "is", text: "lavender" }],
      categories: [],
      rank: "a",
      pins: { P8: 1 },
      pinGroups: { g: { place: 4, products: ["P2", "away"] } },
      addSelections: ["own"],
      exclude: ["P3"],
      strength: { P2: 2 },
      rules: { r: { does: "first", condition: own, rank: "a" }, off: { does: "last", condition: own, rank: "b", on: false } },
    },
  },
};
const settings = Settings.parse(input);
const searcher = gardenSearcher(input);

describe("the rules that touch a product", () => {
  test("are named with all that each does to it", () => {
    const touching = rulesTouching(searcher, productNumber(searcher.index, "P2"), "P2", AT);
    expect(touching.map(({ part, does }) => `${part}: ${does}`)).toEqual([
      "boosts: raised × 1.5",
      "hides: hidden: searching",
      "shelves: pinned in a group from 4, added, × 2, by a rule: first",
      "selections: belongs to it",
    ]);
    const excluded = rulesTouching(searcher, productNumber(searcher.index, "P3"), "P3", AT);
    expect(excluded.map(({ does }) => does)).toEqual(["excluded"]);
  });

  test("a selection says where it is used, shelves and their rules among them", () => {
    expect(usesOfSelection(settings, "own")).toEqual(["Boost “Own brand”", "Shelf “Week”"]);
  });

  test("products that are gone are named with what waits for them", () => {
    expect(goneProducts(searcher.index, settings)).toEqual([
      { id: "gone", uses: ["Hidden “Winter”"] },
      { id: "away", uses: ["Shelf “Week”"] },
      { id: "lost", uses: ["Recommendations of P1"] },
    ]);
  });

  test("each has its factor", () => {
    const factor = (rule: string) => ruleFactor(settings, rule, "P2");
    expect([factor("b"), factor("k"), factor("k/r"), factor("product"), factor("nobody")]).toEqual([1.5, 2, 1, 3, 1]);
  });
});

describe("what changed of a shelf", () => {
  test("is said part by part", () => {
    const before = settings.shelves.k;
    const after = {
      ...before,
      end: 4,
      banner: { title: { en: "x" }, text: {}, picture: null, drawing: null, tone: "ink" as const, link: null, after: null },
      from: "2026-12-01T00:00:00Z",
      until: "2026-12-24T00:00:00Z",
      pins: {},
    };
    const [change] = describeChanges(settings, { ...settings, shelves: { k: after } }, (key) => key);
    expect(change).toMatchObject({ part: "shelves", subject: "Shelf “Week”", text: "pins 1 → 0, limit, banner, dates" });
  });
});
