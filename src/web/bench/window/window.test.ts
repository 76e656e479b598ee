import type { SearchAnswer, ShopFront } from "@contract/search";
import { WHY_REASONS, type Why } from "@core/search/request";
import { Settings } from "@core/settings/schema";
import { count, percent, plural, price } from "@ui/format";
import { movementOf, movementsOf } from "./movement";
import { sayWhy } from "./say-why";

const answer = (ids: string[], total = ids.length) =>
  ({ total, hits: ids.map((id, i) => ({ id, position: i + 1 })) }) as unknown as SearchAnswer;
const live = (ids: string[], total = ids.length) => ({ answer: answer(ids, total), positions: new Map(ids.map((id, i) => [id, i + 1])) });

describe("movement against what is live", () => {
  test("places gained and lost, new ones, and those that stand as before", () => {
    expect(movementOf("c", 1, live(["a", "b", "c"]))).toEqual({ by: 2 });
    expect(movementOf("a", 3, live(["a", "b", "c"]))).toEqual({ by: -2 });
    expect(movementOf("b", 2, live(["a", "b", "c"]))).toBeNull();
    expect(movementOf("d", 1, live(["a"]))).toBe("new");
    expect(movementOf("d", 1, null)).toBeNull();
  });
  test("nothing is claimed of products beyond those that were compared", () => {
    expect(movementOf("z", 1, live(["a"], 4000))).toBeNull();
  });
  test("is counted over the page", () => {
    expect(movementsOf(answer(["b", "a", "x"]), live(["a", "b", "c"]))).toEqual({ moved: 2, fresh: 1 });
  });
});

describe("why a product is missing, in words", () => {
  const settings = Settings.parse({
    hides: { h: { name: "Frost-tender", products: ["P"], places: ["searching"] } },
    filters: {
      price: { from: [{ field: "price" }], label: { en: "Price" }, display: "slider", rank: "a" },
      tone: { from: [{ field: "colour" }], label: {}, display: "ticks", rank: "b" },
    },
  });
  const front = { locale: "en-GB", fields: [{ key: "colour", label: "Flower colour" }] } as ShopFront;
  test("every reason has its words", () => {
    for (const reason of WHY_REASONS) expect(sayWhy({ reason } as Why, settings, front).length).toBeGreaterThan(8);
  });
  test("names the rule, the word and the filter", () => {
    expect(sayWhy({ reason: "hidden", rule: "h" }, settings, front)).toContain("Frost-tender");
    expect(sayWhy({ reason: "no-answer", unit: "trellis" }, settings, front)).toContain("“trellis”");
    expect(sayWhy({ reason: "filtered", filter: "price" }, settings, front)).toContain("Price");
    expect(sayWhy({ reason: "filtered", filter: "tone" }, settings, front)).toContain("Flower colour");
    expect(sayWhy({ reason: "filtered", filter: "gone" }, settings, front)).toContain("gone");
    expect(sayWhy({ position: 7 }, settings, front)).toBe("at place 7");
  });
});

describe("numbers as people write them", () => {
  test("counts, shares, prices and plurals", () => {
    expect(count(2561)).toBe("2,561");
    expect(percent(0.004)).toBe("under 1 %");
    expect(percent(0.61)).toBe("61 %");
    expect(price(6.5, "en-GB", "GBP")).toBe("£6.50");
    expect([plural(1, "shelf", "shelves"), plural(2, "shelf", "shelves"), plural(0, "product")]).toEqual([
      "1 shelf",
      "2 shelves",
      "0 products",
    ]);
  });
});
