import type { ShopFront } from "@contract/search";
import { sayIn } from "@core/storefront/say-in";
import { labelOf, sayNumber, type ValueFilter } from "./labels";

const front = {
  locale: "en-GB",
  language: "en-GB",
  page: { prices: { feed: "with", shown: "with", rate: 20 } },
  currency: "GBP",
  fields: [
    { key: "price", role: "price", unit: null },
    { key: "height", role: "attribute", unit: "cm" },
  ],
  filterFields: { price: "price", height: "height" },
} as unknown as ShopFront;
const filter = (id: string, more: object = {}) => ({ id, label: id, display: "ticks", values: [], ...more }) as ValueFilter;
const step = (from: number | null, to: number | null) => ({
  value: `${from ?? ""}..${to ?? ""}`,
  label: "",
  count: 1,
  selected: false,
  from,
  to,
});

describe("what filters say of numbers", () => {
  test("money without idle zeros, other numbers with the unit of the field or the filter's own", () => {
    expect(sayNumber({ id: "price" }, front, 10)).toBe("£10");
    expect(sayNumber({ id: "price" }, front, 9.5)).toBe("£9.50");
    expect(sayNumber({ id: "height" }, front, 60)).toBe("60 cm");
    expect(sayNumber({ id: "height", unit: "mm" }, front, 600)).toBe("600 mm");
  });
  test("steps are said by their ends, in the shoppers' language", () => {
    const say = (from: number | null, to: number | null, language = "en") =>
      labelOf(filter("price"), step(from, to), front, sayIn(language));
    expect([say(null, 5), say(5, 10), say(10, null)]).toEqual(["under £5", "£5 to £10", "£10 and more"]);
    expect(say(10, null, "de")).toBe("£10 und mehr");
  });
  test("a plain value is called by its label", () => {
    const value = { value: "Purple", label: "Violet", count: 3, selected: false };
    expect(labelOf(filter("colour"), value, front, sayIn("en"))).toBe("Violet");
    expect(labelOf(filter("bees", { display: "yes-no" }), { ...value, value: "Yes", label: "Yes" }, front, sayIn("de"))).toBe("Ja");
  });
});
