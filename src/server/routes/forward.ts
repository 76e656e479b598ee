import { type Route, statusOf } from "@contract/route";
import { type AllRoutes, ROUTES, type RouteKey } from "@contract/routes";
import type { Context } from "hono";
import type { ContentfulStatusCode } from "hono/utils/http-status";
import type { Engine } from "../engine/engine";
import type { Store } from "../engine/store";
import type { Handlers } from "../http/serve";
import { sentText } from "../http/table";
import type { Workers } from "../workers/workers";
import { type ReadKey, readKeys } from "./reading";

/** What a request says, as the contract has read it. */
interface Said {
  params: Record<string, string>;
  query?: unknown;
  body?: unknown;
}

/** Has a route that only reads answered by a worker. */
export type Forward = (c: Context, key: RouteKey, said: Said) => Promise<Response>;

/** The store of a public key. @throws Problem where there is none. */
export const storeOfKey = (engine: Engine, { key }: Record<string, string>): Store => engine.store(engine.tables.keys.storeOf(key) ?? "");

export function forwardTo(engine: Engine, workers: Workers, clientOf: (c: Context) => string): Forward {
  return async (c, key, { params, query, body }) => {
    const isPublic = key.includes(" /public/");
    const store = isPublic ? storeOfKey(engine, params) : engine.store(params.store);
    const revision = (query as { revision?: number } | undefined)?.revision;
    if (revision !== undefined) await store.draft.reached(revision);
    const route: Route = ROUTES[key];
    const text = route.accepts === "*" ? await sentText(c) : "";
    const isShop = isPublic || key.includes(" /shop/");
    // What waits to be written is part of what the bench reads.
    if (!isShop) engine.offers.flush();
    // The shop's two doors are one to whoever answers.
    const name = key.replace("/public/{key}", "/shop/{store}");
    const question = { name, input: { params: { ...params, store: store.row.id }, query, body, text } };
    const answer = await workers.ask(store, question, isShop ? { client: clientOf(c), isShop } : { client: "bench", isShop });
    if ("value" in answer) throw new Error(`${key} has no answer that can be sent.`);
    const headers = Object.fromEntries(answer.headers);
    const status = answer.status === 200 ? statusOf(route) : answer.status;
    return c.body(answer.body as ReadableStream, status as ContentfulStatusCode, headers);
  };
}

/** All routes that only read, by both doors of the shop. */
export function forwardedHandlers(forward: Forward): Pick<Handlers<AllRoutes>, ReadKey> {
  const handlers = readKeys().map((key) => [key, ({ c, ...said }: Said & { c: Context }) => forward(c, key, said)]);
  return Object.fromEntries(handlers) as Pick<Handlers<AllRoutes>, ReadKey>;
}
