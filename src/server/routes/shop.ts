import { below } from "@contract/route";
import type { shopperRoutes } from "@contract/shop";
import { pagesOf, productAt, productNumber } from "@core/index/read";
import { stringAt } from "@core/index/strings";
import { lookUp } from "@core/records";
import { relatedTo } from "@core/related/related";
import type { SearchRequest } from "@core/search/request";
import type { Engine } from "../engine/engine";
import type { Store } from "../engine/store";
import { notFound } from "../http/problem";
import type { Handlers } from "../http/serve";
import { togetherOf } from "../log/together";
import { answerSearch, answerSuggest, shownField, startOf } from "./answers";
import { describeFront } from "./front";
import type { SomeHandlers } from "./handlers";

/** What shoppers ask, by two doors: the demo shop's own pages, and pages elsewhere by a store's public key. */
export function shopHandlers(engine: Engine) {
  return {
    ...below(
      "/shop/{store}",
      shopperHandlers(engine, ({ store }) => engine.store(store)),
    ),
    ...below(
      "/public/{key}",
      shopperHandlers(engine, ({ key }) => engine.store(engine.tables.keys.storeOf(key) ?? "")),
    ),
  } satisfies SomeHandlers;
}

/** Live only, without explanations, and only with the fields that shoppers may see. */
function shopperHandlers(engine: Engine, storeOf: (params: Record<string, string>) => Store): Handlers<typeof shopperRoutes> {
  const live = (body: SearchRequest): SearchRequest => ({ ...body, source: "live", at: null, why: [], explain: false });
  return {
    "POST /search": ({ params, body }) => {
      // What is planned, and what else there is, are the shop's own affairs.
      const { shelvesResting: _planned, ...answer } = answerSearch(engine, storeOf(params), live(body), shownField);
      return { ...answer, shelvesBehind: [] };
    },
    "POST /suggest": ({ params, body }) => {
      const store = storeOf(params);
      const answer = answerSuggest(store, { ...body, source: "live", at: null }, shownField);
      engine.offers.shown(store.row.id, answer);
      return answer;
    },
    "POST /taken": ({ body, params }) => {
      const store = storeOf(params);
      // What is in no list is nothing that was offered.
      if (lookUp(store.searcher("live").searcher.settings.box.list, body.own)) engine.offers.taken(store.row.id, body.own);
    },
    "GET /front.json": ({ params, query }) => describeFront(storeOf(params), "live", shownField, query.language),
    "GET /start.json": ({ params }) => startOf(storeOf(params), "live", shownField),
    "GET /products/{id}/data.json": ({ params }) => {
      const { index, options } = storeOf(params).searcher("live").searcher;
      const number = productNumber(index, params.id);
      if (number < 0) throw notFound(`product “${params.id}”`);
      const product = productAt(index, number);
      const shown = new Set(index.fields.filter(shownField).map((field) => field.key));
      const only = (values: typeof product.values) => Object.fromEntries(Object.entries(values).filter(([key]) => shown.has(key)));
      return {
        id: product.id,
        variant: stringAt(index.optionIds, options[number]),
        values: only(product.values),
        options: product.options.map((option) => ({ id: option.id, values: only(option.values) })),
      };
    },
    "GET /pages/{id}/data.json": ({ params }) => {
      const page = pagesOf(storeOf(params).index).find((entry) => entry.id === params.id);
      if (!page) throw notFound(`page “${params.id}”`);
      return page;
    },
    "GET /related/{product}": ({ params }) => {
      const store = storeOf(params);
      const related = relatedTo(store.searcher("live").searcher, params.product, Date.now(), shownField, togetherOf(store.log.stats));
      if (!related) throw notFound(`product “${params.product}”`);
      return related;
    },
    "POST /events": ({ body, params }) => {
      engine.events.add(storeOf(params).row.id, Array.isArray(body) ? body : [body]);
    },
  };
}
