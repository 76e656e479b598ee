import { AT, gardenSearcher } from "@tests/core/garden";
import { stringAt } from "../index/strings";
import { missedOpportunities } from "../insights/measure/missed-opportunities";
import { readRows, toRow } from "../insights/tables/recommendations";
import { TogetherTally } from "../log/together";
import { MOST_RECOMMENDED, recommendationsOf } from "./related";

type Made = Parameters<typeof gardenSearcher>[0];
function lists(settings: Made, id = "P1", together: Map<string, string[]> | null = null) {
  const searcher = gardenSearcher(settings);
  const beside = recommendationsOf(searcher, id, AT, together);
  const named = (list: "goesWith" | "insteadOf") =>
    (beside?.[list] ?? []).map(({ product, source }) => `${stringAt(searcher.index.ids, product)} ${source}`);
  return { goesWith: named("goesWith"), insteadOf: named("insteadOf") };
}

describe("recommendations of a product", () => {
  test("by hand first and in order, then what fills the lists, nothing twice", () => {
    const { goesWith, insteadOf } = lists({ related: { P1: { goesWith: ["P9", "P8"], insteadOf: ["P10", "gone", "P1"] } } });
    expect(goesWith.slice(0, 2)).toEqual(["P9 hand", "P8 hand"]);
    expect(insteadOf[0]).toBe("P10 hand");
    const all = [...goesWith, ...insteadOf].map((entry) => entry.split(" ")[0]);
    expect(new Set(all).size).toBe(all.length);
    expect(all).not.toContain("P1");
    expect(goesWith.length).toBeLessThanOrEqual(MOST_RECOMMENDED);
  });

  test("nothing fills them where that is turned off", () => {
    expect(lists({ related: { P1: { goesWith: ["P9"], automatic: false } } })).toEqual({ goesWith: ["P9 hand"], insteadOf: [] });
  });

  test("what was bought together goes before what is alike, but never from the same category", () => {
    const { goesWith, insteadOf } = lists({}, "P1", new Map([["P1", ["P2", "P7"]]]));
    expect(goesWith[0]).toBe("P7 bought");
    expect(goesWith.join()).not.toContain("P2");
    expect(insteadOf).toContain("P2 alike");
  });

  test("hidden from recommendations is not recommended, by hand neither; sold out comes only when asked for", () => {
    const hides = { h: { name: "h", products: ["P9"], places: ["beside" as const] } };
    const { goesWith } = lists({ hides, related: { P1: { goesWith: ["P9", "P5", "P8"] } } });
    expect(goesWith[0]).toBe("P8 hand");
    expect(goesWith.join()).not.toMatch(/P9|P5/);
  });
});

describe("bought together", () => {
  test("counts visits that ordered both, twice at least, the closest first", () => {
    const tally = new TogetherTally();
    for (const [visit, ...products] of [
      ["1", "A", "B"],
      ["2", "A", "B", "C"],
      ["3", "A", "C"],
      ["4", "C"],
      ["5", "C"],
      ["6", "D", "A"],
    ])
      for (const product of products) tally.add(visit, product);
    expect(tally.result()).toEqual({ A: ["B", "C"], B: ["A"], C: ["A"] });
  });
});

describe("missed opportunities", () => {
  test("are products seen much with an empty list, or whose lists nobody took from", () => {
    const searcher = gardenSearcher({ related: { P8: { automatic: false } } });
    const counts = (clicks: number, led = 0) => ({ clicks, baskets: 0, orders: 1, led });
    const steps = missedOpportunities(searcher, { P8: counts(50, 3), P1: counts(40), P2: counts(30, 2), P3: counts(3) }, new Map(), AT, 10);
    let step = steps.next();
    while (!step.done) step = steps.next();
    expect(step.value.map(({ id, kind, seen }) => [id, kind, seen])).toEqual([
      ["P8", "no-recommendations", 50],
      ["P1", "never-taken", 40],
    ]);
  });
});

describe("lists as a table", () => {
  const isKnown = (id: string) => /^P\d$/.test(id);
  test("what is written is read again", () => {
    const own = { goesWith: ["P2", "P3"], insteadOf: [], automatic: false };
    expect(readRows([toRow("P1", own)], (i) => i + 2, isKnown)).toEqual({ lists: { P1: own }, problems: [] });
  });
  test("products that are not there are named and left out", () => {
    const { lists: read, problems } = readRows(
      [{ product: "P1", "goes with": "P2; nobody; P1" }, { product: "nobody" }, {}],
      (i) => i + 2,
      isKnown,
    );
    expect(read.P1.goesWith).toEqual(["P2"]);
    expect(problems.map(({ line }) => line)).toEqual([2, 3, 4]);
  });
});
