import { AT, find, gardenCatalogue } from "@tests/core/garden";
import type { Product } from "../catalogue/types";
import { build } from "../index/build";
import { defaultSettings } from "../insights/propose/defaults";
import { prepare } from "../prepare/searcher";
import { relatedTo } from "../related/related";
import { Settings, type SettingsInput } from "../settings/schema";
import { SuggestRequest } from "../suggest/request";
import { suggest } from "../suggest/suggest";
import { startPage } from "./start";

const all = () => true;

/** A garden where one product's first option is sold out, its second dear and its third cheap. */
function searcherWith(changes: SettingsInput = {}) {
  const options = [
    { id: "bowl-s", values: { pot: "small", price: 5, stock: 0 } },
    { id: "bowl-l", values: { pot: "large", price: 12, stock: 40 } },
    { id: "bowl-m", values: { pot: "medium", price: 9, stock: 2 } },
  ];
  const bowl: Product = { id: "bowl", values: { title: "Copper bowl", category: [["Pots"]], sold: 900 }, options };
  const spade: Product = { id: "spade", values: { title: "Copper spade", category: [["Tools"]], price: 20, stock: 5 }, options: [] };
  const garden = gardenCatalogue();
  const index = build({ ...garden, products: [bowl, spade, ...garden.products] });
  return prepare(index, Settings.parse({ ...defaultSettings(index), ...changes }));
}
type Told = { variant?: string; fields?: Record<string, unknown> } | undefined;
const told = (product: Told) => [product?.variant, product?.fields?.price, product?.fields?.stock];
const MEDIUM = ["bowl-m", 9, 2];

describe("the option that is shown, wherever a product is shown", () => {
  it("is to be had, then the cheapest", () => {
    expect(told(find(searcherWith(), "copper bowl").hits[0])).toEqual(MEDIUM);
  });

  it("of products proposed where nothing is found", () => {
    const deadEnd = { products: ["bowl"] };
    expect(told(find(searcherWith({ deadEnd } as SettingsInput), "zzzz").deadEnd?.products.find(({ id }) => id === "bowl"))).toEqual(
      MEDIUM,
    );
  });

  it("under the search box, by hand and by what sells", () => {
    const hand = { h: { kind: "products" as const, pick: "hand" as const, products: ["bowl"], most: 2, rank: "a" } };
    const box = { moments: { focus: { blocks: hand } } };
    const { blocks } = suggest(searcherWith({ box } as SettingsInput), SuggestRequest.parse({ query: "" }), { at: AT, visible: all });
    expect(told(blocks.flatMap(({ items }) => items).find(({ id }) => id === "bowl"))).toEqual(MEDIUM);
  });

  it("beside another product, in blocks and on the start page", () => {
    const searcher = searcherWith({
      related: { spade: { goesWith: ["bowl"] } },
      selections: { copper: { name: "Copper", condition: { field: "title", contains: "copper" } } },
      page: {
        blocks: { b: { title: { en: "Copper" }, shows: { selection: "copper" }, rank: "a" } },
        start: { show: "bestselling", most: 4 },
      },
    } as SettingsInput);
    expect(told(relatedTo(searcher, "spade", AT, all)?.goesWith[0])).toEqual(MEDIUM);
    expect(told(find(searcher, "seeds").blocks?.[0].products.find(({ id }) => id === "bowl"))).toEqual(MEDIUM);
    expect(told(startPage(searcher, AT, all).find(({ id }) => id === "bowl"))).toEqual(MEDIUM);
  });
});

describe("a badge and what it says", () => {
  const badges = {
    few: { name: "Few", text: { en: "{left} left" }, condition: { field: "stock", between: [1, 3] as [number, number] }, rank: "a" },
    cheap: {
      name: "Cheap",
      text: { en: "Cheap" },
      condition: {
        all: [
          { field: "price", between: [null, 6] as [null, number] },
          { field: "stock", between: [1, null] as [number, null] },
        ],
      },
      rank: "b",
    },
  };
  const cards = { usual: { name: "Usual", rank: "c", parts: { pots: { kind: "options" as const, field: "pot", rank: "a" } } } };

  it("are of the option that is shown: no other one's stock, and no two options together", () => {
    expect(find(searcherWith({ page: { badges } }), "copper bowl").hits[0].badges).toEqual(["few"]);
    // The dear option is shown, of which there are many.
    const ranking = { option: "most-expensive" as const };
    expect(find(searcherWith({ page: { badges }, ranking } as SettingsInput), "copper bowl").hits[0].badges).toBeUndefined();
  });

  it("are those of an option that a shopper picks on the card", () => {
    const [{ badges: worn, choices = [] }] = find(searcherWith({ page: { badges, cards } } as SettingsInput), "copper bowl").hits;
    expect(worn).toEqual(["few"]);
    expect(choices.map(({ id, badges: own }) => [id, own])).toEqual([
      ["bowl-s", []],
      ["bowl-l", []],
      ["bowl-m", undefined],
    ]);
  });

  it("stay those of the product where options carry nothing of what is asked", () => {
    const tools = { name: "Tools", text: { en: "Tool" }, condition: { field: "category", is: "Pots" }, rank: "a" };
    const { hits } = find(searcherWith({ page: { badges: { tools }, cards } } as SettingsInput), "copper bowl");
    expect(hits[0].badges).toEqual(["tools"]);
    expect(hits[0].choices?.every(({ badges: own }) => own === undefined)).toBe(true);
  });
});
