import type { Engine } from "../engine/engine";
import { personOf } from "../http/person";
import { notFound } from "../http/problem";
import type { SomeHandlers } from "./handlers";

/** Searches that fail and are left so. */
export function ignoredSearchHandlers(engine: Engine) {
  return {
    "POST /api/stores/{store}/repair/aside": ({ c, params, body }) => {
      const entry = { ...body, by: personOf(c), at: new Date().toISOString() };
      engine.setAside.put(engine.store(params.store).row.id, entry);
      return entry;
    },
    "DELETE /api/stores/{store}/repair/aside/{text}": ({ params }) => {
      if (!engine.setAside.remove(engine.store(params.store).row.id, params.text)) throw notFound(`ignored search “${params.text}”`);
    },
  } satisfies SomeHandlers;
}
