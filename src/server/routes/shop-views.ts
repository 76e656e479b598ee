import { pagesOf, productAt, productNumber } from "@core/index/read";
import { stringAt } from "@core/index/strings";
import { relatedTo } from "@core/related/related";
import type { SearchRequest } from "@core/search/request";
import type { EngineView } from "../engine/view";
import { notFound } from "../http/problem";
import { togetherOf } from "../log/together";
import { answerSearch, answerSuggest, shownField, startOf } from "./answers";
import { describeFront } from "./front";
import type { SomeReadHandlers } from "./handlers";

/** What shoppers read: live only, without explanations, and only with the fields that they may see. */
export function shopViewHandlers(engine: EngineView) {
  const live = (body: SearchRequest): SearchRequest => ({ ...body, source: "live", at: null, why: [], explain: false });
  const storeOf = ({ store }: { store: string }) => engine.store(store);
  return {
    "POST /shop/{store}/search": ({ params, body }) => {
      // What is planned, and what else there is, are the shop's own affairs.
      const { shelvesResting: _planned, ...answer } = answerSearch(engine, storeOf(params), live(body), shownField);
      return { ...answer, shelvesBehind: [] };
    },
    "POST /shop/{store}/suggest": ({ params, body }) => {
      const answer = answerSuggest(storeOf(params), { ...body, source: "live", at: null }, shownField);
      engine.shoppers.offered(params.store, answer);
      return answer;
    },
    "GET /shop/{store}/front.json": ({ params, query }) => describeFront(storeOf(params), "live", shownField, query.language),
    "GET /shop/{store}/start.json": ({ params }) => startOf(storeOf(params), "live", shownField),
    "GET /shop/{store}/products/{id}/data.json": ({ params }) => {
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
    "GET /shop/{store}/pages/{id}/data.json": ({ params }) => {
      const page = pagesOf(storeOf(params).index).find((entry) => entry.id === params.id);
      if (!page) throw notFound(`page “${params.id}”`);
      return page;
    },
    "GET /shop/{store}/related/{product}": ({ params }) => {
      const store = storeOf(params);
      const related = relatedTo(store.searcher("live").searcher, params.product, Date.now(), shownField, togetherOf(store.log.stats));
      if (!related) throw notFound(`product “${params.product}”`);
      return related;
    },
  } satisfies SomeReadHandlers;
}
