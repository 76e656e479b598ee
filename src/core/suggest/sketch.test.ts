import { emptyBits, setBit } from "../index/bits";
import { likeness, sketchOf } from "./sketch";

const setOf = (from: number, to: number) => {
  const bits = emptyBits(10_000);
  for (let i = from; i < to; i++) setBit(bits, i);
  return sketchOf(bits);
};

describe("sets of products in short", () => {
  test("are as like as the products they share", () => {
    expect(likeness(setOf(0, 500), setOf(0, 500))).toBe(1);
    expect(likeness(setOf(0, 500), setOf(500, 1000))).toBe(0);
    expect(likeness(setOf(0, 1000), setOf(0, 960))).toBeGreaterThan(0.88);
    expect(likeness(setOf(0, 1000), setOf(0, 500))).toBeLessThan(0.7);
  });
  test("of a few products say nothing", () => {
    expect(likeness(setOf(0, 2), setOf(0, 2))).toBe(0);
    expect(likeness(setOf(0, 0), setOf(0, 0))).toBe(0);
  });
});
