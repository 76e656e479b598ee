import type { ShopFront } from "@contract/search";
import { askedChoice, factorOf, shownRange } from "./taxed";

const front = {
  fields: [
    { key: "price", role: "price" },
    { key: "height", role: "attribute" },
  ],
  filterFields: { price: "price", height: "height" },
  page: { prices: { feed: "without", shown: "with", rate: 19 } },
} as unknown as ShopFront;

describe("a filter of prices that hold the tax where those of the feed do not", () => {
  const filter = {
    id: "price",
    label: "Price",
    display: "histogram",
    range: { min: 10, max: 100 },
    selected: { min: 20, max: null },
    bars: [{ from: 10, to: 100, count: 3 }],
  };
  test("shows the prices that shoppers see, and no other filter changes", () => {
    expect(factorOf({ id: "height" }, front)).toBe(1);
    expect(shownRange(filter, factorOf({ id: "price" }, front))).toMatchObject({
      range: { min: 11.9, max: 119 },
      selected: { min: 23.8, max: null },
      bars: [{ from: 11.9, to: 119, count: 3 }],
    });
  });
  test("asks in the prices of the feed, so that what is shown at an end is in", () => {
    const factor = factorOf({ id: "price" }, front);
    for (const price of [9.99, 12.34, 20, 55.55]) {
      const shown = Math.round(price * factor * 100) / 100;
      const asked = askedChoice({ min: shown, max: shown }, factor) as { min: number; max: number };
      expect(asked.min).toBeLessThanOrEqual(price);
      expect(asked.max).toBeGreaterThanOrEqual(price);
    }
    expect(askedChoice(null, factor)).toBeNull();
    expect(askedChoice({ any: ["x"] }, factor)).toEqual({ any: ["x"] });
  });
});
