import fc from "fast-check";
import { differenceInterval, rateInterval, surprise } from "./interval";

const Rate = fc
  .integer({ min: 1, max: 5_000 })
  .chain((cases) => fc.record({ cases: fc.constant(cases), hits: fc.integer({ min: 0, max: cases }) }));

describe("intervals", () => {
  it("hold the rate, lie between 0 and 1, and get narrower with more cases", () => {
    fc.assert(
      fc.property(Rate, ({ hits, cases }) => {
        const [from, until] = rateInterval(hits, cases);
        const rate = hits / cases;
        expect(from).toBeGreaterThanOrEqual(0);
        expect(until).toBeLessThanOrEqual(1);
        expect(from).toBeLessThanOrEqual(rate + 1e-9);
        expect(until).toBeGreaterThanOrEqual(rate - 1e-9);
        const [closer, nearer] = rateInterval(hits * 4, cases * 4);
        expect(nearer - closer).toBeLessThan(until - from);
      }),
    );
  });

  it("are those of the papers", () => {
    expect(rateInterval(81, 263).map((bound) => Number(bound.toFixed(4)))).toEqual([0.2553, 0.3662]);
    const [from, until] = differenceInterval({ hits: 56, cases: 70 }, { hits: 48, cases: 80 });
    expect([from, until].map((bound) => Number(bound.toFixed(4)))).toEqual([0.0524, 0.3339]);
  });

  it("of a difference hold the difference, and hold 0 where nothing changed", () => {
    fc.assert(
      fc.property(Rate, Rate, (now, before) => {
        const [from, until] = differenceInterval(now, before);
        const difference = now.hits / now.cases - before.hits / before.cases;
        expect(from).toBeLessThanOrEqual(difference + 1e-9);
        expect(until).toBeGreaterThanOrEqual(difference - 1e-9);
        const [low, high] = differenceInterval(now, now);
        expect(low <= 0 && high >= 0).toBe(true);
      }),
    );
  });
});

describe("a change in how often something happens", () => {
  it("surprises more the more cases speak for it, and is measured against a longer time by its share", () => {
    expect(surprise(0, 0)).toBe(0);
    expect(surprise(12, 10)).toBeLessThan(2);
    expect(surprise(120, 60)).toBeGreaterThan(4);
    expect(surprise(10, 40, 0.25)).toBe(0);
    expect(surprise(5, 20)).toBeLessThan(-2);
  });
});
