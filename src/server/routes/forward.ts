import { randomUUID } from "node:crypto";
import { type Route, statusOf } from "@contract/route";
import { type AllRoutes, ROUTES, type RouteKey } from "@contract/routes";
import type { Context } from "hono";
import type { ContentfulStatusCode } from "hono/utils/http-status";
import type { Engine } from "../engine/engine";
import type { Store } from "../engine/store";
import { leaving } from "../http/leaving";
import type { Handlers } from "../http/serve";
import { sentText } from "../http/table";
import type { Answer, Question, ShopAnswer } from "../workers/messages";
import { toldOf, type Workers } from "../workers/workers";
import type { KeptAnswers } from "./kept-answers";
import { isKept } from "./kept-routes";
import { type ReadKey, readKeys } from "./reading";

/** What a request says, as the contract has read it. */
interface Said {
  params: Record<string, string>;
  query?: unknown;
  body?: unknown;
}

const decoder = new TextDecoder();

/** Has a route that only reads answered by a worker. */
export type Forward = (c: Context, key: RouteKey, said: Said) => Promise<Response>;

/** The store of a public key. @throws Problem where there is none. */
export const storeOfKey = (engine: Engine, { key }: Record<string, string>): Store => engine.store(engine.tables.keys.storeOf(key) ?? "");

const JSON_TYPE = { "content-type": "application/json" };

export function forwardTo(engine: Engine, workers: Workers, kept: KeptAnswers, clientOf: (c: Context) => string): Forward {
  /** What was answered to the same question, as if it was worked out now; else a worker's answer, which is kept. */
  async function answerShopper(store: Store, question: Question, client: string, left?: AbortSignal): Promise<string> {
    const began = performance.now();
    const key = kept.keyOf(store, toldOf(store), question.name, (question.input as Said).body);
    const known = kept.get(key);
    if (known) return asText(store, known, performance.now() - began);
    // What comes too late for who asked is there for who asks next.
    const onLate = (late: Answer) => "shop" in late && kept.put(key, late.shop);
    const answer = await workers.ask(store, question, { client, isShop: true, onLate, left });
    if (!("shop" in answer)) throw new Error(`${question.name} is no answer to a shopper.`);
    kept.put(key, answer.shop);
    return asText(store, answer.shop, answer.shop.tookMs);
  }

  /** An answer with what is of the moment: its number, when it was given, how long it took. */
  function asText(store: Store, { rest, state, shown, offered }: ShopAnswer, ms: number): string {
    const now = JSON.stringify({ ...state, at: new Date().toISOString() });
    const tookMs = Math.round(ms * 100) / 100;
    if (offered) engine.shoppers.offered(store.row.id, { blocks: offered });
    if (!shown) return `{${decoder.decode(rest)},"state":${now},"tookMs":${tookMs}}`;
    const searchId = randomUUID();
    engine.shoppers.remember(searchId, shown);
    return `{"searchId":"${searchId}","state":${now},${decoder.decode(rest)},"tookMs":${tookMs}}`;
  }

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
    const left = leaving(c);
    if (isKept(name)) return c.body(await answerShopper(store, question, clientOf(c), left), 200, JSON_TYPE);
    const answer = await workers.ask(store, question, { client: isShop ? clientOf(c) : "bench", isShop, left });
    if (!("body" in answer)) throw new Error(`${key} has no answer that can be sent.`);
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
