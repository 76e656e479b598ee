import type { Engine } from "../engine/engine";
import type { Workers } from "../workers/workers";
import type { SomeHandlers } from "./handlers";

/** How far answers are that take their time. */
export function underWayHandlers(engine: Engine, workers: Workers) {
  return {
    "GET /api/stores/{store}/under-way": ({ params }) => workers.underWay(engine.store(params.store).row.id),
  } satisfies SomeHandlers;
}
