import { ago, count, dates, day, decimal, followLocale, moment, percent, plural, price } from "./format";

afterEach(() => followLocale("en-GB"));

const AT = "2027-01-28T14:05:00Z";

describe("numbers and dates", () => {
  it("are written as people of the store's locale do", () => {
    expect([count(1234.6), decimal(1234.567), decimal(0.5, 1)]).toEqual(["1,235", "1,234.57", "0.5"]);
    expect(day(AT)).toBe("28 Jan 2027");
    followLocale("de-DE");
    expect([count(1234.6), decimal(1234.567), plural(2565, "product")]).toEqual(["1.235", "1.234,57", "2.565 products"]);
    expect(day(AT)).toBe("28. Jan. 2027");
    expect(dates({ month: "long" }).format(new Date(AT))).toBe("Januar");
  });

  it("are written as before where the locale is none", () => {
    followLocale("not a locale");
    expect(count(1234)).toBe("1,234");
  });

  it("follow a locale that is given for one number alone", () => {
    expect([decimal(1234.5, 1, "de"), price(1234.5, "de-DE", "EUR"), price(1234.5, "en-GB", "GBP")]).toEqual([
      "1.234,5",
      "1.234,50\u00a0€",
      "£1,234.50",
    ]);
  });

  it("say a share so that little is not nothing", () => {
    expect([0, 0.004, 0.124, 1].map(percent)).toEqual(["0 %", "under 1 %", "12 %", "100 %"]);
  });

  it("say one and many", () => {
    expect([plural(1, "search", "searches"), plural(0, "search", "searches"), plural(3, "rule")]).toEqual([
      "1 search",
      "0 searches",
      "3 rules",
    ]);
  });

  it.each([
    [20_000, "just now"],
    [5 * 60_000, "5 minutes ago"],
    [3 * 3_600_000, "3 hours ago"],
    [26 * 3_600_000, "yesterday"],
    [6 * 86_400_000, "6 days ago"],
    [40 * 86_400_000, "19 Dec"],
    [400 * 86_400_000, "24 Dec 2025"],
  ])("say what was %i ms ago as one would", (before, said) => {
    const now = Date.parse(AT);
    expect(ago(new Date(now - before).toISOString(), now)).toBe(said);
  });

  it("say a moment by day and clock", () => {
    expect(moment(AT)).toMatch(/^28 Jan, \d\d:05$/);
  });
});
