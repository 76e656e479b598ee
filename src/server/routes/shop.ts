import { pagesOf, productAt, productNumber } from "@core/index/read";
import { ShopperEvent } from "@core/measure/events";
import { relatedTo } from "@core/related/related";
import { SearchAnswer, SearchRequest } from "@core/search/request";
import { SuggestAnswer, SuggestRequest } from "@core/suggest/request";
import { z } from "zod";
import type { Engine } from "../engine/engine";
import type { Store } from "../engine/store";
import type { Api } from "../http/api";
import { notFound } from "../http/problem";
import { togetherOf } from "../log/together";
import { answerSearch, answerSuggest, shownField, startOf } from "./answers";
import { describeFront, ShopFront } from "./front";
import { StartPage } from "./search";
import { ProductShape, RelatedShape } from "./shapes";

const TakenOffer = z.strictObject({ own: z.string().min(1).max(120) }).meta({ id: "TakenOffer" });

/** A way in for shoppers: the demo shop's own pages, or pages elsewhere by a store's public key. */
interface Door {
  base: string;
  of: string;
  storeOf: (param: (name: string) => string) => Store;
}

/** What shoppers ask: live only, without explanations, and only with the fields that they may see. */
export function shopRoutes(api: Api, engine: Engine): void {
  openDoor(api, engine, { base: "/shop/{store}", of: "in the shop", storeOf: (param) => engine.store(param("store")) });
  openDoor(api, engine, {
    base: "/public/{key}",
    of: "by a store's public key, from the pages that it allows",
    storeOf: (param) => engine.store(engine.tables.keys.storeOf(param("key")) ?? ""),
  });
}

function openDoor(api: Api, engine: Engine, { base, of, storeOf }: Door): void {
  const live = (body: SearchRequest): SearchRequest => ({ ...body, source: "live", at: null, why: [], explain: false });
  api
    .route({
      method: "post",
      path: `${base}/search`,
      summary: `Search ${of}`,
      body: SearchRequest,
      answers: { status: 200, schema: SearchAnswer },
      handle: async ({ param, body }) => {
        // What is planned, and what else there is, are the shop's own affairs.
        const { shelvesResting: _planned, ...answer } = await answerSearch(engine, storeOf(param), live(body), shownField);
        return { ...answer, shelvesBehind: [] };
      },
    })
    .route({
      method: "post",
      path: `${base}/suggest`,
      summary: `What opens under the search box ${of}`,
      body: SuggestRequest,
      answers: { status: 200, schema: SuggestAnswer },
      handle: ({ param, body }) => {
        const store = storeOf(param);
        const answer = answerSuggest(store, { ...body, source: "live", at: null }, shownField);
        engine.offers.shown(store.row.id, answer);
        return answer;
      },
    })
    .route({
      method: "post",
      path: `${base}/taken`,
      summary: `Record that a search of the shop's own list was taken, ${of}`,
      body: TakenOffer,
      answers: { status: 202 },
      handle: ({ c, body, param }) => {
        const store = storeOf(param);
        // What is in no list is nothing that was offered.
        if (store.searcher("live").searcher.settings.box.list[body.own]) engine.offers.taken(store.row.id, body.own);
        return c.body(null, 202);
      },
    })
    .route({
      method: "get",
      path: `${base}/front.json`,
      summary: `What a page needs to know about its store, ${of}`,
      query: z.object({ language: z.string().optional() }),
      answers: { status: 200, schema: ShopFront },
      handle: ({ param, query }) => describeFront(storeOf(param), "live", shownField, query.language),
    })
    .route({
      method: "get",
      path: `${base}/start.json`,
      summary: `What is shown before anything is searched, ${of}`,
      answers: { status: 200, schema: StartPage },
      handle: ({ param }) => startOf(storeOf(param), "live", shownField),
    })
    .route({
      method: "get",
      path: `${base}/products/{id}/data.json`,
      summary: `One product as shoppers see it, ${of}`,
      answers: { status: 200, schema: ProductShape },
      handle: ({ param }) => {
        const { index } = storeOf(param).searcher("live").searcher;
        const number = productNumber(index, param("id"));
        if (number < 0) throw notFound(`product “${param("id")}”`);
        const product = productAt(index, number);
        const shown = new Set(index.fields.filter(shownField).map((field) => field.key));
        const only = (values: typeof product.values) => Object.fromEntries(Object.entries(values).filter(([key]) => shown.has(key)));
        return {
          id: product.id,
          values: only(product.values),
          options: product.options.map((option) => ({ id: option.id, values: only(option.values) })),
        };
      },
    })
    .route({
      method: "get",
      path: `${base}/pages/{id}/data.json`,
      summary: `A guide or information page, ${of}`,
      answers: { status: 200 },
      handle: ({ param }) => {
        const page = pagesOf(storeOf(param).index).find((entry) => entry.id === param("id"));
        if (!page) throw notFound(`page “${param("id")}”`);
        return page;
      },
    })
    .route({
      method: "get",
      path: `${base}/related/{product}`,
      summary: `What stands beside a product, ${of}`,
      answers: { status: 200, schema: RelatedShape },
      handle: ({ param }) => {
        const store = storeOf(param);
        const related = relatedTo(store.searcher("live").searcher, param("product"), Date.now(), shownField, togetherOf(store.log.stats));
        if (!related) throw notFound(`product “${param("product")}”`);
        return related;
      },
    })
    .route({
      method: "post",
      path: `${base}/events`,
      summary: `Record what a shopper did, ${of}`,
      body: z.union([ShopperEvent, z.array(ShopperEvent).max(100)]),
      answers: { status: 202 },
      handle: ({ c, body, param }) => {
        engine.events.add(storeOf(param).row.id, Array.isArray(body) ? body : [body]);
        return c.body(null, 202);
      },
    });
}
