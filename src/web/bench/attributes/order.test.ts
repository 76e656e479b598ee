import { weightBetween } from "./order";

describe("a row dragged between others", () => {
  test("keeps a weight that fits", () => {
    expect(weightBetween(5, 8, 4)).toBe(5);
    expect(weightBetween(4, 4, 4)).toBe(4);
  });

  test("gets one in the middle where it does not, in halves", () => {
    expect(weightBetween(1, 8, 4)).toBe(6);
    expect(weightBetween(9, 5, 4)).toBe(4.5);
    expect(weightBetween(9, 4, 4)).toBe(4);
  });

  test("goes a step beyond the first or the last", () => {
    expect(weightBetween(2, null, 8)).toBe(9);
    expect(weightBetween(2, null, 10)).toBe(10);
    expect(weightBetween(9, 2, null)).toBe(1);
  });
});
