import { AT, gardenSearcher } from "@tests/core/garden";
import { outcomeOf, tryChange } from "./trial";

const queries = ["rose", "lavender", "aubergine", "secateurs"].map((text, i) => ({ text, asked: 10 - i }));
const changes = (settings: Parameters<typeof gardenSearcher>[0]) => [...tryChange(gardenSearcher(), gardenSearcher(settings), queries, AT)];

describe("a change, tried on real searches", () => {
  test("changes nothing where nothing was changed", () => {
    expect(changes({})).toEqual([null, null, null, null]);
  });

  test("says for each search what it came to and would come to", () => {
    const words = { w: { does: "synonym" as const, words: ["aubergine", "eggplant"] } };
    const [rose, lavender, aubergine] = changes({ words });
    expect([rose, lavender]).toEqual([null, null]);
    expect(aubergine).toMatchObject({ text: "aubergine", asked: 8, after: { outcome: "results", total: 1, first: ["P6"] } });
    expect(aubergine?.before.first).not.toEqual(["P6"]);
  });

  test("counts the places that another product takes", () => {
    const [rose] = changes({ hides: { h: { name: "h", products: ["P4"], places: ["searching"] } } });
    expect(rose?.before.first).toContain("P4");
    expect(rose?.after.first).not.toContain("P4");
    expect(rose?.moved).toBeGreaterThan(0);
    expect(rose?.after.total).toBe((rose?.before.total ?? 0) - 1);
  });

  test("gives out no more of a product than its id", () => {
    expect(outcomeOf(gardenSearcher(), "secateurs", AT)).toEqual({ outcome: "results", total: 1, first: ["P8"] });
  });
});
