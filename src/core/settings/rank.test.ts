import fc from "fast-check";
import { rankAt, rankBehind, rankBetween } from "./rank";
import { inRankOrder } from "./ranked";

const written = fc.constantFrom("a", "b", "a0", "a1", "Zz", "0", "k", "a ", "zzz");

describe("ranks", () => {
  test("a new entry comes after all others, however their ranks were written", () => {
    fc.assert(
      fc.property(fc.dictionary(fc.constantFrom("x", "y", "z"), fc.record({ rank: written })), (entries) => {
        const all = { ...entries, new: { rank: rankBehind(entries) } };
        expect(inRankOrder(all).at(-1)?.[0]).toBe("new");
      }),
    );
  });
  test("an entry stands where it is put among ranks that the bench made", () => {
    const first = rankBetween(null, null);
    const second = rankBetween(first, null);
    const entries = { a: { rank: first }, b: { rank: second }, c: { rank: rankBetween(second, null) } };
    for (const place of [0, 1, 2])
      expect(inRankOrder({ ...entries, c: { rank: rankAt(entries, "c", place) } }).findIndex(([id]) => id === "c")).toBe(place);
  });
  test("between ranks written by hand too, where there is room", () => {
    expect(["a", "b"].includes(rankBetween("a", "b"))).toBe(false);
    for (const [before, after] of [
      ["a", "b"],
      [null, "b"],
      ["a", "a1"],
    ] as const) {
      const rank = rankBetween(before, after);
      expect((before ?? "") < rank && rank < after).toBe(true);
    }
  });
});
