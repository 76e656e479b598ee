import { randomUUID } from "node:crypto";
import { PATH_SEPARATOR } from "@core/catalogue/text-of";
import type { Field } from "@core/catalogue/types";
import { pagesOf, productAt, productNumber } from "@core/index/read";
import { stringsOf } from "@core/index/strings";
import type { KeyColumn } from "@core/index/types";
import { type Asked, prepareAsked } from "@core/measure/asked";
import { filterName, type Shown } from "@core/measure/events";
import type { LogStats } from "@core/measure/tally";
import { relatedTo } from "@core/related/related";
import { ProductCard, SearchAnswer, SearchRequest, SuggestAnswer, SuggestRequest } from "@core/search/request";
import { search } from "@core/search/search";
import { startPage } from "@core/search/start";
import { filtersUsed, frontOfFilters } from "@core/settings/filter";
import { frontOfSettings } from "@core/settings/front";
import { PageLook } from "@core/settings/page";
import { suggest } from "@core/suggest/suggest";
import { z } from "zod";
import type { Engine } from "../engine/engine";
import type { Store } from "../engine/store";
import type { Api } from "../http/api";
import { notFound } from "../http/problem";
import { ProductShape, RelatedShape } from "./shapes";

const everyField = () => true;
const shownField = (field: Field) => field.shown;
const ShopFront = z
  .strictObject({
    id: z.string(),
    name: z.string(),
    locale: z.string(),
    /** The language of labels and messages, and those that the shop has. */
    language: z.string(),
    languages: z.array(z.string()),
    currency: z.string(),
    fields: z.array(
      z.strictObject({
        key: z.string(),
        label: z.string(),
        type: z.string(),
        role: z.string(),
        unit: z.string().nullable(),
        perOption: z.boolean(),
      }),
    ),
    /** The field that each filter narrows, by the filter's id. */
    filterFields: z.record(z.string(), z.string()),
    /** What is chosen in filters when a shopper begins a search. */
    chosen: z.record(z.string(), z.array(z.string())),
    page: PageLook,
    /** Fields that cards read, by key or by role (":price"). */
    cardFields: z.array(z.string()),
    /** Own rules for named parts, made safe. */
    css: z.string(),
    /** What is said otherwise than usual. */
    messages: z.record(z.string(), z.string()),
    categories: z.array(z.strictObject({ path: z.array(z.string()) })),
  })
  .meta({ id: "ShopFront" });

const StartPage = z.strictObject({ products: z.array(ProductCard) }).meta({ id: "StartPage" });

