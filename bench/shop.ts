import { makeCatalogue } from "../demo/catalogue";
import { Random } from "../demo/random";
import type { Catalogue } from "../src/core/catalogue/types";
import { Assembler } from "../src/core/feed/assemble";
import type { Row } from "../src/core/feed/flatten";
import { proposeMapping } from "../src/core/feed/mapping";
import { FILTERS, WEIGHTS } from "./fields";

const SYLLABLES = ["ba", "do", "ka", "li", "mo", "na", "pe", "ri", "so", "tu", "ve", "wi", "zan", "mir", "tol", "gard"];

/** Names in a catalogue of a size: as in real ones, the vocabulary grows with the square root. */
const NAMES_PER_ROOT = 20;

function names(products: number): string[] {
  const count = Math.round(NAMES_PER_ROOT * Math.sqrt(products));
  return Array.from({ length: count }, (_, i) => [i % 16, (i >> 4) % 16, (i >> 8) % 16, (i >> 12) % 16].map((s) => SYLLABLES[s]).join(""));
}

/** The demo's catalogue grown to a size: products of later rounds have a name beside their title. */
export function grownShop(products: number, seed = 4820): Catalogue {
  const { products: rows } = makeCatalogue(seed);
  const random = new Random(seed + 1);
  const known = names(products);
  const assembler = new Assembler(proposeMapping(rows.slice(0, 400) as unknown as Row[]));
  for (let i = 0; i < products; i++) {
    const row = rows[i % rows.length];
    const round = Math.floor(i / rows.length);
    const name = random.pick(known);
    const renamed =
      round === 0 ? row : { ...row, id: `${row.id}-${round}`, sku: `${row.sku}-${round}`, title: `${row.title} ${name}`, options: [] };
    assembler.add(JSON.parse(JSON.stringify(renamed)) as Row, i + 1);
  }
  const made = assembler.finish();
  return { locale: "en-GB", fields: made.fields, products: made.products, pages: [] };
}

/** Fields of a results page beside those that are searched and filtered. */
const SHOWN = ["sku", "sale-price", "stock", "sold", "added", "picture"];

/** The same shop with the fields that a results page needs and no others. */
export function leanShop(products: number): Catalogue {
  const { fields, ...catalogue } = grownShop(products);
  const kept = fields.filter(({ key }) => key in WEIGHTS || FILTERS.includes(key) || SHOWN.includes(key));
  const keys = new Set(kept.map(({ key }) => key));
  const lean = <T extends { values: object }>(entry: T): T => ({
    ...entry,
    values: Object.fromEntries(Object.entries(entry.values).filter(([key]) => keys.has(key))),
  });
  return {
    ...catalogue,
    fields: kept,
    products: catalogue.products.map((product) => ({ ...lean(product), options: product.options.map(lean) })),
  };
}

/** A shopper's search: words, and what was ticked. */
export interface Asked {
  query: string;
  filters: Record<string, { any: string[] } | { min: number; max: number }>;
}

const CHOICES = ["brand", "light", "flower-colour", "good-for-bees", "price"];

/**
 * Searches of one to three words from titles and categories, one in five with a letter missing, each with two filters
 * chosen that the product it was taken from meets.
 */
export function typicalSearches(catalogue: Catalogue, count: number, seed = 7): Asked[] {
  const random = new Random(seed);
  return Array.from({ length: count }, (_, i) => {
    const { values } = random.pick(catalogue.products);
    const words = `${values.title} ${(values.category as string[][])[0].join(" ")}`
      .toLowerCase()
      .split(/[^a-z]+/)
      .filter((word) => word.length > 2);
    const query = random.some(words, random.whole(1, 3));
    if (i % 5 === 0 && query[0].length > 4) query[0] = query[0].slice(0, 2) + query[0].slice(3);
    const chosen = random.some(
      CHOICES.filter((key) => values[key] !== undefined),
      2,
    );
    return { query: query.join(" "), filters: Object.fromEntries(chosen.map((key) => [key, choiceOf(values[key])])) };
  });
}

function choiceOf(value: unknown): Asked["filters"][string] {
  if (typeof value === "number") return { min: Math.floor(value / 2), max: Math.ceil(value * 2) };
  if (typeof value === "boolean") return { any: [value ? "Yes" : "No"] };
  return { any: [String(Array.isArray(value) ? value[0] : value)] };
}

export function typicalQueries(catalogue: Catalogue, count: number, seed = 7): string[] {
  return typicalSearches(catalogue, count, seed).map(({ query }) => query);
}

/** Beginnings of what shoppers type, from one letter on. */
export function beginnings(catalogue: Catalogue, count: number, seed = 11): string[] {
  const random = new Random(seed);
  return typicalQueries(catalogue, count, seed).map((query) => query.slice(0, random.whole(1, query.length)).trimEnd());
}

/** Queries that are meant to cost much: 32 words, single letters, words that nothing holds. */
export function hostileQueries(catalogue: Catalogue, count: number, seed = 13): string[] {
  const random = new Random(seed);
  const words = typicalQueries(catalogue, 200, seed).flatMap((query) => query.split(" "));
  const letters = "abcdefghijklmnopqrstuvwxyz";
  const unknown = () => Array.from({ length: random.whole(5, 14) }, () => random.pick([...letters])).join("");
  const kinds = [
    () => Array.from({ length: 32 }, () => random.pick(words)).join(" "),
    () => random.pick([...letters]),
    () => Array.from({ length: 32 }, () => random.pick([...letters])).join(" "),
    () => Array.from({ length: 32 }, unknown).join(" "),
    () => `${random.pick(words)} ${unknown()} ${random.pick(words)} ${random.pick([...letters])}`,
  ];
  return Array.from({ length: count }, (_, i) => kinds[i % kinds.length]());
}
