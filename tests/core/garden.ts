import type { Catalogue, Field, Product } from "@core/catalogue/types";
import { build } from "@core/index/build";
import { defaultSettings } from "@core/insights/propose/defaults";
import { prepare, type Searcher } from "@core/prepare/searcher";
import { type SearchFound, SearchRequest, type SearchRequestInput } from "@core/search/request";
import { search } from "@core/search/search";
import { Settings, type SettingsInput } from "@core/settings/schema";

/** A small garden shop for the tests, and short ways to search it. */

export const field = (key: string, type: Field["type"], role: Field["role"] = "attribute", more: Partial<Field> = {}): Field => ({
  key,
  label: key.charAt(0).toUpperCase() + key.slice(1).replace(/-/g, " "),
  type,
  role,
  unit: null,
  perOption: false,
  shown: true,
  ...more,
});

export const FIELDS: Field[] = [
  field("title", "text", "title"),
  field("brand", "keyword", "brand"),
  field("category", "path", "category"),
  field("sku", "keyword", "articleNumber"),
  field("flower-colour", "list"),
  field("height", "number", "attribute", { unit: "cm" }),
  field("pot", "keyword", "attribute", { perOption: true }),
  field("description", "text", "description"),
  field("price", "number", "price", { perOption: true }),
  field("stock", "number", "stock", { perOption: true }),
  field("sold", "number", "sold"),
  field("margin", "number", "attribute", { shown: false }),
];

type Row = [
  id: string,
  title: string,
  category: string[],
  colours: string[],
  price: number,
  stock: number,
  sold: number,
  description: string,
  height?: number,
];

const ROWS: Row[] = [
  [
    "P1",
    "English lavender Moorland Haze",
    ["Plants", "Perennials"],
    ["Purple"],
    6.5,
    12,
    120,
    "A scented perennial for a sunny border, loved by bees.",
    60,
  ],
  [
    "P2",
    "Dwarf lavender Little Cart",
    ["Plants", "Perennials"],
    ["Purple", "Blue"],
    5.95,
    8,
    80,
    "Compact and silvery; a neat edge for paths.",
    30,
  ],
  ["P3", "Lavender seed", ["Seeds", "Flower seeds"], ["Purple"], 2.8, 140, 60, "Two hundred seeds of English lavender."],
  ["P4", "Climbing rose Harbour Wall", ["Plants", "Roses"], ["Claret"], 18, 5, 45, "Strong climber with claret flowers.", 300],
  ["P5", "Shrub rose Morning Post", ["Plants", "Roses"], ["White"], 15, 0, 99, "A white rose with a scent of apples.", 120],
  ["P6", "Eggplant seeds Black Prince", ["Seeds", "Vegetable seeds"], [], 2.4, 60, 30, "Glossy fruits for a warm greenhouse."],
  ["P7", "Courgette seeds Green Arrow", ["Seeds", "Vegetable seeds"], [], 2.2, 80, 70, "Crops all summer long."],
  ["P8", "Bypass secateurs", ["Tools", "Cutting"], [], 24, 20, 150, "Clean cuts up to 2 cm thick."],
  ["P9", "Watering can", ["Watering"], [], 19, 15, 65, "Holds 9 litres, with a brass rose."],
  ["P10", "Black-eyed Susan", ["Plants", "Perennials"], ["Yellow"], 4.5, 30, 25, "Flowers from July until the frost.", 60],
];

export const PRODUCTS: Product[] = ROWS.map(([id, title, category, colours, price, stock, sold, description, height], i) => ({
  id,
  values: {
    title,
    category: [category],
    description,
    sold,
    margin: 10 + i,
    brand: i % 2 === 0 ? "Quillmoor" : "Fernbank",
    sku: `QG-${1000 + i}-A`,
    ...(colours.length > 0 ? { "flower-colour": colours } : {}),
    ...(height ? { height } : {}),
    ...(id === "P1" ? {} : { price, stock }),
  },
  options:
    id === "P1"
      ? [
          { id: "P1-9", values: { pot: "9 cm", price: 6.5, stock: 12 } },
          { id: "P1-2", values: { pot: "2 litre", price: 11, stock: 0 } },
        ]
      : [],
}));

export function gardenCatalogue(): Catalogue {
  return {
    locale: "en",
    fields: FIELDS,
    products: PRODUCTS,
    pages: [
      {
        id: "g1",
        title: "When to prune lavender",
        text: "Prune lavender in late summer, after it has flowered.",
        link: "/guides/g1",
        picture: null,
      },
    ],
  };
}

export function gardenSearcher(changes: SettingsInput = {}): Searcher {
  const index = build(gardenCatalogue());
  return prepare(index, Settings.parse({ ...defaultSettings(index), ...changes }));
}

/** The moment at which the tests search. */
export const AT = Date.parse("2026-11-24T12:00:00Z");

export function find(searcher: Searcher, request: SearchRequestInput | string): SearchFound {
  const parsed = SearchRequest.parse(typeof request === "string" ? { query: request } : request);
  return search(searcher, parsed, { at: AT, visible: () => true });
}

export function idsOf(found: SearchFound): string[] {
  return found.hits.map((hit) => hit.id);
}
