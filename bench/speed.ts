import type { Catalogue } from "../src/core/catalogue/types";
import { build } from "../src/core/index/build";
import type { Index } from "../src/core/index/types";
import { prepare } from "../src/core/prepare/searcher";
import { SearchRequest, SuggestRequest } from "../src/core/search/request";
import { search } from "../src/core/search/search";
import { suggest } from "../src/core/suggest/suggest";
import { documentsOf } from "./beside/columns";
import { databasePage } from "./beside/database";
import { buildLibrary, LIBRARY_OPTIONS, libraryPage } from "./beside/library";
import { type Figure, quantile, timed } from "./figure";
import { benchSettings, THOUSAND } from "./rules";
import { beginnings, hostileQueries, typicalSearches } from "./shop";

export const BENCH_OPTIONS = { at: Date.parse("2026-11-24T12:00:00Z"), visible: () => true };

const LIBRARY = "MiniSearch";
const DATABASE = "FTS5";

/** Results pages, suggestions and hostile queries, interleaved query by query with a library and a database that do the same. */
export function speedFigures(
  catalogue: Catalogue,
  searches: number,
  rounds: number,
): { figures: Figure[]; index: Index; building: number } {
  const documents = documentsOf(catalogue);
  const [building, index] = timed(() => build(catalogue));
  const [libraryBuilding, library] = timed(() => buildLibrary(documents));
  const searcher = prepare(index, benchSettings(index, catalogue, THOUSAND));
  const page = libraryPage(catalogue, library);
  const database = databasePage(catalogue);

  const asked = typicalSearches(catalogue, searches);
  const results = interleave(asked, rounds, [
    ({ query, filters }) => search(searcher, SearchRequest.parse({ query, filters }), BENCH_OPTIONS),
    page,
    database,
  ]);
  const typed = beginnings(catalogue, searches);
  const suggested = interleave(typed, rounds, [
    (query) => suggest(searcher, SuggestRequest.parse({ query }), BENCH_OPTIONS),
    (query) => library.autoSuggest(query, LIBRARY_OPTIONS),
  ]);
  const hostile = hostileQueries(catalogue, 1000).map(
    (query) => timed(() => search(searcher, SearchRequest.parse({ query }), BENCH_OPTIONS))[0],
  );
  const p95 = results.map((times) => quantile(times, 0.95));
  const figure = (what: string, here: number, beside: number, than: string, goal?: number): Figure => ({
    what,
    products: catalogue.products.length,
    here,
    beside,
    than,
    unit: "ms",
    goal,
  });
  const figures = [
    figure("building", building, libraryBuilding, LIBRARY, 1),
    figure("results page, median", quantile(results[0], 0.5), quantile(results[1], 0.5), LIBRARY),
    figure("results page, 95th percentile", p95[0], p95[1], LIBRARY, 1 / 20),
    figure("results page, 95th percentile", p95[0], p95[2], DATABASE, 1 / 3),
    figure("suggest, median", quantile(suggested[0], 0.5), quantile(suggested[1], 0.5), LIBRARY),
    figure("suggest, 95th percentile", quantile(suggested[0], 0.95), quantile(suggested[1], 0.95), LIBRARY, 1 / 20),
    figure("slowest of 1,000 hostile queries", Math.max(...hostile), p95[0], "results page, 95th percentile", 20),
  ];
  return { figures, index, building };
}

/** The times of each engine over all queries and rounds; a first round that warms up does not count. */
function interleave<Q>(queries: readonly Q[], rounds: number, engines: ((query: Q) => unknown)[]): number[][] {
  const times: number[][] = engines.map(() => []);
  for (let round = -1; round < rounds; round++) {
    for (const query of queries) {
      engines.forEach((engine, e) => {
        const [took] = timed(() => engine(query));
        if (round >= 0) times[e].push(took);
      });
    }
  }
  return times;
}
