import { stringAt } from "../../src/core/index/strings";
import { filterName, type LoggedEvent, type Shown } from "../../src/core/log/events";
import type { Searcher } from "../../src/core/prepare/searcher";
import { recommendationsOf } from "../../src/core/related/related";
import { type FilterAnswer, type FilterChoice, SearchRequest } from "../../src/core/search/request";
import { search } from "../../src/core/search/search";
import type { Engine } from "../../src/server/engine/engine";
import type { Store } from "../../src/server/engine/store";
import type { DemoCatalogue } from "../catalogue";
import { withBeside } from "./beside";
import { type KnownProduct, needsOf } from "./needs";
import { type Answered, type Ask, simulate } from "./simulate";
import { simulateYear } from "./year";

const BATCH = 5_000;
const SHOWN = 24;

/**
 * Fourteen months of visits to the demo shop, written into its log: eight weeks of them as it is live, the year before in short.
 * @param bad searches as the bad release of that year did.
 */
export function recordVisits(engine: Engine, store: Store, made: DemoCatalogue, until: number, bad: Searcher): void {
  const write = (events: readonly LoggedEvent[]) => {
    for (let i = 0; i < events.length; i += BATCH) engine.events.write(store.row.id, events.slice(i, i + BATCH));
  };
  const needs = needsOf(knownProducts(made));
  const { ask, known } = askShop(store.searcher("live").searcher, made, until);
  const recent = withBeside(simulate(needs, ask, until), askBeside(store, until));
  write(recent);
  // They are counted by another thread while the older ones are made.
  void engine.demand.count(store.row);
  const older = simulateYear(
    needs,
    {
      usual: ask,
      known: (query) => known.get(query) ?? null,
      bad: askShop(bad, made, until).ask,
      ofBrand: (brand) => made.products.flatMap((product) => (product.brand === brand ? [product.id] : [])),
      ofCategory: (category) => made.products.flatMap((product) => (product.category.includes(category) ? [product.id] : [])),
    },
    until,
  );
  write(older);
}

export function knownProducts({ products, kinds }: Pick<DemoCatalogue, "products" | "kinds">): KnownProduct[] {
  return products.flatMap((product) => {
    const kind = kinds.get(product.id);
    return kind === undefined ? [] : [{ product, kind }];
  });
}

/** Asks a state of the shop, each query once, and each of its filters once for each value. */
function askShop(searcher: Searcher, made: DemoCatalogue, at: number): { ask: Ask; known: ReadonlyMap<string, Answered> } {
  const soldOut = new Set(made.products.filter(({ stock }) => stock === 0).map(({ id }) => id));
  const prices = new Map(made.products.map(({ id, price, salePrice }) => [id, salePrice ?? price]));
  const priceOf = (product: string) => prices.get(product) ?? 0;
  const known = new Map<string, Answered>();
  const request = SearchRequest.parse({ limit: SHOWN, fields: [], pages: { limit: 0 } });
  const ask = (query: string, filters: SearchRequest["filters"] | null = null) =>
    search(searcher, { ...request, query, filters: filters ?? {} }, { at, visible: () => true, blocks: false, counts: filters === null });
  const narrowed = new Map<string, Shown>();
  const narrow = (query: string, filter: FilterAnswer, lot: number): Shown => {
    const choice = choiceIn(filter, lot);
    const key = JSON.stringify([query, filter.id, choice]);
    const shown = narrowed.get(key) ?? shownOf(ask(query, { [filter.id]: choice }));
    narrowed.set(key, shown);
    return shown;
  };
  const asked: Ask = (query) => {
    let answered = known.get(query);
    if (!answered) {
      const found = ask(query);
      const filters = found.filters.map((filter) => ({ name: filterName(filter.id), narrow: (lot: number) => narrow(query, filter, lot) }));
      answered = { ...shownOf(found), filters, soldOut, priceOf };
      known.set(query, answered);
    }
    return answered;
  };
  return { ask: asked, known };
}

/** What is beside each product in the live shop, worked out once for each. */
function askBeside(store: Store, at: number): (product: string) => readonly string[] {
  const { searcher } = store.searcher("live");
  const known = new Map<string, string[]>();
  return (product) => {
    let beside = known.get(product);
    if (!beside) {
      const lists = recommendationsOf(searcher, product, at, null);
      beside = [...(lists?.goesWith ?? []), ...(lists?.insteadOf ?? [])].map((entry) => stringAt(searcher.index.ids, entry.product));
      known.set(product, beside);
    }
    return beside;
  };
}

function shownOf({ query, outcome, total, hits, shelf }: ReturnType<typeof search>): Shown {
  const rules = [...new Set([...query.steps.flatMap(({ rule }) => rule ?? []), ...(shelf ? [shelf.id] : [])])];
  return { searched: query.searched, outcome, total, shown: hits.map(({ id }) => id), rules };
}

/** One of a filter's values, the fuller ones more often; of a range its lower half. */
function choiceIn(filter: FilterAnswer, lot: number): FilterChoice {
  if ("bars" in filter) return { max: Math.round((filter.range.min + filter.range.max) / 2) };
  let left = lot * filter.values.reduce((sum, { count }) => sum + count, 0);
  const chosen = filter.values.find(({ count }) => {
    left -= count;
    return left < 0;
  });
  return { any: [chosen?.value ?? filter.values[0]?.value ?? ""] };
}
