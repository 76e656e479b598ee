import { bandOf } from "../rank/bands";
import { selectFirst } from "../rank/select";
import { barEdges, niceStep } from "./bars";

test("steps are 1, 2 or 5 times a power of ten", () => {
  expect([0.03, 0.7, 1, 3, 17, 60].map(niceStep)).toEqual([0.05, 1, 1, 5, 20, 100]);
});

test("bars run from the least to the greatest number over round edges, and a long tail shares the last", () => {
  const edges = barEdges(2.5, 21, 900);
  expect(edges[0]).toBe(2.5);
  expect(edges.at(-1)).toBe(900);
  expect(edges.length).toBeLessThanOrEqual(13);
  expect(barEdges(4, 4, 4)).toEqual([4, 4]);
});

test("a band is as wide as the tie width says", () => {
  expect([100, 96, 94, 50].map((score) => bandOf(score, 100, 5))).toEqual([0, 0, 1, 13]);
  expect(bandOf(1, 100, 0)).toBe(0);
  expect(bandOf(0, 100, 5)).toBe(Number.MAX_SAFE_INTEGER);
});

test("the first few are those a full sort would give", () => {
  const values = Uint32Array.from({ length: 500 }, (_, i) => (i * 7919) % 503);
  const items = Uint32Array.from(values.keys());
  const compare = (a: number, b: number) => values[a] - values[b] || a - b;
  const sorted = [...items].sort(compare);
  for (const count of [0, 1, 7, 499, 500, 900]) expect([...selectFirst(items, count, compare)]).toEqual(sorted.slice(0, count));
});
