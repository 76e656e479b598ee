import { makeCatalogue } from "../demo/catalogue";
import { type KnownProduct, NEED_CLASSES, type NeedClass, needsOf } from "../demo/log/needs";
import { knownProducts } from "../demo/log/record";
import { type Meant, sampleMeant } from "../demo/log/simulate";
import type { Catalogue } from "../src/core/catalogue/types";
import { build } from "../src/core/index/build";
import { defaultSettings } from "../src/core/insights/propose/defaults";
import { prepare } from "../src/core/prepare/searcher";
import { SearchRequest } from "../src/core/search/request";
import { search } from "../src/core/search/search";
import { provideKnownWords } from "../src/server/words/known-words";
import { grownShop } from "./shop";

/** How well an engine serves the queries of a class; each with the half-width of its 95 % interval. */
export interface Quality {
  engine: string;
  of: QueryClass;
  queries: number;
  ndcg: Measured;
  reciprocal: Measured;
  /** Share of queries without a product that serves among the first ten. */
  missed: Measured;
}

export interface Measured {
  mean: number;
  within: number;
}

export const QUERY_CLASSES = [...NEED_CLASSES, "misspelt"] as const;
type QueryClass = NeedClass | "misspelt";
export const PLACES = 10;
const AT = Date.parse("2026-11-24T12:00:00Z");
const MONTHS = [3, 5, 9, 11];
/** Puts a query to an engine; ids of the first ten. */
export type Ask = (query: string) => string[];

/**
 * Queries put as shoppers put what they need (never taken from the title of what is meant), with the truth that only the
 * simulator knows: the same to each engine.
 * @param perClass at most so many different queries of each class.
 */
export function queriesByClass(known: readonly KnownProduct[], perClass: number): Map<QueryClass, Meant[]> {
  const needs = needsOf(known);
  const byClass = new Map<QueryClass, Map<string, Meant>>(QUERY_CLASSES.map((name) => [name, new Map()]));
  for (const month of MONTHS) {
    for (const meant of sampleMeant(needs, 60_000, month, 100 + month)) {
      const own = byClass.get(meant.isMisspelt ? "misspelt" : meant.need.sort);
      if (own && own.size < (perClass * (MONTHS.indexOf(month) + 1)) / MONTHS.length) own.set(meant.query, own.get(meant.query) ?? meant);
    }
  }
  return new Map([...byClass].map(([name, own]) => [name, [...own.values()]]));
}

export function measure(engine: string, ask: Ask, queries: ReadonlyMap<QueryClass, readonly Meant[]>): Quality[] {
  return [...queries].map(([of, list]) => {
    const graded = list.map(({ query, need }) =>
      ask(query)
        .slice(0, PLACES)
        .map((id) => need.serves.get(id) ?? 0),
    );
    const ideals = list.map(({ need }) => gainOf([...need.serves.values()].sort((a, b) => b - a).slice(0, PLACES)));
    return {
      engine,
      of,
      queries: list.length,
      ndcg: meanOf(graded.map((grades, i) => gainOf(grades) / ideals[i])),
      reciprocal: meanOf(graded.map((grades) => reciprocalOf(grades))),
      missed: meanOf(graded.map((grades) => (grades.some((grade) => grade > 0) ? 0 : 1))),
    };
  });
}

/** Discounted cumulative gain (Järvelin and Kekäläinen 2002) with gains of 2^grade − 1. */
export const gainOf = (grades: readonly number[]) => grades.reduce((sum, grade, place) => sum + (2 ** grade - 1) / Math.log2(place + 2), 0);

export function reciprocalOf(grades: readonly number[]): number {
  const place = grades.findIndex((grade) => grade > 0);
  return place < 0 ? 0 : 1 / (place + 1);
}

export function meanOf(values: readonly number[]): Measured {
  if (values.length === 0) return { mean: 0, within: 0 };
  const mean = values.reduce((sum, value) => sum + value, 0) / values.length;
  const variance = values.reduce((sum, value) => sum + (value - mean) ** 2, 0) / Math.max(1, values.length - 1);
  return { mean, within: 1.96 * Math.sqrt(variance / values.length) };
}

/** The demo's catalogue, and what each product is. */
export function demoShop(): { catalogue: Catalogue; known: KnownProduct[] } {
  const made = makeCatalogue();
  return { catalogue: grownShop(made.products.length), known: knownProducts(made) };
}

/** This engine with the settings of a fresh import: nothing decided by hand, no log. */
export function ownEngine(catalogue: Catalogue): Ask {
  provideKnownWords();
  const index = build(catalogue);
  const searcher = prepare(index, defaultSettings(index));
  return (query) =>
    search(searcher, SearchRequest.parse({ query, limit: PLACES, fields: [] }), { at: AT, visible: () => true }).hits.map(({ id }) => id);
}
