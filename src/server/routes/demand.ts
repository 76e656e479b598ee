import type { Engine } from "../engine/engine";
import { personOf } from "../http/person";
import type { SomeHandlers } from "./handlers";

/** Counts what shoppers did, and keeps what becomes of this week's work. */
export function demandHandlers(engine: Engine) {
  return {
    "PUT /api/stores/{store}/demand/work": ({ c, params, body: { item, ...state } }) => {
      const { row } = engine.store(params.store);
      engine.weekWork.put(row.id, item, { ...state, by: personOf(c), at: new Date().toISOString() });
    },
    "POST /api/stores/{store}/demand/count": ({ params }) => engine.demand.count(engine.store(params.store).row),
  } satisfies SomeHandlers;
}
