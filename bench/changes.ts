import type { Catalogue } from "../src/core/catalogue/types";
import type { Index } from "../src/core/index/types";
import { prepare, type Searcher } from "../src/core/prepare/searcher";
import { SearchRequest } from "../src/core/search/request";
import { search } from "../src/core/search/search";
import { Settings } from "../src/core/settings/schema";
import { type Figure, quantile, timed } from "./figure";
import { benchSettings, MANY } from "./rules";
import { typicalQueries } from "./shop";
import { BENCH_OPTIONS } from "./speed";

/** One change of each kind that a merchandiser makes; what it is given makes every change a new one. */
const CHANGES: Record<string, (settings: Settings, i: number) => Partial<Settings>> = {
  "a field's weight": ({ attributes }, i) => ({
    attributes: { ...attributes, title: { ...attributes.title, weight: 5 + (i % 5) } },
  }),
  "a field searched": ({ attributes }, i) => ({
    attributes: { ...attributes, sku: { ...attributes.sku, searchable: i % 2 === 0 } },
  }),
  misspellings: ({ misspelling }, i) => ({ misspelling: { ...misspelling, policy: (["correct", "ask"] as const)[i % 2] } }),
  "a synonym": ({ words }, i) => ({ words: part("words", { ...words, new: { does: "synonym", words: ["aubergine", `eggplant${i}`] } }) }),
  "a value group": ({ groups }, i) => ({
    groups: part("groups", { ...groups, new: { field: "flower-colour", label: { en: `Red ${i}` }, values: ["Crimson", "Red"] } }),
  }),
  "the tie width": ({ ranking }, i) => ({ ranking: { ...ranking, tieWidth: i % 9 } }),
  "a boost": ({ boosts }, i) => ({
    boosts: part("boosts", {
      ...boosts,
      new: { name: "New", condition: { all: [{ field: "light", is: "Shade" }] }, factor: 1.2 + i / 100 },
    }),
  }),
  "a hide": ({ hides }, i) => ({
    hides: part("hides", {
      ...hides,
      new: { name: `New ${i}`, condition: { all: [{ field: "tags", is: "tender" }] }, places: ["searching"] },
    }),
  }),
  "a shelf": ({ shelves }, i) => ({
    shelves: part("shelves", {
      ...shelves,
      new: { name: `New ${i}`, searches: [{ match: "is", text: "climbing rose" }], categories: [], rank: "b" },
    }),
  }),
  "a filter": ({ filters }, i) => ({ filters: { ...filters, light: { ...filters.light, on: i % 2 === 0 } } }),
  "a product by hand": ({ products }, i) => ({ products: part("products", { ...products, "P-00017": { boost: 1 + i / 10 } }) }),
};

/** New entries get their defaults; those that were there keep their identity, as they do in the application. */
function part<K extends "words" | "groups" | "boosts" | "hides" | "shelves" | "products">(
  key: K,
  entries: Record<string, unknown>,
): Settings[K] {
  const ids = Object.keys(entries);
  const last = ids[ids.length - 1];
  const parsed = Settings.parse({ [key]: { [last]: entries[last] } })[key];
  return { ...entries, ...parsed } as Settings[K];
}

/** From a changed setting to the first answer, with very many rules loaded: the worst kind, each by its median. */
export function changeFigures(catalogue: Catalogue, index: Index, building: number, rounds: number): Figure[] {
  const settings = benchSettings(index, catalogue, MANY);
  let searcher = prepare(index, settings);
  const request = SearchRequest.parse({ query: "climbing rose" });
  search(searcher, request, BENCH_OPTIONS);
  const byKind = Object.entries(CHANGES).map(([kind, change]) => {
    const times = Array.from({ length: rounds }, (_, i) => {
      const [took, next] = timed((): Searcher => {
        const made = prepare(index, { ...searcher.settings, ...change(searcher.settings, i) }, searcher);
        search(made, request, BENCH_OPTIONS);
        return made;
      });
      searcher = next;
      return took;
    });
    return { kind, took: quantile(times, 0.5) };
  });
  const worst = byKind.reduce((a, b) => (b.took > a.took ? b : a));
  return [
    {
      what: `a settings change until the first answer, worst of ${byKind.length} kinds (${worst.kind})`,
      products: catalogue.products.length,
      here: worst.took,
      beside: building,
      than: "building",
      unit: "ms",
      goal: 1 / 20,
    },
    besideNone(catalogue, index, settings, rounds > 5 ? 20 : 5),
  ];
}

/** The same searches with and without shelves and hides, in turn. */
function besideNone(catalogue: Catalogue, index: Index, settings: Settings, rounds: number): Figure {
  const full = prepare(index, settings);
  const bare = prepare(index, { ...settings, shelves: {}, hides: {} });
  const requests = typicalQueries(catalogue, 30).map((query) => SearchRequest.parse({ query }));
  const times: Record<"full" | "bare", number[]> = { full: [], bare: [] };
  for (let round = -1; round < rounds; round++) {
    for (const request of requests) {
      for (const kind of ["full", "bare", "bare", "full"] as const) {
        const [took] = timed(() => search(kind === "full" ? full : bare, request, BENCH_OPTIONS));
        if (round >= 0) times[kind].push(took);
      }
    }
  }
  return {
    what: "a search with 5,000 shelves and 20,000 hides",
    products: catalogue.products.length,
    here: quantile(times.full, 0.5),
    beside: quantile(times.bare, 0.5),
    than: "without",
    unit: "ms",
    goal: 1.1,
  };
}
