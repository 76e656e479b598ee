import fc from "fast-check";
import { expectedClicks, positionRates, standsOut } from "./position-bias";

const Sums = fc
  .array(fc.record({ shown: fc.nat({ max: 5_000 }), share: fc.double({ min: 0, max: 1, noNaN: true }) }), { minLength: 1, maxLength: 30 })
  .map((list) => list.map(({ shown, share }, i) => ({ position: i + 1, shown, clicked: Math.round(shown * share) })));

describe("what a position earns", () => {
  it("never rises from one position to the next, and lies between 0 and 1", () => {
    fc.assert(
      fc.property(Sums, (sums) => {
        const rateAt = positionRates(sums);
        let before = 1;
        for (let position = 1; position <= sums.length + 3; position += 0.5) {
          const rate = rateAt(position);
          expect(rate).toBeGreaterThanOrEqual(0);
          expect(rate).toBeLessThanOrEqual(before + 1e-12);
          before = rate;
        }
      }),
    );
  });

  it("is what was clicked there where many cases speak", () => {
    const rateAt = positionRates([
      { position: 1, shown: 100_000, clicked: 20_000 },
      { position: 2, shown: 100_000, clicked: 10_000 },
      { position: 3, shown: 4, clicked: 4 },
    ]);
    expect(rateAt(1)).toBeCloseTo(0.2, 3);
    expect(rateAt(2)).toBeCloseTo(0.1, 3);
    expect(rateAt(1.5)).toBeCloseTo(0.15, 3);
    expect(rateAt(3)).toBeLessThanOrEqual(rateAt(2));
    expect(positionRates([])(1)).toBe(0);
  });

  it("gives products of a search as many clicks together as there were, more to those that stand higher", () => {
    const rateAt = (position: number) => 0.3 / position;
    const products = [
      { shown: 100, position: 1, clicked: 8 },
      { shown: 100, position: 2, clicked: 40 },
      { shown: 100, position: 6, clicked: 2 },
    ];
    const expected = expectedClicks(products, rateAt);
    expect(expected.reduce((sum, value) => sum + value, 0)).toBeCloseTo(50, 9);
    expect(expected[0]).toBeCloseTo(30, 9);
    expect(standsOut(8, expected[0])).toBeLessThan(-3);
    expect(standsOut(40, expected[1])).toBeGreaterThan(3);
    expect(Math.abs(standsOut(2, expected[2]))).toBeLessThan(2);
  });
});
