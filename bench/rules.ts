import { Random } from "../demo/random";
import type { Catalogue } from "../src/core/catalogue/types";
import type { Index } from "../src/core/index/types";
import { defaultSettings } from "../src/core/insights/propose/defaults";
import { Settings } from "../src/core/settings/schema";
import { FILTERS, WEIGHTS } from "./fields";

/** How many rules of each kind. */
interface RuleCounts {
  synonyms: number;
  boosts: number;
  hides: number;
  shelves: number;
}

/** What the contract searches with. */
export const THOUSAND: RuleCounts = { synonyms: 500, boosts: 20, hides: 180, shelves: 300 };
/** What the contract changes settings with. */
export const MANY: RuleCounts = { synonyms: 10_000, boosts: 20, hides: 20_000, shelves: 5_000 };

/** Six fields searched, eight filters, and rules about words, products and searches of the catalogue. */
export function benchSettings(index: Index, catalogue: Catalogue, counts: RuleCounts, seed = 3): Settings {
  const random = new Random(seed);
  const defaults = defaultSettings(index);
  const words = [...new Set(catalogue.products.flatMap(({ values }) => String(values.title).toLowerCase().split(" ")))].filter(
    (word) => word.length > 3,
  );
  const id = () => random.pick(catalogue.products).id;
  const many = <T>(count: number, prefix: string, make: (i: number) => T) =>
    Object.fromEntries(Array.from({ length: count }, (_, i) => [`${prefix}${i}`, make(i)]));
  return Settings.parse({
    ...defaults,
    attributes: Object.fromEntries(
      Object.entries(defaults.attributes).map(([key, attribute]) => [
        key,
        { ...attribute, searchable: key in WEIGHTS, weight: WEIGHTS[key] ?? 1 },
      ]),
    ),
    filters: Object.fromEntries(
      FILTERS.map((key, i) => [key, defaults.filters[key] ?? { from: [{ field: key }], display: "ticks", on: true, rank: `z${i}` }]),
    ),
    words: many(counts.synonyms, "w", (i) => {
      const [one, other] = [random.pick(words), random.pick(words)];
      return i % 2 ? { does: "synonym", words: [one, other] } : { does: "one-way", words: [one], to: [other] };
    }),
    boosts: many(counts.boosts, "b", (i) => ({
      name: `Boost ${i}`,
      condition: { all: [{ field: "brand", is: String(random.pick(catalogue.products).values.brand) }] },
      factor: 1 + (i % 7) / 10,
    })),
    hides: many(counts.hides, "h", (i) => ({ name: `Hide ${i}`, products: [id()], places: ["searching", "browsing"] })),
    shelves: many(counts.shelves, "k", (i) => ({
      name: `Shelf ${i}`,
      searches: [{ match: (["is", "starts", "contains"] as const)[i % 3], text: `${random.pick(words)} ${random.pick(words)}` }],
      rank: `a${String(i).padStart(6, "0")}`,
      pins: { [id()]: 1 },
      exclude: [id()],
      categories: [],
    })),
  });
}
