import { type Address, fromParams, START, toParams, toRequest, withChosen, withFilter, withoutFilters } from "./address";

describe("the address of a search", () => {
  const address: Address = {
    query: "climbing rose",
    category: null,
    filters: { "flower-colour": { any: ["White", "Shell pink"] }, price: { min: 3, max: null } },
    sort: "newest",
    page: 3,
    asTyped: true,
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
    expect(toRequest(address, ["title"])).toMatchObject({ placement: "results", offset: 48, limit: 24, fields: ["title"] });
    expect(toRequest({ ...START, category: ["Plants"] })).toMatchObject({ placement: "category", category: ["Plants"] });
  });
});

describe("what is chosen from the start", () => {
  const chosen = { light: ["Full sun"] };
  const start = { ...START, query: "rose" };
  test("is asked for where the address says nothing of the filter", () => {
    expect(withChosen(start, chosen).filters).toEqual({ light: { any: ["Full sun"] } });
    expect(toRequest(start, null, chosen).filters).toEqual({ light: { any: ["Full sun"] } });
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
