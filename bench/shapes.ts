import { readFileSync } from "node:fs";
import { resolve } from "node:path";
import { Random } from "../demo/random";
import type { Catalogue, Field, Product } from "../src/core/catalogue/types";
import type { Index } from "../src/core/index/types";
import { defaultSettings } from "../src/core/insights/propose/defaults";
import { lookUp } from "../src/core/records";
import { Settings } from "../src/core/settings/schema";
import type { Searched } from "./fields";
import type { Figure } from "./figure";
import type { Asked } from "./shop";
import { pageFigures } from "./speed";

/** A kind of catalogue: what its products are made of, and what is searched and filtered. */
interface Shape extends Searched {
  fields: Field[];
  /** How many products are usual; null for a shape that is measured when it is asked for. */
  products: number | null;
  valuesOf: (words: Words, random: Random) => Product["values"];
}

/** English words in an order of chance, the first of them the most frequent, as in any language. */
class Words {
  private readonly known: string[];

  constructor(
    private readonly random: Random,
    count: number,
  ) {
    const words = readFileSync(resolve(import.meta.dirname, "../lexicon/words-en.txt"), "utf8").split("\n");
    const order = words.filter((word) => /^[a-z]{3,}$/.test(word)).map((word) => ({ word, place: random.next() }));
    this.known = order
      .sort((a, b) => a.place - b.place)
      .map(({ word }) => word)
      .slice(0, count);
  }

  /** One of the first so many words, by Zipf's law. */
  one(of = this.known.length): string {
    return this.known[Math.floor(of ** this.random.next()) - 1] ?? this.known[0];
  }

  some(least: number, most: number, of?: number): string {
    return Array.from({ length: this.random.whole(least, most) }, () => this.one(of)).join(" ");
  }
}

const field = (key: string, type: Field["type"], role: Field["role"]): Field => ({
  ...{ key, label: key, type, role, unit: null, perOption: false, shown: true },
});
const TEXTS = [field("title", "text", "title"), field("text", "text", "description")];
const VOCABULARY = 60_000;

export const SHAPES = {
  /** Short texts, a list with several of 600 values each, a field with 3,000. */
  "short texts": {
    products: 63_000,
    weights: { title: 8, text: 1, section: 4, kinds: 2, maker: 2 },
    filters: ["section", "kinds", "maker", "size", "rank"],
    fields: [
      ...TEXTS,
      field("section", "keyword", "brand"),
      field("kinds", "list", "tags"),
      field("maker", "keyword", "attribute"),
      field("size", "number", "price"),
      field("rank", "number", "sold"),
    ],
    valuesOf: (words, random) => ({
      title: words.some(1, 5),
      text: words.some(6, 18),
      section: `section ${words.one(60)}`,
      kinds: [...new Set(Array.from({ length: random.whole(2, 10) }, () => `kind ${words.one(600)}`))],
      maker: `maker ${words.one(3_000)}`,
      size: random.whole(1, 1_000_000) / 100,
      rank: random.whole(0, 100_000),
    }),
  },
  /** Descriptions of 300 words. */
  "long texts": {
    products: 20_000,
    weights: { title: 8, text: 1, brand: 4, category: 4 },
    filters: ["brand", "category", "price", "rating"],
    fields: [
      ...TEXTS,
      field("brand", "keyword", "brand"),
      field("category", "keyword", "attribute"),
      field("price", "number", "price"),
      field("rating", "number", "rating"),
    ],
    valuesOf: (words, random) => ({
      title: words.some(3, 7),
      text: words.some(200, 400),
      brand: `brand ${words.one(400)}`,
      category: `part ${words.one(120)}`,
      price: random.whole(100, 90_000) / 100,
      rating: random.whole(10, 50) / 10,
    }),
  },
  /** A title, a brand and a price, of very many products. */
  "few fields": {
    products: null,
    weights: { title: 8, brand: 4 },
    filters: ["brand", "price"],
    fields: [field("title", "text", "title"), field("brand", "keyword", "brand"), field("price", "number", "price")],
    valuesOf: (words, random) => ({ title: words.some(2, 6), brand: `brand ${words.one(2_000)}`, price: random.whole(100, 90_000) / 100 }),
  },
} satisfies Record<string, Shape>;

function catalogueOf({ fields, valuesOf }: Shape, products: number): Catalogue {
  const random = new Random(4820);
  const words = new Words(random, VOCABULARY);
  return {
    locale: "en-GB",
    fields,
    pages: [],
    products: Array.from({ length: products }, (_, i) => ({ id: `p-${i}`, values: valuesOf(words, random), options: [] })),
  };
}

/** One to three words of a product, one in five with a letter missing, each with two filters chosen that the product meets. */
function searchesOf({ products }: Catalogue, { weights, filters }: Shape, count: number): Asked[] {
  const random = new Random(7);
  return Array.from({ length: count }, (_, i) => {
    const { values } = random.pick(products);
    const words = Object.keys(weights).flatMap((key) => (key === "text" && i % 3 > 0 ? [] : String(values[key]).split(/[\s,]+/)));
    const query = random.some(words, random.whole(1, 3));
    if (i % 5 === 0 && query[0].length > 4) query[0] = query[0].slice(0, 2) + query[0].slice(3);
    const chosen = random.some([...filters], 2);
    return { query: query.join(" "), filters: Object.fromEntries(chosen.map((key) => [key, choiceOf(values[key])])) };
  });
}

function choiceOf(value: unknown): Asked["filters"][string] {
  if (typeof value === "number") return { min: Math.floor(value / 2), max: Math.ceil(value * 2) };
  return { any: [String(Array.isArray(value) ? value[0] : value)] };
}

/** A catalogue of a shape, with searches in it and settings that search and filter what the others do. */
export function shapeOf(name: keyof typeof SHAPES, products: number) {
  const shape: Shape = SHAPES[name];
  const catalogue = catalogueOf(shape, products);
  const settingsOf = (index: Index): Settings => {
    const defaults = defaultSettings(index);
    const attributes = Object.entries(defaults.attributes).map(([key, attribute]) => {
      const weight = lookUp(shape.weights, key);
      return [key, { ...attribute, searchable: weight !== undefined, weight: weight ?? 1 }];
    });
    const filters = shape.filters.map((key, i) => [
      key,
      lookUp(defaults.filters, key) ?? { label: {}, from: [{ field: key }], display: "ticks", on: true, rank: `z${i}` },
    ]);
    return Settings.parse({ ...defaults, attributes: Object.fromEntries(attributes), filters: Object.fromEntries(filters) });
  };
  return { shape, catalogue, settingsOf, asked: searchesOf(catalogue, shape, 60) };
}

/** Speed in a catalogue of another shape than the demo's. */
export function shapeFigures(name: keyof typeof SHAPES, products: number, rounds: number): Figure[] {
  const { shape, catalogue, settingsOf, asked } = shapeOf(name, products);
  const random = new Random(11);
  const typed = asked.map(({ query }) => query.slice(0, random.whole(1, query.length)).trimEnd());
  return pageFigures({ catalogue, searched: shape, asked, typed, rounds, name, building: 1 / 2, settingsOf }).figures;
}
