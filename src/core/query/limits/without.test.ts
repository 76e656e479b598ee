import { field } from "@tests/core/garden";
import type { Option, Product } from "../../catalogue/types";
import { build } from "../../index/build";
import { defaultSettings } from "../../insights/propose/defaults";
import { prepare } from "../../prepare/searcher";
import { SearchRequest, type SearchRequestInput } from "../../search/request";
import { search } from "../../search/search";
import { Settings } from "../../settings/schema";

const FIELDS = [
  field("title", "text", "title"),
  field("thorns", "flag"),
  field("colour", "list"),
  field("size", "keyword", "attribute", { perOption: true }),
  field("price", "number", "price", { perOption: true }),
];
const option = (id: string, size: string, price: number): Option => ({ id, values: { ...(size ? { size } : {}), price } });
const PRODUCTS: Product[] = [
  { id: "rambler", values: { title: "Rambling rose", thorns: true, colour: ["Red"] }, options: [option("a", "", 4)] },
  { id: "thornless", values: { title: "Thornless rose", thorns: false, colour: ["White"] }, options: [option("b", "", 9)] },
  { id: "climber", values: { title: "Climbing rose", colour: ["Red", "White"] }, options: [option("c", "", 12)] },
  { id: "gloves", values: { title: "Rose gloves without cuffs", colour: [] }, options: [option("d", "L", 8), option("e", "42", 9)] },
  { id: "boots", values: { title: "Garden boots", colour: [] }, options: [option("f", "42", 20), option("g", "43", 20)] },
];

function shop(locale: string) {
  const index = build({ locale, fields: FIELDS, products: PRODUCTS, pages: [] });
  const settings = Settings.parse({
    ...defaultSettings(index),
    attributes: { title: { searchable: true, weight: 10 } },
    filters: { colour: { from: [{ field: "colour" }], label: {}, display: "list", rank: "a" } },
  });
  const searcher = prepare(index, settings);
  return (query: string, more: SearchRequestInput = {}) =>
    search(searcher, SearchRequest.parse({ query, ...more }), { at: 0, visible: () => true });
}
const english = shop("en");
const ids = (found: ReturnType<typeof english>) => found.hits.map(({ id }) => id);

describe("what is not wanted", () => {
  test.each([
    ["rose without thorns", ["climber", "gloves", "thornless"], ["Yes"]],
    ["rose no thorns", ["climber", "gloves", "thornless"], ["Yes"]],
    ["without thorns rose", ["climber", "gloves", "thornless"], ["Yes"]],
    ["rose not red", ["gloves", "thornless"], ["Red"]],
    ["rose without red or thorns", ["gloves", "thornless"], ["Red"]],
  ])("%s", (query, found, without) => {
    const answer = english(query);
    expect(ids(answer).sort()).toEqual(found);
    expect(answer.query.read?.[0]).toMatchObject({ without });
  });

  test("is kept out in other languages by their own words", () => {
    expect(ids(shop("de")("rose ohne thorns")).sort()).toEqual(["climber", "gloves", "thornless"]);
    expect(ids(shop("fr")("rose sans thorns")).sort()).toEqual(["climber", "gloves", "thornless"]);
  });

  test("is taken away by its id, gives way to a filter of the field, and says why something is not there", () => {
    const [limit] = english("rose not red").query.read ?? [];
    expect(limit).toEqual({ id: "without-1", text: "not red", field: "colour", min: null, max: null, without: ["Red"] });
    expect(ids(english("rose not red", { ignore: [limit.id] }))).toEqual(ids(english("rose")));
    expect(ids(english("rose not red", { filters: { colour: { any: ["Red"] } } })).sort()).toEqual(["climber", "rambler"]);
    expect(english("rose not red", { why: ["rambler"] }).why.rambler).toEqual({ reason: "no-answer", unit: "not red" });
  });

  test("where no value says which have it, it is said so and brings nothing", () => {
    const answer = english("rose without scent");
    expect(answer.query.read).toEqual([{ id: "without-1", text: "without scent", field: null, min: null, max: null, without: [] }]);
    expect(ids(answer)).toEqual(ids(english("rose")));
    // A text that says so itself is what was asked for.
    expect(ids(english("gloves without cuffs"))[0]).toBe("gloves");
    expect(english("gloves without cuffs").query.read).toBeUndefined();
    // Of nothing else is said.
    expect(english("without thorns").query.read).toBeUndefined();
    expect(english("no dig gardening").query.read).toBeUndefined();
  });

  test("stands beside a price, each with an id of its own", () => {
    const answer = english("rose without thorns under £10");
    expect(answer.query.read?.map(({ id, text }) => [id, text])).toEqual([
      ["without-1", "without thorns"],
      ["price-1", "under £10"],
    ]);
    expect(ids(answer).sort()).toEqual(["gloves", "thornless"]);
  });
});

describe("what options are", () => {
  test("keeps a product out only where all of them are so, and one that is not so is shown", () => {
    const found = english("gloves not size 42");
    expect(ids(found)).toContain("gloves");
    expect(found.hits[0].variant).toBe("d");
    expect(ids(english("rose not size 42"))).toContain("gloves");
    expect(ids(english("boots without 42"))).toEqual(["boots"]);
    expect(english("boots without 42").hits[0].variant).toBe("g");
    expect(english("gloves under £8.50").hits[0].variant).toBe("d");
  });
});

describe("values of options", () => {
  test("are found as shoppers say them, without a filter of theirs", () => {
    expect(ids(english("size 42")).sort()).toEqual(["boots", "gloves"]);
    expect(ids(english("boots size 42"))).toEqual(["boots"]);
    expect(ids(english("gloves L"))).toEqual(["gloves"]);
    expect(ids(english("43"))).toEqual(["boots"]);
  });
});
