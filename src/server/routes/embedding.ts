import type { Engine } from "../engine/engine";
import type { SomeHandlers } from "./handlers";

/** The public key of a store, and the pages that may use it. Both hold at once; they are no part of draft and release. */
export function embeddingHandlers(engine: Engine) {
  const { keys } = engine.tables;
  const idOf = ({ store }: { store: string }) => engine.store(store).row.id;
  return {
    "GET /api/stores/{store}/embedding": ({ params }) => keys.of(idOf(params)),
    "PUT /api/stores/{store}/embedding": ({ params, body }) => keys.setOrigins(idOf(params), [...new Set(body.origins)]),
    "POST /api/stores/{store}/embedding/key": ({ params }) => keys.renew(idOf(params)),
  } satisfies SomeHandlers;
}
