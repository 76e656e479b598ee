import type { ProductSheet } from "@contract/products";
import { hasBit } from "@core/index/bits";
import { productAt, productNumber } from "@core/index/read";
import { rulesTouching } from "@core/insights/catalogue/touching";
import type { Searcher } from "@core/prepare/searcher";
import { lookUp } from "@core/records";
import { requestOf, type Why } from "@core/search/request";
import { search } from "@core/search/search";
import type { Shelf } from "@core/settings/schema";
import type { StoreView } from "../engine/view";
import { standingsOf } from "../log/standing";

const MOST_SEARCHES = 20;

/** All that is known about a product; null when the catalogue has no such id. */
export async function productSheet(store: StoreView, id: string, at: number): Promise<ProductSheet | null> {
  const { searcher } = store.searcher("draft");
  const number = productNumber(searcher.index, id);
  if (number < 0) return null;
  const shelves = Object.entries(searcher.settings.shelves).filter(([, shelf]) => bringsTo(searcher, shelf, number, id, at));
  const searches = shelves.flatMap(([shelfId, shelf]) =>
    shelf.searches.map(({ text }) => ({ search: text, shelf: shelf.name, shelfId, pin: lookUp(shelf.pins, id) ?? groupPlace(shelf, id) })),
  );
  const meant = searches.slice(0, MOST_SEARCHES).map((entry): ProductSheet["meant"][number] => {
    const why = whyOf(searcher, entry.search, id, at);
    return { ...entry, position: "position" in why ? why.position : null, reason: "reason" in why ? why.reason : null };
  });
  return {
    id,
    feed: productAt(store.index, productNumber(store.index, id)),
    product: productAt(searcher.index, number),
    byHand: lookUp(searcher.settings.products, id) ?? null,
    rules: rulesTouching(searcher, number, id, at),
    meant,
    found: ((await standingsOf(store)).get(id) ?? []).slice(0, MOST_SEARCHES),
    taken: takenFor(store, id, at),
  };
}

function bringsTo({ conditions }: Searcher, shelf: Shelf, number: number, id: string, at: number): boolean {
  const isAdded = shelf.addSelections.some((selection) => hasBit(conditions.products({ selection }, at), number));
  return lookUp(shelf.pins, id) !== undefined || groupPlace(shelf, id) !== null || shelf.add.includes(id) || isAdded;
}

function groupPlace({ pinGroups }: Shelf, id: string): number | null {
  const group = Object.values(pinGroups).find(({ products }) => products.includes(id));
  return group ? group.place + group.products.indexOf(id) : null;
}

function whyOf(searcher: Searcher, query: string, id: string, at: number): Why {
  const request = requestOf({ query, limit: 1, why: [id] });
  return lookUp(search(searcher, request, { at, visible: () => true }).why, id);
}

const MOST_TAKEN = 8;

function takenFor(store: StoreView, id: string, at: number): ProductSheet["taken"] {
  const { searcher } = store.searcher("draft");
  return store.log.stats.queries
    .flatMap(({ text, products }) => products.filter((entry) => entry.id === id).map(({ clicks }) => ({ search: text, clicks })))
    .sort((a, b) => b.clicks - a.clicks)
    .slice(0, MOST_TAKEN)
    .map((entry) => {
      const why = whyOf(searcher, entry.search, id, at);
      return { ...entry, position: "position" in why ? why.position : null };
    });
}
