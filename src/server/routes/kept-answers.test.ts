import type { ShopAnswer, Told } from "../workers/messages";
import { holdsUntil, keptAnswers } from "./kept-answers";

const told = (id = "corner") => ({ row: { id }, index: {}, live: {}, logNumber: 1 }) as unknown as Told;
const answer = (until: number, bytes = 10) => ({ rest: new Uint8Array(bytes), until }) as ShopAnswer;

const store = {};

describe("answers that are kept", () => {
  it("are those to the same question of a store in the same state", () => {
    const kept = keptAnswers(() => 0);
    const state = told();
    kept.put(kept.keyOf(store, state, "search", { query: "rose" }), answer(5));
    expect(kept.get(kept.keyOf(store, { ...state }, "search", { query: "rose" }))).not.toBeNull();
    for (const other of [{ index: {} as never }, { live: {} as never }, { logNumber: 2 }, { row: { ...state.row } }])
      expect(kept.get(kept.keyOf(store, { ...state, ...other }, "search", { query: "rose" }))).toBeNull();
    const again = told();
    kept.put(kept.keyOf(store, again, "search", { query: "rose" }), answer(5));
    for (const [name, body] of [
      ["suggest", { query: "rose" }],
      ["search", { query: "roses" }],
    ] as const)
      expect(kept.get(kept.keyOf(store, again, name, body))).toBeNull();
    expect(kept.get(kept.keyOf({}, told("another"), "search", { query: "rose" }))).toBeNull();
    expect(kept.counts()).toEqual({ hits: 1, misses: 7 });
  });

  it("end at the moment until which they hold, and are not kept after it", () => {
    let time = 0;
    const kept = keptAnswers(() => time);
    const key = kept.keyOf(store, told(), "search", {});
    kept.put(key, answer(1_000));
    time = 999;
    expect(kept.get(key)).not.toBeNull();
    time = 1_000;
    expect(kept.get(key)).toBeNull();
    kept.put(key, answer(1_000));
    expect(kept.get(key)).toBeNull();
  });

  it("take no more than there is room for: what was asked longest ago goes", () => {
    const kept = keptAnswers(() => 0);
    const state = told();
    const keys = Array.from({ length: 9 }, (_, i) => kept.keyOf(store, state, "search", { i }));
    for (const key of keys) kept.put(key, answer(1, 8 * 1024 * 1024));
    expect(keys.map((key) => kept.get(key) !== null)).toEqual([false, false, ...Array(7).fill(true)]);
  });
});

test("an answer holds until something is planned, or the day is over", () => {
  const noon = Date.parse("2026-05-01T12:00:00Z");
  expect(holdsUntil("2026-05-01T18:00:00.000Z", noon)).toBe(Date.parse("2026-05-01T18:00:00Z"));
  expect(holdsUntil("2026-05-03T18:00:00.000Z", noon)).toBe(Date.parse("2026-05-02T00:00:00Z"));
  expect(holdsUntil(null, noon)).toBe(Date.parse("2026-05-02T00:00:00Z"));
});
