import type { FilterLook } from "@core/insights/measure/filter-look";
import { sayAbsence, sayWorth, warningsOf } from "./warnings";

const look = (more: object) =>
  ({ filled: 0.9, filledHere: 0.9, results: 10, values: [], offered: {}, more: 0, numbers: null, absence: null, ...more }) as FilterLook;
const values = (...counts: number[]) => counts.map((count, i) => ({ value: `v${i}`, group: null, colour: null, count, here: 0 }));
const worth = (more: object = {}) => ({ offered: 0.4, filled: 0.9, parts: 4, worth: 1, ...more });
const warned = (more: object) => warningsOf({ look: look({ values: values(5, 4) }), worth: worth(), alike: [], searches: 120, ...more });

describe("what speaks against a filter", () => {
  test("nothing where it is as it should be", () => expect(warned({})).toEqual([]));
  test("one value, too many values, hardly filled, nearly always the same", () => {
    expect(warned({ look: look({ values: values(5) }) })[0]).toMatch(/^One value only/);
    expect(warned({ look: look({ values: values(5, 4), more: 3998 }) })[0]).toMatch(/^4,000 values/);
    expect(warned({ look: look({ values: values(5, 4), filled: 0.08 }) })[0]).toMatch(/8 % of the products/);
    expect(warned({ look: look({ values: values(995, 5) }) })[0]).toMatch(/^Nearly every product is “v0”/);
    expect(warned({ look: look({ absence: "no-source" }) })[0]).toMatch(/catalogue/);
  });
  test("another that splits alike, and one that no search would have", () => {
    expect(warned({ alike: ["Size", "Code"] })[0]).toContain("“Size” and “Code”");
    expect(warned({ worth: worth({ offered: 0 }) })[0]).toMatch(/none of the most asked/);
    expect(warned({ worth: worth({ offered: 0 }), searches: 0 })).toEqual([]);
  });
});

describe("what shoppers make of a filter", () => {
  test("one far down that hardly anybody uses is said to be so; one high up, or one of which nothing is known, is not", () => {
    expect(warned({ used: 0.004, place: 5 })[0]).toMatch(/under 1 % of the searches, at place 6/);
    expect(warned({ used: 0, place: 8 })[0]).toMatch(/none of the searches/);
    expect(warned({ used: 0.004, place: 2 })).toEqual([]);
    expect(warned({ place: 8 })).toEqual([]);
  });
});

describe("what a filter does, in a line", () => {
  test("by the searches of the log, or by the whole range where there is none", () => {
    expect(sayWorth(worth(), 120)).toBe("Shown for 40 % of searches; 90 % of results have it; divides results into about 4 groups.");
    expect(sayWorth(worth({ parts: 1.2 }), 0)).toBe("90 % of the whole range has it; hardly divides results.");
  });
  test("every reason for its absence has its words", () => {
    for (const absence of ["no-source", "elsewhere", "other-search", "too-few", "narrows-nothing"] as const)
      expect(sayAbsence(absence).length).toBeGreaterThan(20);
  });
});
