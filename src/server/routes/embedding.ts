import type { Context } from "hono";
import type { PublicKey } from "../db/keys";
import type { Engine } from "../engine/engine";
import { expectMatch, tagOf, withTag } from "../http/if-match";
import type { SomeHandlers } from "./handlers";

/**
 * The public key of a store, and the pages that may use it. Both hold at once; they are no part of draft and release.
 * @param server origin by which shops know this server, where it was said.
 */
export function embeddingHandlers(engine: Engine, server: string | null) {
  const { keys } = engine.tables;
  const idOf = ({ store }: { store: string }) => engine.store(store).row.id;
  const answer = (c: Context, { key, origins }: PublicKey) => ({ ...withTag(c, { key, origins }), server, tag: tagOf({ key, origins }) });
  return {
    "GET /api/stores/{store}/embedding": ({ c, params }) => answer(c, keys.of(idOf(params))),
    "PUT /api/stores/{store}/embedding": ({ c, params, body }) => {
      const store = idOf(params);
      const { key, origins } = keys.of(store);
      expectMatch(c, { key, origins }, "the list of pages");
      return answer(c, keys.setOrigins(store, [...new Set(body.origins)]));
    },
    "POST /api/stores/{store}/embedding/key": ({ c, params }) => answer(c, keys.renew(idOf(params))),
  } satisfies SomeHandlers;
}
