import { type Address, fromParams, START, toParams, toRequest, withFilter } from "./address";

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
