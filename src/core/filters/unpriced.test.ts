import { find, gardenSearcher, idsOf } from "@tests/core/garden";

/** P6 costs 0, P7 nothing; both are asked for. */
const products = { P6: { set: { price: 0 } }, P7: { set: { price: null } } };
const filter = (display: string, more: object = {}) => ({
  from: [{ field: "price" }],
  label: { en: "Price" },
  display,
  rank: "a",
  ...more,
});
const shop = (display: string, none: Record<string, string> = { en: "Ask us", de: "Auf Anfrage" }) =>
  gardenSearcher({ products, filters: { price: filter(display) as never }, page: { prices: { none } } });
const seeds = { category: ["Seeds"], placement: "category" as const };

describe("products whose price is said in words", () => {
  test("are beside the range under a name of their own, and are no cheap ones", () => {
    const [price] = find(shop("histogram"), { ...seeds, context: { language: "de" } }).filters;
    expect(price).toMatchObject({
      range: { min: 2.8, max: 2.8 },
      none: { value: "none", label: "Auf Anfrage", count: 2, selected: false },
    });
    expect(idsOf(find(shop("slider"), { ...seeds, filters: { price: { max: 2.5 } } }))).toEqual([]);
  });
  test("can be chosen, and their number is that of the results", () => {
    const found = find(shop("histogram"), { ...seeds, filters: { price: { any: ["none"] } } });
    expect(idsOf(found).sort()).toEqual(["P6", "P7"]);
    expect(found.filters[0]).toMatchObject({ selected: null, none: { count: 2, selected: true } });
  });
  test("among steps they are one more, and alternatives to them", () => {
    const steps = shop("ticks");
    const values = (found: ReturnType<typeof find>) =>
      (found.filters[0] as { values: { value: string; count: number; selected: boolean }[] }).values;
    const all = find(steps, seeds);
    expect(values(all).at(-1)).toEqual({ value: "none", label: "Ask us", count: 2, selected: false });
    const [step] = values(all);
    expect(find(steps, { ...seeds, filters: { price: { any: ["none", step.value] } } }).total).toBe(2 + step.count);
  });
  test("let the filter stand by the base set alone, whatever else is chosen", () => {
    // Courgettes have no price, all other products the same one.
    const same = Object.fromEntries(["P3", "P6"].map((id) => [id, { set: { price: 2 } }]));
    const searcher = gardenSearcher({
      products: { ...same, P7: { set: { price: null } } },
      filters: {
        price: filter("histogram") as never,
        brand: { from: [{ field: "brand" }], label: {}, display: "ticks", rank: "b" },
      },
      page: { prices: { none: { en: "Ask us" } } },
    });
    const idsBeside = (filters: object) => find(searcher, { ...seeds, filters: filters as never }).filters.map(({ id }) => id);
    expect(idsBeside({})).toContain("price");
    expect(idsBeside({ brand: { any: ["Fernbank"] } })).toContain("price");
  });
  test("are nothing of the kind where nothing is said for them", () => {
    const plain = find(shop("histogram", {}), seeds);
    expect(plain.filters[0]).not.toHaveProperty("none");
    expect(find(shop("histogram", {}), { ...seeds, filters: { price: { any: ["none"] } } }).ignored).toEqual(["price: none"]);
  });
});

describe("levels of the category tree", () => {
  const tree = (levels: object, display = "tree") =>
    gardenSearcher({
      filters: { place: { from: [{ field: "category" }], label: { en: "Place" }, display: display as never, levels, rank: "a" } },
    });
  const valuesIn = (searcher: ReturnType<typeof tree>, request: object = { query: "lavender" }) =>
    ((find(searcher, request as never).filters[0] as { values?: { value: string; depth?: number }[] } | undefined)?.values ?? []).map(
      ({ value, depth }) => [value, depth],
    );
  test("a tree begins with the level that is said, or with what is below where one is", () => {
    expect(valuesIn(tree({}))).toEqual([
      ["Plants", 0],
      ["Seeds", 0],
    ]);
    expect(valuesIn(tree({ first: 2 }))).toEqual([
      ["Plants › Perennials", 0],
      ["Seeds › Flower seeds", 0],
    ]);
    expect(valuesIn(tree({ first: 2 }), { category: ["Plants"], placement: "category" }).map(([value]) => value)).toEqual([
      "Plants › Perennials",
      "Plants › Roses",
    ]);
  });
  test("and ends with the one that is said", () => {
    const browse = { category: ["Plants"], placement: "category" };
    expect(valuesIn(tree({ last: 1 }))).toEqual([
      ["Plants", 0],
      ["Seeds", 0],
    ]);
    // In Plants there is one value left, which narrows nothing.
    expect(valuesIn(tree({ last: 1 }), browse)).toEqual([]);
    expect(valuesIn(tree({ last: 1 }, "ticks"), browse)).toEqual([]);
    expect(valuesIn(tree({ first: 2 }, "ticks")).map(([value]) => value)).toEqual(["Plants › Perennials", "Seeds › Flower seeds"]);
  });
});
