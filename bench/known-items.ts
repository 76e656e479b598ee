import { Random } from "../demo/random";
import { textsOf } from "../src/core/catalogue/text-of";
import type { Catalogue, Product } from "../src/core/catalogue/types";
import { build } from "../src/core/index/build";
import type { Index } from "../src/core/index/types";
import { defaultSettings } from "../src/core/insights/propose/defaults";
import { prepare } from "../src/core/prepare/searcher";
import { SearchRequest } from "../src/core/search/request";
import { search } from "../src/core/search/search";
import type { Settings } from "../src/core/settings/schema";
import { BENCH_OPTIONS } from "./speed";

const DEEPEST = 100;

/** A product somebody has in mind, and words that come to mind for it. */
interface KnownItem {
  id: string;
  query: string;
}

/** One word of the title and one or two of what else is known of a product, in any order. */
function knownItems({ products, fields }: Catalogue, count: number, seed = 17): KnownItem[] {
  const random = new Random(seed);
  const told = fields.filter(
    ({ shown, type, role }) => shown && ["text", "keyword", "list", "path", "colour"].includes(type) && role !== "picture",
  );
  const wordsOf = (product: Product, keys: typeof told) =>
    keys.flatMap((field) => textsOf(field, product.values[field.key])).flatMap((text) => text.toLowerCase().match(/\p{L}{4,}/gu) ?? []);
  return Array.from({ length: count }, () => {
    const product = random.pick(products);
    const title = wordsOf(
      product,
      told.filter(({ role }) => role === "title"),
    );
    const others = wordsOf(
      product,
      told.filter(({ role }) => role !== "title" && role !== "articleNumber"),
    );
    const words = [...random.some(title, 1), ...random.some(others, random.whole(1, 2))];
    return { id: product.id, query: words.join(" ") };
  });
}

/** Mean reciprocal rank of known items, with half the width of its 95 % interval. */
function reciprocalRank(index: Index, settings: Settings, items: readonly KnownItem[]): { mean: number; within: number } {
  const searcher = prepare(index, settings);
  const ranks = items.map(({ id, query }) => {
    const { hits } = search(searcher, SearchRequest.parse({ query, limit: DEEPEST, fields: [] }), BENCH_OPTIONS);
    const place = hits.findIndex((hit) => hit.id === id);
    return place < 0 ? 0 : 1 / (place + 1);
  });
  const mean = ranks.reduce((sum, rank) => sum + rank, 0) / ranks.length;
  const variance = ranks.reduce((sum, rank) => sum + (rank - mean) ** 2, 0) / (ranks.length - 1);
  return { mean, within: 1.96 * Math.sqrt(variance / ranks.length) };
}

/** What a fresh import proposes, beside every word field counting the same, and beside the title alone. */
export function setupTable(catalogue: Catalogue, count: number): string {
  const index = build(catalogue);
  const items = knownItems(catalogue, count);
  const proposed = defaultSettings(index);
  const changed = (change: (key: string) => Partial<Settings["attributes"][string]>): Settings => ({
    ...proposed,
    attributes: Object.fromEntries(Object.entries(proposed.attributes).map(([key, attribute]) => [key, { ...attribute, ...change(key) }])),
  });
  const title = index.fields.find(({ role }) => role === "title")?.key;
  const rows = [
    ["proposed", proposed],
    ["equal weights", changed(() => ({ weight: 1 }))],
    ["title alone", changed((key) => ({ searchable: key === title }))],
  ] as const;
  const lines = rows.map(([name, settings]) => {
    const { mean, within } = reciprocalRank(index, settings, items);
    return `| ${name} | ${items.length} | ${mean.toFixed(3)} ± ${within.toFixed(3)} |`;
  });
  return ["| set-up | known items | mean reciprocal rank |", "| --- | ---: | ---: |", ...lines].join("\n");
}
