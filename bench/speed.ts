import type { Catalogue } from "../src/core/catalogue/types";
import { build } from "../src/core/index/build";
import type { Index } from "../src/core/index/types";
import { prepare } from "../src/core/prepare/searcher";
import { SearchRequest } from "../src/core/search/request";
import { search } from "../src/core/search/search";
import type { Settings } from "../src/core/settings/schema";
import { SuggestRequest } from "../src/core/suggest/request";
import { suggest } from "../src/core/suggest/suggest";
import { documentsOf } from "./beside/columns";
import { databasePage } from "./beside/database";
import { buildLibrary, libraryOptions, libraryPage } from "./beside/library";
import { OWN, type Searched } from "./fields";
import { type Figure, quantile, timed } from "./figure";
import { benchSettings, THOUSAND } from "./rules";
import { type Asked, beginnings, hostileQueries, typicalSearches } from "./shop";

export const BENCH_OPTIONS = { at: Date.parse("2026-11-24T12:00:00Z"), visible: () => true };

export const LIBRARY = "MiniSearch";
const DATABASE = "FTS5";

/** Results pages, suggestions and hostile queries, interleaved query by query with a library and a database that do the same. */
export function speedFigures(
  catalogue: Catalogue,
  searches: number,
  rounds: number,
): { figures: Figure[]; index: Index; building: number } {
  const { index, building, searcher, figures, p95 } = pageFigures({
    ...{ catalogue, searched: OWN, rounds, building: 1 },
    settingsOf: (made) => benchSettings(made, catalogue, THOUSAND),
    asked: typicalSearches(catalogue, searches),
    typed: beginnings(catalogue, searches),
  });
  // Of each hostile query the median of three, so that the slowest is the engine's and not the machine's.
  const hostile = hostileQueries(catalogue, rounds > 2 ? 1000 : rounds > 1 ? 200 : 60).map((query) => {
    const request = SearchRequest.parse({ query });
    return quantile(
      Array.from({ length: 3 }, () => timed(() => search(searcher, request, BENCH_OPTIONS))[0]),
      0.5,
    );
  });
  const slowest: Figure = {
    what: `slowest of ${hostile.length.toLocaleString("en-GB")} hostile queries`,
    products: catalogue.products.length,
    here: Math.max(...hostile),
    beside: p95,
    than: "results page, 95th percentile",
    unit: "ms",
    goal: 20,
  };
  return { figures: [...figures, slowest], index, building };
}

interface Measured {
  catalogue: Catalogue;
  searched: Searched;
  settingsOf: (index: Index) => Settings;
  asked: readonly Asked[];
  typed: readonly string[];
  rounds: number;
  /** Which share of the library's time building may take. */
  building: number;
  /** What the catalogue is like, where it is not the demo's. */
  name?: string;
}

/** Building, results pages and suggestions of all engines, in turn, in one catalogue. */
export function pageFigures({ catalogue, searched, settingsOf, asked, typed, rounds, building: share, name = "" }: Measured) {
  const documents = documentsOf(catalogue, searched);
  const { index, library, builds } = buildAll(
    catalogue,
    documents,
    searched,
    catalogue.products.length > 100_000 ? 1 : Math.min(3, rounds),
  );
  const [building, libraryBuilding] = builds.map((times) => quantile(times, 0.5));
  const searcher = prepare(index, settingsOf(index));
  const options = libraryOptions(searched);
  const results = interleave(asked, rounds, [
    ({ query, filters }) => search(searcher, SearchRequest.parse({ query, filters }), BENCH_OPTIONS),
    libraryPage(catalogue, library, searched),
    databasePage(catalogue, searched),
  ]);
  const suggested = interleave(typed, rounds, [
    (query) => suggest(searcher, SuggestRequest.parse({ query }), BENCH_OPTIONS),
    (query) => library.autoSuggest(query, options),
  ]);
  const p95 = results.map((times) => quantile(times, 0.95));
  const figure = (what: string, here: number, beside: number, than: string, goal?: number): Figure => ({
    what: name ? `${name}: ${what}` : what,
    products: catalogue.products.length,
    here,
    beside,
    than,
    unit: "ms",
    goal,
  });
  const figures = [
    figure("building", building, libraryBuilding, LIBRARY, share),
    figure("results page, median", quantile(results[0], 0.5), quantile(results[1], 0.5), LIBRARY),
    figure("results page, 95th percentile", p95[0], p95[1], LIBRARY, 1 / 20),
    figure("results page, 95th percentile", p95[0], p95[2], DATABASE, 1 / 3),
    figure("suggest, median", quantile(suggested[0], 0.5), quantile(suggested[1], 0.5), LIBRARY),
    figure("suggest, 95th percentile", quantile(suggested[0], 0.95), quantile(suggested[1], 0.95), LIBRARY, 1 / 20),
  ];
  return { index, building, searcher, figures, p95: p95[0] };
}

/** Builds both, in turn; of several rounds the last one's are kept. */
function buildAll(catalogue: Catalogue, documents: ReturnType<typeof documentsOf>, searched: Searched, rounds: number) {
  const builds: [number[], number[]] = [[], []];
  for (let round = 0; ; round++) {
    const [own, index] = timed(() => build(catalogue));
    const [beside, library] = timed(() => buildLibrary(documents, searched));
    builds[0].push(own);
    builds[1].push(beside);
    if (round + 1 >= rounds) return { index, library, builds };
  }
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
