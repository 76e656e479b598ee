import { lookUp, setOwn } from "@core/records";
import type { Database } from "better-sqlite3";
import { readKeptJson } from "../db/kept-json";

/** What became of a product in one search. */
interface ProductInSearch {
  shown: number;
  clicks: number;
  baskets: number;
  orders: number;
}

export interface SearchFacts {
  /** Searches of this text in the log, the latest few thousand at most. */
  asked: number;
  products: Record<string, ProductInSearch>;
}

const MOST_SEARCHES = 3_000;

/** Reads what shoppers were shown and took when they searched a text; capitals aside, as it was typed. */
export function searchFacts(db: Database) {
  const searches = db.prepare<[string, string], { search_id: string | null; shown: string | null }>(
    `SELECT search_id, shown FROM events WHERE store = ? AND kind = 'search' AND lower(query) = lower(?) ORDER BY id DESC LIMIT ${MOST_SEARCHES}`,
  );
  const deeds = db.prepare<[string, string], { product: string; kind: "click" | "basket" | "order"; times: number }>(
    `SELECT product, kind, count(*) AS times FROM events
     WHERE store = ? AND kind <> 'search' AND product IS NOT NULL AND search_id IN (SELECT value FROM json_each(?)) GROUP BY product, kind`,
  );
  const COUNTED = { click: "clicks", basket: "baskets", order: "orders" } as const;
  return (store: string, query: string): SearchFacts => {
    const rows = searches.all(store, query.trim());
    const products: SearchFacts["products"] = {};
    const factsOf = (id: string) => {
      if (!lookUp(products, id)) setOwn(products, id, { shown: 0, clicks: 0, baskets: 0, orders: 0 });
      return lookUp(products, id);
    };
    for (const { shown } of rows) for (const id of readKeptJson<string[]>(shown, [])) factsOf(id).shown++;
    const ids = rows.flatMap(({ search_id }) => search_id ?? []);
    for (const { product, kind, times } of deeds.all(store, JSON.stringify(ids))) factsOf(product)[COUNTED[kind]] += times;
    return { asked: rows.length, products };
  };
}
