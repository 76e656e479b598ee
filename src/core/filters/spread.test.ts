import fc from "fast-check";
import type { Index } from "../index/types";
import { MISSING } from "../index/types";
import type { CountPopulation } from "./count-population";
import { spreadIn, spreadOf } from "./spread";

/** A column of distinct numbers 0, 1, 2 …, whose ranks are given by row. */
const columnOf = (ranks: number[], distinct: number, perOption: boolean) => ({
  kind: "numbers" as const,
  numbers: Float64Array.from(ranks, (rank) => (rank === MISSING ? Number.NaN : rank)),
  distinct: Float64Array.from({ length: distinct }, (_, i) => i),
  ranks: Uint32Array.from(ranks),
  perOption,
});

describe("how the numbers of a population lie", () => {
  it("is the same whether few or many of all numbers are there, options or not", () => {
    const rank = fc.oneof({ weight: 5, arbitrary: fc.integer({ min: 0, max: 99 }) }, { weight: 1, arbitrary: fc.constant(MISSING) });
    fc.assert(
      fc.property(
        fc.array(rank, { minLength: 1, maxLength: 40 }),
        fc.boolean(),
        fc.infiniteStream(fc.boolean()),
        (ranks, perOption, chance) => {
          // Products of two options each, or one row each.
          const products = perOption ? Math.ceil(ranks.length / 2) : ranks.length;
          const optionStarts = Uint32Array.from({ length: products + 1 }, (_, p) => Math.min(p * 2, ranks.length));
          const index = { optionStarts, products } as unknown as Index;
          const members = Uint32Array.from({ length: products }, (_, p) => p).filter(() => chance.next().value === true);
          const population: CountPopulation = { members, others: null, products };
          // One of the two columns has so many more numbers that they are put in order, the other so few that they are counted.
          const [wide, narrow] = [1_000, 100].map((distinct) => columnOf(ranks, distinct, perOption));
          const counts = spreadOf(index, narrow, population);
          for (const column of [wide, narrow]) {
            const spread = spreadIn(index, column, population);
            expect(spread.filled).toBe(counts.reduce((sum, count) => sum + count, 0));
            if (spread.filled === 0) continue;
            expect([spread.least, spread.greatest]).toEqual([counts.findIndex(Boolean), counts.findLastIndex(Boolean)]);
            const inOrder = Array.from(counts).flatMap((count, at) => Array.from({ length: count }, () => at));
            for (const share of [0, 0.2, 0.5, 0.95, 1]) expect(spread.rankAt(share)).toBe(inOrder[Math.floor((spread.filled - 1) * share)]);
          }
        },
      ),
    );
  });
});
