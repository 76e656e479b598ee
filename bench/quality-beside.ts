import SQLite from "better-sqlite3";
import MiniSearch from "minisearch";
import { textsOf } from "../src/core/catalogue/text-of";
import type { Catalogue } from "../src/core/catalogue/types";
import { type Ask, demoShop, type Measured, measure, ownEngine, PLACES, QUERY_CLASSES, queriesByClass } from "./quality";

/** Fields that the libraries search, with the weights they count. */
const WEIGHTS: Record<string, number> = { sku: 10, title: 8, "botanical-name": 5, brand: 4, category: 4, tags: 2, description: 1 };

function documentsOf({ products, fields }: Catalogue): Record<string, string>[] {
  const searched = fields.filter((field) => field.key in WEIGHTS);
  return products.map(({ id, values }) => ({
    id,
    ...Object.fromEntries(searched.map((field) => [field.key, textsOf(field, values[field.key]).join(" ")])),
  }));
}

/** A general library in memory: all words, the last one by its beginning, misspellings by edits; any word where that finds nothing. */
function libraryEngine(catalogue: Catalogue): Ask {
  const library = new MiniSearch({ fields: Object.keys(WEIGHTS) });
  library.addAll(documentsOf(catalogue));
  const options = {
    prefix: (_term: string, i: number, terms: string[]) => i === terms.length - 1,
    fuzzy: (term: string) => (term.length < 4 ? false : term.length < 8 ? 1 : 2),
    boost: WEIGHTS,
  };
  return (query) => {
    const all = library.search(query, { ...options, combineWith: "AND" });
    return (all.length > 0 ? all : library.search(query, options)).slice(0, PLACES).map(({ id }) => String(id));
  };
}

/** The full-text search of the database, with stems and weights; any word where all find nothing. */
function databaseEngine(catalogue: Catalogue): Ask {
  const db = new SQLite(":memory:");
  const keys = Object.keys(WEIGHTS);
  const columns = keys.map((key) => key.replace("-", "_"));
  db.exec(`CREATE VIRTUAL TABLE p USING fts5 (id UNINDEXED, ${columns.join(", ")}, tokenize = 'porter unicode61')`);
  const insert = db.prepare(`INSERT INTO p VALUES (?, ${keys.map(() => "?").join(", ")})`);
  for (const document of documentsOf(catalogue)) insert.run(document.id, ...keys.map((key) => document[key]));
  const find = db.prepare<[string], { id: string }>(
    `SELECT id FROM p WHERE p MATCH ? ORDER BY bm25(p, 0, ${keys.map((key) => WEIGHTS[key]).join(", ")}) LIMIT ${PLACES}`,
  );
  return (query) => {
    const words = query.match(/[\p{L}\p{N}]+/gu) ?? [];
    if (words.length === 0) return [];
    const terms = words.map((word, i) => `"${word}"${i === words.length - 1 ? "*" : ""}`);
    const all = find.all(terms.join(" AND "));
    return (all.length > 0 ? all : find.all(terms.join(" OR "))).map(({ id }) => id);
  };
}

/** The table of the three engines, class by class. */
export function qualityTable(perClass: number): string {
  const { catalogue, known } = demoShop();
  const queries = queriesByClass(known, perClass);
  const results = [
    measure("Clever Shelf", ownEngine(catalogue), queries),
    measure("MiniSearch", libraryEngine(catalogue), queries),
    measure("FTS5", databaseEngine(catalogue), queries),
  ];
  const say = ({ mean, within }: Measured) => `${mean.toFixed(3)} ± ${within.toFixed(3)}`;
  const lines = QUERY_CLASSES.flatMap((of) =>
    results.flatMap((all) =>
      all
        .filter((row) => row.of === of)
        .map((row) => `| ${of} | ${row.queries} | ${row.engine} | ${say(row.ndcg)} | ${say(row.reciprocal)} | ${say(row.missed)} |`),
    ),
  );
  const head = [
    "| class | queries | engine | nDCG@10 | mean reciprocal rank | nothing that serves |",
    "| --- | ---: | --- | ---: | ---: | ---: |",
  ];
  return [...head, ...lines].join("\n");
}
