import type { Engine } from "../engine/engine";
import { notFound } from "../http/problem";
import type { Workers } from "../workers/workers";
import type { SomeHandlers } from "./handlers";

/** What fields are called, and whether shoppers see them. */
export function fieldHandlers(engine: Engine, workers: Workers) {
  return {
    "PATCH /api/stores/{store}/fields/{key}": async ({ params, body }) => {
      const store = engine.store(params.store);
      const key = params.key;
      await store.catalogue.changeFields((before) => {
        if (!before.some((field) => field.key === key)) throw notFound(`field “${key}”`);
        return before.map((field) => (field.key === key ? { ...field, ...body } : field));
      });
      const { columns } = engine.tables.feeds.of(store.row.id);
      const renamed = Object.entries(columns).map(([column, entry]) => [column, entry.key === key ? { ...entry, ...body } : entry]);
      engine.tables.feeds.change(store.row.id, { columns: Object.fromEntries(renamed) });
      return workers.workOut(store, "facts of a field", { store: store.row.id, key });
    },
  } satisfies SomeHandlers;
}
