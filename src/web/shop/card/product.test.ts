import type { ShopFront } from "@contract/search";
import { Page } from "@core/settings/page";
import { lookOfPage } from "@core/settings/page/look";
import { amountOf, discountOf, sayPrice } from "../prices";
import { badgesOf, partsOf, sayField, sayLine } from "./product";

const field = (key: string, role = "attribute", unit: string | null = null) => ({
  key,
  label: `The ${key}`,
  role,
  unit,
  type: "text",
  perOption: false,
});
const frontWith = (page: object): ShopFront =>
  ({
    locale: "en-GB",
    language: "en-GB",
    currency: "GBP",
    fields: [
      field("price", "price"),
      field("before", "listPrice"),
      field("stock", "stock"),
      field("height", "attribute", "cm"),
      field("spread", "attribute", "cm"),
    ],
    filterFields: {},
    page: lookOfPage(Page.parse(page)),
  }) as unknown as ShopFront;
const front = frontWith({});

describe("what a card says of a product", () => {
  test("a field alone has its unit, in a sentence the sentence says it", () => {
    const fields = { height: 60, spread: 40.5 };
    expect(sayLine(front, "{height}", "any", fields)).toBe("60 cm");
    expect(sayLine(front, "{height} × {spread} cm", "any", fields)).toBe("60 × 40.5 cm");
    expect(sayLine(front, "{height} × {depth} cm", "any", fields)).toBeNull();
  });
  test("lists, paths and flags in words; no is nothing to say", () => {
    expect(sayField(front, "colours", ["Red", "White"], false)).toBe("Red, White");
    expect(sayField(front, "category", [["Plants", "Roses"]], false)).toBe("Roses");
    expect([sayField(front, "height", true, false), sayField(front, "height", false, false)]).toEqual(["The height", undefined]);
  });
  test("a badge fills in its figures, and is not there without them", () => {
    const badge = (text: string) => ({ name: "b", text: { en: text }, condition: { all: [] }, rank: "a" });
    const shop = frontWith({
      badges: { off: badge("{discount} % off"), few: badge("{left} left"), plain: badge("New"), lost: badge("{depth} deep") },
    });
    const worn = { id: "P", title: "P", fields: {}, badges: ["off", "few", "plain", "lost", "gone"] };
    const texts = (fields: object) => badgesOf(shop, worn, fields as never).map(({ text }) => text);
    expect(texts({ price: 7.5, before: 10, stock: 2 })).toEqual(["25 % off", "2 left", "New"]);
    expect(texts({ price: 10 })).toEqual(["New"]);
  });
  test("a card that is gone falls back to the usual one", () => {
    expect(partsOf(front, { card: "gone" }).map(([id]) => id)).toEqual(["picture", "title", "badges", "price", "rating"]);
  });
});

describe("prices", () => {
  test("with or without the tax", () => {
    const taxed = frontWith({ prices: { feed: "without", shown: "with", rate: 20 } });
    expect([sayPrice(front, 10), sayPrice(taxed, 10)]).toEqual(["£10.00", "£12.00"]);
  });
  test("a sale price counts when it is lower; 0 is a price unless something is said for it", () => {
    expect(amountOf(front, { price: 8, before: 10 })).toEqual({ now: 8, before: 10 });
    expect(amountOf(front, { price: 10, before: 10 })).toEqual({ now: 10, before: null });
    expect(discountOf(front, { price: 8, before: 10 })).toBe(20);
    expect(amountOf(front, { price: 0 })).toEqual({ now: 0, before: null });
    expect(amountOf(frontWith({ prices: { none: { en: "Ask us" } } }), { price: 0 })).toBeNull();
  });
});
