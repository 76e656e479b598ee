import { execFileSync } from "node:child_process";
import { build } from "../src/core/index/build";
import { defaultSettings } from "../src/core/insights/propose/defaults";
import { prepare } from "../src/core/prepare/searcher";
import { SearchRequest } from "../src/core/search/request";
import { search } from "../src/core/search/search";
import { documentsOf } from "./beside/columns";
import { buildLibrary, libraryPage } from "./beside/library";
import type { Figure } from "./figure";
import { leanShop, typicalSearches } from "./shop";
import { BENCH_OPTIONS } from "./speed";

/** What an engine keeps in memory after some searches, in MB; each is measured in a process of its own. */
type Measured = "documents" | "own" | "library";

export function memoryFigure(products: number): Figure {
  const of = (what: Measured) =>
    Number(execFileSync(process.execPath, ["--expose-gc", process.argv[1], `--memory=${what}`, `--products=${products}`]).toString());
  const documents = of("documents");
  return {
    what: "memory beyond that of the documents",
    products,
    here: of("own") - documents,
    beside: of("library") - documents,
    than: "MiniSearch",
    unit: "MB",
    goal: 1,
  };
}

/** Runs in the process of its own. Our index keeps the documents itself; the library needs them beside it to show them. */
export function measureMemory(what: Measured, products: number): number {
  const kept = keep(what, products);
  globalThis.gc?.();
  globalThis.gc?.();
  const { heapUsed, arrayBuffers } = process.memoryUsage();
  return kept === null ? 0 : (heapUsed + arrayBuffers) / 1024 ** 2;
}

function keep(what: Measured, products: number): unknown {
  const catalogue = leanShop(products);
  const asked = typicalSearches(catalogue, 60);
  if (what === "documents") return catalogue;
  if (what === "library") {
    const library = buildLibrary(documentsOf(catalogue));
    const page = libraryPage(catalogue, library);
    for (const one of asked) page(one);
    return { catalogue, library };
  }
  const index = build(catalogue);
  const searcher = prepare(index, defaultSettings(index));
  for (const one of asked) search(searcher, SearchRequest.parse(one), BENCH_OPTIONS);
  return searcher;
}
