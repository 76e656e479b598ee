import type { ShopperEvent } from "@core/log/events";
import { lookUp } from "@core/records";
import type { Engine } from "../engine/engine";
import type { Store } from "../engine/store";
import { storeOfKey } from "./forward";
import type { SomeHandlers } from "./handlers";

/** What shoppers do, told by two doors: the demo shop's own pages, and pages elsewhere by a store's public key. */
export function shopHandlers(engine: Engine) {
  const taken = (store: Store, own: string) => {
    // What is in no list is nothing that was offered.
    if (lookUp(store.live.settings?.box.list, own)) engine.shoppers.taken(store.row.id, own);
  };
  const did = (store: Store, events: ShopperEvent | ShopperEvent[]) =>
    engine.shoppers.did(store.row.id, Array.isArray(events) ? events : [events]);
  return {
    "POST /shop/{store}/taken": ({ params, body }) => taken(engine.store(params.store), body.own),
    "POST /public/{key}/taken": ({ params, body }) => taken(storeOfKey(engine, params), body.own),
    "POST /shop/{store}/events": ({ params, body }) => did(engine.store(params.store), body),
    "POST /public/{key}/events": ({ params, body }) => did(storeOfKey(engine, params), body),
  } satisfies SomeHandlers;
}
