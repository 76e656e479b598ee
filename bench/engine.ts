import MiniSearch from "minisearch";
import { textsOf } from "../src/core/catalogue/text-of";
import { build } from "../src/core/index/build";
import { prepare } from "../src/core/prepare/searcher";
import { SearchRequest } from "../src/core/search/request";
import { search } from "../src/core/search/search";
import { defaultSettings } from "../src/core/settings/defaults";
import type { Settings } from "../src/core/settings/schema";
import { grownShop, typicalQueries } from "./shop";

export interface Figure {
  what: string;
  products: number;
  here: number;
  beside: number | null;
  unit: string;
}

const FIELDS = ["title", "botanical-name", "brand", "category", "tags", "description"];
const WEIGHTS: Record<string, number> = { title: 8, "botanical-name": 5, brand: 4, category: 4, tags: 2, description: 1 };

/** Building, searching and a settings change, beside a general library that searches the same fields with the same weights. */
export function engineFigures(products: number, queryCount: number, rounds: number): Figure[] {
  const catalogue = grownShop(products);
  const documents = catalogue.products.map((product, id) => ({
    id,
    ...Object.fromEntries(
      catalogue.fields
        .filter((field) => FIELDS.includes(field.key))
        .map((field) => [field.key, textsOf(field, product.values[field.key]).join(" ")]),
    ),
  }));
  const [ownBuild, index] = timed(() => build(catalogue));
  const [besideBuild, library] = timed(() => {
    const made = new MiniSearch({ fields: FIELDS });
    made.addAll(documents);
    return made;
  });
  const defaults = defaultSettings(index);
  const settings: Settings = {
    ...defaults,
    attributes: Object.fromEntries(
      Object.entries(defaults.attributes).map(([key, attribute]) => [
        key,
        { ...attribute, searchable: FIELDS.includes(key), weight: WEIGHTS[key] ?? 1 },
      ]),
    ),
  };
  const searcher = prepare(index, settings);
  const queries = typicalQueries(catalogue, queryCount);
  const options = { at: Date.parse("2026-11-24T12:00:00Z"), visible: () => true };
  const own: number[] = [];
  const beside: number[] = [];
  for (let round = 0; round < rounds; round++) {
    for (const query of queries) {
      const request = SearchRequest.parse({ query });
      own.push(timed(() => search(searcher, request, options))[0]);
      beside.push(
        timed(() =>
          library.search(query, {
            combineWith: "AND",
            prefix: (_term, i, terms) => i === terms.length - 1,
            fuzzy: (term) => (term.length < 4 ? false : term.length < 8 ? 1 : 2),
            boost: WEIGHTS,
          }),
        )[0],
      );
    }
  }
  const changes = Array.from({ length: 20 }, (_, i) => {
    const next = {
      ...settings,
      words: { w: { does: "same" as const, words: ["aubergine", `eggplant${i}`], quality: 0.9, on: true } },
      attributes: { ...settings.attributes, title: { ...settings.attributes.title, weight: 5 + (i % 5) } },
    };
    return timed(() => search(prepare(index, next, searcher), SearchRequest.parse({ query: "climbing rose" }), options))[0];
  });
  const size = { products: catalogue.products.length, unit: "ms" };
  return [
    { what: "building", here: ownBuild, beside: besideBuild, ...size },
    { what: "results with filter counts, median", here: quantile(own, 0.5), beside: quantile(beside, 0.5), ...size },
    { what: "results with filter counts, 95th percentile", here: quantile(own, 0.95), beside: quantile(beside, 0.95), ...size },
    { what: "settings change until the first answer, worst of 20", here: Math.max(...changes), beside: null, ...size },
  ];
}

function timed<T>(work: () => T): [number, T] {
  const started = performance.now();
  const result = work();
  return [performance.now() - started, result];
}

export function quantile(values: readonly number[], share: number): number {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))];
}
