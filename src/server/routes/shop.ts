import type { ShopperEvent } from "@core/log/events";
import { lookUp } from "@core/records";
import type { Context } from "hono";
import type { Engine } from "../engine/engine";
import type { Store } from "../engine/store";
import { storeOfKey } from "./forward";
import type { SomeHandlers } from "./handlers";

/** What programs that read the web call themselves. */
const BOT = /bot\b|crawl|spider|slurp/i;

/** What shoppers do, told by two doors: the demo shop's own pages, and pages elsewhere by a store's public key. */
export function shopHandlers(engine: Engine) {
  const taken = (store: Store, own: string) => {
    // What is in no list is nothing that was offered.
    if (lookUp(store.live.settings?.box.list, own)) engine.shoppers.taken(store.row.id, own);
  };
  const did = (c: Context, store: Store, events: ShopperEvent | ShopperEvent[]) => {
    const all = Array.isArray(events) ? events : [events];
    const isBot = BOT.test(c.req.header("user-agent") ?? "");
    engine.shoppers.did(store.row.id, isBot ? all.map((event) => ({ ...event, bot: true })) : all);
  };
  return {
    "POST /shop/{store}/taken": ({ params, body }) => taken(engine.store(params.store), body.own),
    "POST /public/{key}/taken": ({ params, body }) => taken(storeOfKey(engine, params), body.own),
    "POST /shop/{store}/events": ({ c, params, body }) => did(c, engine.store(params.store), body),
    "POST /public/{key}/events": ({ c, params, body }) => did(c, storeOfKey(engine, params), body),
  } satisfies SomeHandlers;
}
