import type { Product } from "@core/catalogue/types";
import { productAt, productNumber } from "@core/index/read";
import { SearchRequest } from "@core/search/request";
import { search } from "@core/search/search";
import type { ProductSettings } from "@core/settings/schema";
import { rulesTouching, type TouchingRule } from "@core/settings/touching";
import type { Store } from "../engine/store";

/** A search for which a shelf brings a product, and where it stands in it now. */
export interface MeantSearch {
  search: string;
  shelf: string;
  position: number | null;
  reason: string | null;
}

export interface ProductSheet {
  id: string;
  /** As the feed has it. */
  feed: Product;
  /** As shoppers find it, with what was set by hand. */
  product: Product;
  byHand: ProductSettings | null;
  rules: TouchingRule[];
  meant: MeantSearch[];
}

const MOST_SEARCHES = 20;

/** All that is known about a product; null when the catalogue has no such id. */
export function productSheet(store: Store, id: string, at: number): ProductSheet | null {
  const { searcher } = store.searcher("draft");
  const number = productNumber(searcher.index, id);
  if (number < 0) return null;
  const shelves = Object.values(searcher.settings.shelves).filter((shelf) => shelf.pins[id] !== undefined || shelf.add.includes(id));
  const searches = shelves.flatMap((shelf) => shelf.searches.map(({ text }) => ({ search: text, shelf: shelf.name })));
  const meant = searches.slice(0, MOST_SEARCHES).map((entry): MeantSearch => {
    const request = SearchRequest.parse({ query: entry.search, limit: 1, why: [id] });
    const why = search(searcher, request, { at, visible: () => true }).why[id];
    return { ...entry, position: "position" in why ? why.position : null, reason: "reason" in why ? why.reason : null };
  });
  return {
    id,
    feed: productAt(store.index, productNumber(store.index, id)),
    product: productAt(searcher.index, number),
    byHand: searcher.settings.products[id] ?? null,
    rules: rulesTouching(searcher, number, id, at),
    meant,
  };
}
