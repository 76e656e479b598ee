import type { Engine } from "../engine/engine";
import { effectsOf } from "../log/effects";
import { setupFor } from "../log/setup";
import type { SomeHandlers } from "./handlers";

/** What each field does for shoppers, and a whole set-up worked out from the catalogue and the log. */
export function attributeHandlers(engine: Engine) {
  return {
    "GET /api/stores/{store}/setup": ({ params }) => setupFor(engine.store(params.store)),
    "GET /api/stores/{store}/attributes/effects": ({ params }) => effectsOf(engine.store(params.store)),
  } satisfies SomeHandlers;
}
