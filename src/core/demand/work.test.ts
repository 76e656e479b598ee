import { type DemandSearch, groupSearches, NO_SUMS, type SearchSums } from "./searches";
import { byWorth, orderValue, workOfSearches, workOfSoldOut } from "./work";

const searches = (texts: Record<string, Partial<SearchSums>>): DemandSearch[] =>
  groupSearches(
    Object.entries(texts).map(([text, sums]) => ({
      text,
      stems: text,
      now: { ...NO_SUMS, ...sums },
      before: NO_SUMS,
      yearAgo: NO_SUMS,
      firstDay: 0,
    })),
    { isApart: false, from: 1 },
  );
const rateAt = (position: number) => 0.3 / position;
const good = { asked: 1_000, clicked: 800, clicks: 800, positions: 1_600, ordered: 200, revenue: 400_000 };

describe("what is worth doing this week", () => {
  const all = searches({
    rose: good,
    fertilizer: { asked: 60, noResults: 60 },
    "plant food": { asked: 80, clicked: 3, clicks: 3, positions: 20 },
    "tree peony": { asked: 200, clicked: 60, clicks: 60, positions: 900, ordered: 20, revenue: 40_000 },
    oddity: { asked: 2, noResults: 2 },
  });

  it("names each search by what is the matter with it, those that lose most first within a kind", () => {
    const work = workOfSearches(all, 28, rateAt).sort(byWorth);
    const kinds = Object.fromEntries(work.map(({ about, kind }) => [about, kind]));
    expect(kinds).toEqual({ fertilizer: "no-results", "plant food": "not-clicked", "tree peony": "far-down" });
    const worth = work.map(({ orders }) => orders);
    expect(worth).toEqual(worth.toSorted((a, b) => b - a));
    for (const { orders, revenue } of work) expect(revenue).toBe(Math.round(orders * orderValue(all).value));
  });

  it("is said for four weeks, however long the period that was counted", () => {
    const [one] = workOfSearches(all, 28, rateAt);
    const [half] = workOfSearches(all, 56, rateAt);
    expect(half.orders).toBeCloseTo(one.orders / 2, 9);
  });

  it("says of sold-out products on top what their positions are worth", () => {
    const value = orderValue(all);
    const top = (positions: number[]) =>
      workOfSoldOut([{ text: "rose", asked: 1_000, clicked: 800, positions }], 28, rateAt, value)[0]?.orders ?? 0;
    expect(top([1])).toBeGreaterThan(top([3]));
    expect(top([1, 2, 3])).toBeCloseTo(top([1]) + top([2]) + top([3]), 9);
    expect(top([])).toBe(0);
    expect(top(Array.from({ length: 24 }, (_, i) => i + 1))).toBeCloseTo(1_000 * value.rate, 9);
  });

  it("is nothing where nothing was ordered", () => {
    expect(workOfSearches(searches({ rose: { asked: 50, noResults: 50 } }), 28, rateAt)).toEqual([]);
    expect(orderValue([])).toEqual({ rate: 0, value: 0 });
  });
});
