import { find, gardenSearcher, idsOf } from "@tests/core/garden";
import type { Cell } from "./cells";
import { distanceBetween } from "./neighbours";

const stock = (searching: "mixed" | "behind" | "asked-for") => ({ stock: { searching } });

describe("the order of matches", () => {
  test("sold-out products stand as any other, behind, or come only when asked for by title or number", () => {
    const mixed = gardenSearcher({
      ranking: { ...stock("mixed"), ties: { t: { field: "sold", direction: "desc", rank: "a" } }, tieWidth: 50 },
    });
    expect(idsOf(find(mixed, "rose"))[0]).toBe("P5");
    expect(idsOf(find(gardenSearcher({ ranking: stock("behind") }), "rose")).at(-1)).toBe("P5");
    const asked = gardenSearcher({ ranking: stock("asked-for") });
    expect(idsOf(find(asked, "rose"))).not.toContain("P5");
    expect(idsOf(find(asked, "shrub rose morning post"))[0]).toBe("P5");
    expect(idsOf(find(asked, "QG-1004-A"))).toEqual(["P5"]);
    expect(find(asked, { query: "rose", why: ["P5"] }).why.P5).toEqual({ reason: "sold-out" });
  });

  test("tie-breakers decide within a band and nowhere else", () => {
    const ties = (field: string, direction: "asc" | "desc") => ({ t1: { field, direction, rank: "a" } });
    const wide = (field: string, direction: "asc" | "desc") =>
      gardenSearcher({ ranking: { tieWidth: 50, ties: ties(field, direction), ...stock("mixed") } });
    expect(idsOf(find(wide("sold", "desc"), "seeds"))[0]).toBe("P7");
    expect(idsOf(find(wide("sold", "asc"), "seeds"))[0]).toBe("P6");
    const narrow = gardenSearcher({ ranking: { tieWidth: 0, ties: ties("sold", "desc"), ...stock("mixed") } });
    const scores = find(narrow, "lavender").hits.map((hit) => hit.score);
    expect([...scores].sort((a, b) => b - a)).toEqual(scores);
  });

  test("a whole title comes before all that only holds its words, a whole number before that", () => {
    expect(find(gardenSearcher(), "lavender seed").hits[0]).toMatchObject({ id: "P3", tier: 1 });
    expect(find(gardenSearcher(), "QG-1002-A").hits[0]).toMatchObject({ id: "P3", tier: 2 });
  });

  test("multiplying all weights changes no order and no score", () => {
    const searched = { searchable: true, length: "some" as const };
    const shop = (by: number) =>
      gardenSearcher({
        attributes: {
          title: { ...searched, weight: 2 * by },
          category: { ...searched, weight: 1 * by },
          description: { ...searched, weight: 0.5 * by },
        },
      });
    for (const query of ["lavender", "rose", "seeds greenhouse", "perennial bees"]) {
      const [small, large] = [find(shop(1), query), find(shop(4), query)];
      expect(idsOf(large)).toEqual(idsOf(small));
      large.hits.forEach((hit, i) => {
        expect(hit.score).toBeCloseTo(small.hits[i].score, 9);
      });
    }
  });

  test("factors multiply and stay within bounds", () => {
    const boost = (factor: number) => ({ name: "b", products: ["P1"], factor });
    const searcher = gardenSearcher({ boosts: { a: boost(100), b: boost(100), c: boost(100) } });
    const { factors } = find(searcher, { query: "lavender", explain: true }).hits.find((hit) => hit.id === "P1")?.explain ?? {
      factors: [],
    };
    expect(factors.reduce((all, { factor }) => all * factor, 1)).toBeCloseTo(10_000, 6);
    expect(factors.at(-1)?.rule).toBe("bounds");
  });

  test("a product's own boost counts like any other", () => {
    const found = find(gardenSearcher({ products: { P2: { boost: 20 } } }), "lavender");
    expect(found.hits[0]).toMatchObject({ id: "P2", arranged: [{ kind: "boost", rule: "product" }] });
  });

  test("any other sort puts missing values last and lets pins rest", () => {
    const shelf = { name: "k", searches: [{ match: "is" as const, text: "plants" }], categories: [], rank: "a", pins: { P10: 1 } };
    const searcher = gardenSearcher({ shelves: { k: shelf }, ranking: stock("mixed") });
    expect(idsOf(find(searcher, { query: "plants", sort: "price-asc" }))).toEqual(["P10", "P2", "P1", "P5", "P4"]);
    expect(idsOf(find(searcher, { query: "plants", sort: "bestselling" }))[0]).toBe("P1");
  });
});

test("units are near when one is beside a joined form that is on the other", () => {
  const place = (positions: number[]): Cell => ({
    queryTerm: 0,
    field: 0,
    lists: [{ positionStarts: Uint32Array.of(0, positions.length), positions: Uint16Array.from(positions) } as Cell["lists"][number]],
    x: Float64Array.of(1),
    source: { posting: Int32Array.of(0), list: Uint16Array.of(0) },
    slots: null,
  });
  const near = (a: number[], b: number[]) => distanceBetween(place(a), place(b), 0);
  // "black-eyed blackeyed": black at 0, blackeyed at 0 and 2.
  expect(near([0, 2], [0])).toBe(2);
  expect(near([0], [0, 2])).toBe(2);
  expect(near([5], [5])).toBe(0);
  expect(near([1, 9], [4, 8])).toBe(1);
  expect(near([1], [30])).toBe(0);
});
