import { findDuplicates } from "@core/insights/catalogue/duplicates";
import type { EngineView } from "../engine/view";
import type { SomeReadHandlers } from "./handlers";

/** Products that look the same to shoppers. */
export function duplicateViewHandlers(engine: EngineView) {
  return {
    "GET /api/stores/{store}/duplicates": ({ params }) => {
      const store = engine.store(params.store);
      const { searcher } = store.searcher("draft");
      const hidden = new Set(Object.values(searcher.settings.hides).flatMap((hide) => (hide.on ? (hide.products ?? []) : [])));
      const groups = findDuplicates(searcher.index, new Set(engine.tables.feeds.of(store.row.id).keptApart));
      return groups.filter(({ products }) => products.filter(({ id }) => !hidden.has(id)).length > 1).slice(0, 500);
    },
  } satisfies SomeReadHandlers;
}