/** Searches of the bench, and those of the shop: live only, and only with what shoppers may see. */
export function searchRoutes(api: Api, engine: Engine): void {
  const answerSearch = (storeId: string, request: SearchRequest, visible: (field: Field) => boolean): SearchAnswer => {
    const started = performance.now();
    const store = engine.store(storeId);
    const at = request.at ? Date.parse(request.at) : Date.now();
    const { searcher, release, settings } = store.searcher(request.source);
    const found = search(searcher, request, { at, visible, asked: askedOf(store.log.stats) });
    const searchId = randomUUID();
    if (request.source === "live") {
      const { chosen } = frontOfFilters(searcher.settings.filters, store.row.locale);
      engine.events.remember(searchId, shownOf(found, filtersUsed(request.filters, chosen)));
    }
    return { searchId, state: store.state(settings, release, at), ...found, tookMs: rounded(performance.now() - started) };
  };
  const startOf = (storeId: string, source: "draft" | "live", visible: (field: Field) => boolean) => ({
    products: startPage(engine.store(storeId).searcher(source).searcher, Date.now(), visible),
  });
  const answerSuggest = (storeId: string, request: SuggestRequest, visible: (field: Field) => boolean): SuggestAnswer => {
    const started = performance.now();
    const store = engine.store(storeId);
    const at = request.at ? Date.parse(request.at) : Date.now();
    const { searcher, release, settings } = store.searcher(request.source);
    const answer = suggest(searcher, request, { at, visible });
    return { ...answer, state: store.state(settings, release, at), tookMs: rounded(performance.now() - started) };
  };
  api
    .route({
      method: "post",
      path: "/api/stores/{store}/search",
      summary: "Search",
      body: SearchRequest,
      answers: { status: 200, schema: SearchAnswer },
      handle: ({ param, body }) => answerSearch(param("store"), body, everyField),
    })
    .route({
      method: "post",
      path: "/api/stores/{store}/suggest",
      summary: "What opens under the search box",
      body: SuggestRequest,
      answers: { status: 200, schema: SuggestAnswer },
      handle: ({ param, body }) => answerSuggest(param("store"), body, everyField),
    })
    .route({
      method: "post",
      path: "/shop/{store}/search",
      summary: "Search as a shopper",
      body: SearchRequest,
      answers: { status: 200, schema: SearchAnswer },
      handle: ({ param, body }) => answerSearch(param("store"), { ...body, source: "live", at: null, why: [], explain: false }, shownField),
    })
    .route({
      method: "post",
      path: "/shop/{store}/suggest",
      summary: "What opens under the shop's search box",
      body: SuggestRequest,
      answers: { status: 200, schema: SuggestAnswer },
      handle: ({ param, body }) => answerSuggest(param("store"), { ...body, source: "live", at: null }, shownField),
    })
    .route({
      method: "get",
      path: "/shop/{store}/front.json",
      summary: "What a shop page needs to know about its store",
      query: z.object({ language: z.string().optional() }),
      answers: { status: 200, schema: ShopFront },
      handle: ({ param, query }) => describeFront(engine.store(param("store")), "live", shownField, query.language),
    })
    .route({
      method: "get",
      path: "/shop/{store}/start.json",
      summary: "What the shop shows before anything is searched",
      answers: { status: 200, schema: StartPage },
      handle: ({ param }) => startOf(param("store"), "live", shownField),
    })
    .route({
      method: "get",
      path: "/api/stores/{store}/start",
      summary: "What the shop would show before anything is searched, by the draft",
      answers: { status: 200, schema: StartPage },
      handle: ({ param }) => startOf(param("store"), "draft", everyField),
    })
    .route({
      method: "get",
      path: "/api/stores/{store}/front",
      summary: "What the bench needs to know to draw the shop",
      answers: { status: 200, schema: ShopFront },
      handle: ({ param }) => describeFront(engine.store(param("store")), "draft", everyField),
    })
    .route({
      method: "get",
      path: "/shop/{store}/products/{id}/data.json",
      summary: "One product as shoppers see it",
      answers: { status: 200, schema: ProductShape },
      handle: ({ param }) => {
        const { index } = engine.store(param("store")).searcher("live").searcher;
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
      path: "/shop/{store}/pages/{id}/data.json",
      summary: "A guide or information page",
      answers: { status: 200 },
      handle: ({ param }) => {
        const page = pagesOf(engine.store(param("store")).index).find((entry) => entry.id === param("id"));
        if (!page) throw notFound(`page “${param("id")}”`);
        return page;
      },
    })
    .route({
      method: "get",
      path: "/shop/{store}/related/{product}",
      summary: "What stands beside a product in the shop",
      answers: { status: 200, schema: RelatedShape },
      handle: ({ param }) => {
        const related = relatedTo(engine.store(param("store")).searcher("live").searcher, param("product"), Date.now(), shownField);
        if (!related) throw notFound(`product “${param("product")}”`);
        return related;
      },
    });
}

const askedByLog = new WeakMap<LogStats, Asked>();

/** The searches of a log, laid out once for each count of it. */
function askedOf(stats: LogStats): Asked {
  let asked = askedByLog.get(stats);
  if (!asked) {
    asked = prepareAsked(stats);
    askedByLog.set(stats, asked);
  }
  return asked;
}

const MOST_SHOWN = 24;
const MOST_RULES = 50;

/** What the log keeps of an answer. */
function shownOf(
  { query, outcome, total, hits, shelf, ignored }: Omit<SearchAnswer, "searchId" | "state" | "tookMs">,
  filters: readonly string[],
): Shown {
  const rules = new Set([
    ...filters.filter((id) => !ignored.includes(id)).map(filterName),
    ...query.steps.flatMap(({ rule }) => rule ?? []),
    ...(shelf ? [shelf.id] : []),
    ...hits.flatMap((hit) => hit.arranged.map(({ rule }) => rule)),
  ]);
  const shown = hits.slice(0, MOST_SHOWN).map(({ id }) => id);
  return { searched: query.searched, outcome, total, shown, rules: [...rules].slice(0, MOST_RULES) };
}

function describeFront(
  store: Store,
  source: "draft" | "live",
  visible: (field: Field) => boolean,
  asked?: string,
): z.output<typeof ShopFront> {
  const { row } = store;
  const language = asked && row.languages.includes(asked) ? asked : row.locale;
  const { searcher } = store.searcher(source);
  const { index } = searcher;
  const fields = index.fields
    .filter(visible)
    .map(({ key, label, type, role, unit, perOption }) => ({ key, label, type, role, unit, perOption }));
  const column = searcher.category < 0 ? undefined : index.columns[searcher.category];
  const categories = column?.kind === "keys" ? byNumber(column) : [];
  return {
    id: row.id,
    name: row.name,
    locale: row.locale,
    language,
    languages: row.languages,
    currency: row.currency,
    fields,
    ...frontOfSettings(searcher.settings, row.locale, language),
    categories,
  };
}

/** Category paths, those with most products first. */
function byNumber(column: KeyColumn): { path: string[] }[] {
  const keys = stringsOf(column.keys);
  const counts = new Uint32Array(keys.length);
  for (const ordinal of column.ordinals) counts[ordinal]++;
  const order = [...keys.keys()].sort((a, b) => counts[b] - counts[a] || a - b);
  return order.map((ordinal) => ({ path: keys[ordinal].split(PATH_SEPARATOR) }));
}

function rounded(milliseconds: number): number {
  return Math.round(milliseconds * 100) / 100;
}
