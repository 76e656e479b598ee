import type { EngineView } from "../engine/view";
import { effectsOf } from "../log/effects";
import { setupFor } from "../log/setup";
import type { SomeReadHandlers } from "./handlers";

/** What each field does for shoppers, and a whole set-up worked out from the catalogue and the log. */
export function attributeHandlers(engine: EngineView) {
  return {
    "GET /api/stores/{store}/setup": ({ params }) => setupFor(engine.store(params.store)),
    "GET /api/stores/{store}/attributes/effects": ({ params }) => effectsOf(engine.store(params.store)),
  } satisfies SomeReadHandlers;
}
