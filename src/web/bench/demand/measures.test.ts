import { NO_SUMS, type SearchSums } from "@core/demand/searches";
import { binned, MEASURES, type Measure, sayCases, sayChange, sayValue, valueIn } from "./measures";

const measure = (id: string): Measure => {
  const found = MEASURES.find((one) => one.id === id);
  if (!found) throw new Error(`There is no figure ${id}.`);
  return found;
};
const sums = (part: Partial<SearchSums & { visits: number }>) => ({ ...NO_SUMS, visits: 0, ...part });
const money = (amount: number) => `£${amount.toFixed(2)}`;
const say = (id: string, part: Partial<SearchSums & { visits: number }>) => sayValue(measure(id), valueIn(measure(id), sums(part)), money);
const change = (id: string, now: Partial<SearchSums>, before: Partial<SearchSums>) => {
  const { text, tone } = sayChange(measure(id), sums(now), sums(before));
  return [text, tone];
};

describe("figures", () => {
  it("are written as counts, shares, money and means, and not at all where there is no case", () => {
    expect(say("searches", { asked: 12_345 })).toBe("12,345");
    expect(say("visits", { visits: 7 })).toBe("7");
    expect(say("clicked", { asked: 400, clicked: 300 })).toBe("75 %");
    expect(say("no-results", { asked: 400, noResults: 5 })).toBe("1.3 %");
    expect(say("revenue", { revenue: 123_450 })).toBe("£1234.50");
    expect(say("position", { clicks: 4, positions: 10 })).toBe("2.5");
    expect(say("clicked", {})).toBe("–");
    expect(say("position", {})).toBe("–");
  });

  it("say of how many cases they are, with an interval, and where those are too few", () => {
    expect(sayCases(measure("clicked"), sums({ asked: 400, clicked: 300 }))).toBe("71 to 79 % of 400 searches");
    expect(sayCases(measure("clicked"), sums({ asked: 8, clicked: 3 }))).toBe("of 8 searches: too few to say");
    expect(sayCases(measure("position"), sums({ clicks: 40, positions: 80 }))).toBe("of 40 clicks");
    expect(sayCases(measure("searches"), sums({ asked: 400 }))).toBe("");
  });

  it("say how they changed only where more than chance speaks for it", () => {
    expect(change("clicked", { asked: 4_000, clicked: 3_000 }, { asked: 4_000, clicked: 2_600 })).toEqual(["+10 points", "better"]);
    expect(change("no-results", { asked: 4_000, noResults: 600 }, { asked: 4_000, noResults: 200 })).toEqual(["+10 points", "worse"]);
    expect(change("clicked", { asked: 100, clicked: 52 }, { asked: 100, clicked: 50 })).toEqual(["cannot tell", "same"]);
    expect(change("clicked", { asked: 9, clicked: 9 }, { asked: 9, clicked: 0 })).toEqual(["too few to say", "few"]);
    expect(change("searches", { asked: 105 }, { asked: 100 })).toEqual(["about the same", "same"]);
    expect(change("searches", { asked: 1_300 }, { asked: 1_000 })).toEqual(["+30 %", "other"]);
    expect(change("searches", { asked: 3 }, {})).toEqual(["nothing to compare with", "few"]);
  });

  it("of money and positions are compared by how many orders and clicks they rest on", () => {
    expect(change("revenue", { revenue: 44_000, ordered: 80 }, { revenue: 50_000, ordered: 90 })).toEqual(["cannot tell", "same"]);
    expect(change("revenue", { revenue: 4_400_000, ordered: 8_000 }, { revenue: 5_000_000, ordered: 9_000 })).toEqual(["−12 %", "worse"]);
    expect(change("revenue", { revenue: 500, ordered: 1 }, { revenue: 5_000, ordered: 9 })).toEqual(["too few to say", "few"]);
    expect(change("position", { positions: 6_000, clicks: 2_000 }, { positions: 8_000, clicks: 2_000 })).toEqual(["−25 %", "better"]);
    expect(change("position", { positions: 300, clicks: 60 }, { positions: 320, clicks: 60 })).toEqual(["cannot tell", "same"]);
  });

  it("of days are put together by week, the last one as far as it goes", () => {
    const days = Array.from({ length: 10 }, (_, i) => sums({ asked: i, visits: 1 }));
    expect(binned(days, 7).map(({ asked, visits }) => [asked, visits])).toEqual([
      [21, 7],
      [24, 3],
    ]);
    expect(binned([], 7)).toEqual([]);
  });
});
