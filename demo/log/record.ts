import type { LoggedEvent, Shown } from "../../src/core/measure/events";
import { SearchRequest } from "../../src/core/search/request";
import { search } from "../../src/core/search/search";
import type { Engine } from "../../src/server/engine/engine";
import type { Store } from "../../src/server/engine/store";
import type { DemoCatalogue } from "../catalogue";
import { type KnownProduct, needsOf } from "./needs";
import { type Ask, simulate } from "./simulate";

const BATCH = 5_000;
const SHOWN = 24;

/** Eight weeks of visits to the demo shop as it is live, written into its log. @returns how many events. */
export function recordVisits(engine: Engine, store: Store, made: DemoCatalogue, until: number): number {
  const events = simulate(needsOf(knownProducts(made)), askLive(store, made, until), until);
  for (let i = 0; i < events.length; i += BATCH) engine.events.write(store.row.id, events.slice(i, i + BATCH) satisfies LoggedEvent[]);
  return events.length;
}

export function knownProducts({ products, kinds }: Pick<DemoCatalogue, "products" | "kinds">): KnownProduct[] {
  return products.flatMap((product) => {
    const kind = kinds.get(product.id);
    return kind === undefined ? [] : [{ product, kind }];
  });
}

/** Asks the live shop, each query once. */
function askLive(store: Store, made: DemoCatalogue, at: number): Ask {
  const { searcher } = store.searcher("live");
  const soldOut = new Set(made.products.filter(({ stock }) => stock === 0).map(({ id }) => id));
  const known = new Map<string, Shown>();
  return (query) => {
    let shown = known.get(query);
    if (!shown) {
      const answer = search(searcher, SearchRequest.parse({ query, limit: SHOWN, fields: [] }), { at, visible: () => true });
      const rules = [...new Set([...answer.query.steps.flatMap(({ rule }) => rule ?? []), ...(answer.shelf ? [answer.shelf.id] : [])])];
      shown = {
        searched: answer.query.searched,
        outcome: answer.outcome,
        total: answer.total,
        shown: answer.hits.map(({ id }) => id),
        rules,
      };
      known.set(query, shown);
    }
    return { ...shown, soldOut };
  };
}
