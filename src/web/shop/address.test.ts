import { Layout } from "@core/settings/page/layout";
import { type Address, fromParams, START, spanOf, toParams, toRequest, withChosen, withFilter, withoutFilters } from "./address";
import { PLAIN } from "./plain-shop";

describe("the address of a search", () => {
  const address: Address = {
    query: "climbing rose",
    category: null,
    filters: { "flower-colour": { any: ["White", "Shell pink"] }, price: { min: 3, max: null } },
    sort: "newest",
    page: 3,
    asTyped: true,
    ignore: ["price-1"],
    perPage: 48,
    as: "list",
    kind: "guides",
    within: "s1",
  };
  test("comes back as it was", () => {
    expect(fromParams(new URLSearchParams(toParams(address).toString()), null)).toEqual(address);
    expect(toParams(START).toString()).toBe("");
  });
  test("survives nonsense", () => {
    expect(fromParams(new URLSearchParams("page=-2&r.price=a..b&f.x=1"), null)).toEqual({
      ...START,
      filters: { price: { min: null, max: null }, x: { any: ["1"] } },
    });
  });
  test("a filter that chooses nothing is no filter, and a new choice begins on the first page", () => {
    expect(withFilter(address, "price", { min: null, max: null }).filters).not.toHaveProperty("price");
    expect(withFilter(address, "flower-colour", { any: [] }).filters).not.toHaveProperty("flower-colour");
    expect(withFilter(address, "light", { any: ["Shade"] })).toMatchObject({ page: 1, filters: { light: { any: ["Shade"] } } });
  });
  test("asks for the page it is on", () => {
    const products: Address = { ...address, kind: "products" };
    expect(toRequest(products, ["title"], PLAIN)).toMatchObject({ placement: "results", offset: 48, limit: 24, fields: ["title"] });
    expect(toRequest({ ...START, category: ["Plants"] }, null, PLAIN)).toMatchObject({ placement: "category", category: ["Plants"] });
  });
  test("asks for as many as the shop or the shopper wants, and for guides apart from products", () => {
    const page = { ...PLAIN.page, layout: Layout.parse({ perPage: 12, perPageChoices: [12, 48] }) };
    const at = (part: Partial<Address>) => toRequest({ ...START, query: "rose", ...part }, null, { ...PLAIN, page });
    expect(at({})).toMatchObject({ offset: 0, limit: 12 });
    expect(at({ perPage: 48, page: 2 })).toMatchObject({ offset: 48, limit: 48 });
    expect(at({ perPage: 96 })).toMatchObject({ limit: 12 });
    expect(at({ kind: "guides", page: 2 })).toMatchObject({ offset: 0, pages: { offset: 20, limit: 20 } });
  });
  test("where more is below what is there, asks for all of it until that is too much", () => {
    const page = { ...PLAIN.page, layout: Layout.parse({ paging: "more", perPage: 24 }) };
    const span = (number: number) => spanOf({ ...START, page: number }, { page });
    expect([span(1), span(3), span(10), span(11), span(12)]).toEqual([
      { offset: 0, limit: 24 },
      { offset: 0, limit: 72 },
      { offset: 0, limit: 240 },
      { offset: 240, limit: 24 },
      { offset: 240, limit: 48 },
    ]);
  });
});

describe("what is chosen from the start", () => {
  const chosen = { light: ["Full sun"] };
  const start = { ...START, query: "rose" };
  test("is asked for where the address says nothing of the filter", () => {
    expect(withChosen(start, chosen).filters).toEqual({ light: { any: ["Full sun"] } });
    expect(toRequest(start, null, { ...PLAIN, chosen }).filters).toEqual({ light: { any: ["Full sun"] } });
    expect(withChosen(withFilter(start, "light", { any: ["Shade"] }, chosen), chosen).filters).toEqual({ light: { any: ["Shade"] } });
  });
  test("stays taken away, in the address bar too", () => {
    const without = withFilter(start, "light", null, chosen);
    expect(withChosen(without, chosen).filters).toEqual({ light: { any: [] } });
    const again = fromParams(toParams(without), null);
    expect(withChosen(again, chosen).filters).toEqual({ light: { any: [] } });
    expect(withoutFilters({ ...start, filters: { price: { min: 3, max: null } } }, chosen).filters).toEqual({ light: { any: [] } });
  });
});
