import { randomUUID } from "node:crypto";
import type { SearchAnswer, SuggestAnswer } from "@contract/search";
import type { Field } from "@core/catalogue/types";
import { type Asked, prepareAsked } from "@core/log/asked";
import { filterName, type Shown } from "@core/log/events";
import { type Popular, preparePopular } from "@core/log/popular";
import type { LogStats } from "@core/log/tally";
import type { ProductCard, SearchFound, SearchRequest } from "@core/search/request";
import { search } from "@core/search/search";
import { startPage } from "@core/search/start";
import { filtersUsed, frontOfFilters } from "@core/settings/read-filter";
import type { SuggestRequest } from "@core/suggest/request";
import { suggest } from "@core/suggest/suggest";
import type { EngineView, StoreView } from "../engine/view";
import { log } from "../operations/logger";

/** Which fields may be given out: to the bench all, to shoppers those that are shown. */
type Visible = (field: Field) => boolean;

export const everyField: Visible = () => true;

export const shownField: Visible = (field) => field.shown;

export function answerSearch(engine: EngineView, store: StoreView, request: SearchRequest, visible: Visible): SearchAnswer {
  const started = performance.now();
  const at = request.at ? Date.parse(request.at) : Date.now();
  const { searcher, release, settings } = store.searcher(request.source);
  const found = search(searcher, request, { at, visible, asked: askedOf(store.log.stats) });
  const searchId = randomUUID();
  if (request.source === "live") {
    const { chosen } = frontOfFilters(searcher.settings.filters, store.row.locale);
    engine.shoppers.remember(searchId, shownOf(found, filtersUsed(request.filters, chosen)));
  }
  const tookMs = rounded(performance.now() - started);
  noteSlow(store, request.query, tookMs, found.query.steps);
  return { searchId, state: store.state(settings, release, at), ...found, tookMs };
}

/** In ms. */
let slow = 300;
export function setSlowSearch(ms: number): void {
  slow = ms;
}

/** Writes down a search that took long, with what was made of its words. */
function noteSlow({ row }: StoreView, query: string, ms: number, steps: SearchFound["query"]["steps"]): void {
  if (ms >= slow) log.warn({ store: row.id, query: query.slice(0, 512), ms, steps }, "A search took long");
}

export function startOf(store: StoreView, source: "draft" | "live", visible: Visible): { products: ProductCard[] } {
  return { products: startPage(store.searcher(source).searcher, Date.now(), visible) };
}

export function answerSuggest(store: StoreView, request: SuggestRequest, visible: Visible): SuggestAnswer {
  const started = performance.now();
  const at = request.at ? Date.parse(request.at) : Date.now();
  const { searcher, release, settings } = store.searcher(request.source);
  const answer = suggest(searcher, request, { at, visible, popular: popularOf(store.log.stats) });
  return { ...answer, state: store.state(settings, release, at), tookMs: rounded(performance.now() - started) };
}

/** What is laid out of a log, once for each count of it. */
function oncePerLog<T>(layOut: (stats: LogStats) => T): (stats: LogStats) => T {
  const known = new WeakMap<LogStats, T>();
  return (stats) => {
    const laid = known.get(stats) ?? layOut(stats);
    known.set(stats, laid);
    return laid;
  };
}

const askedOf = oncePerLog<Asked>(prepareAsked);

export const popularOf = oncePerLog<Popular>(preparePopular);

const MOST_SHOWN = 24;

const MOST_RULES = 50;

/** What the log keeps of an answer. */
export function shownOf({ query, outcome, total, hits, shelf, ignored }: SearchFound, filters: readonly string[]): Shown {
  const rules = new Set([
    ...filters.filter((id) => !ignored.includes(id)).map(filterName),
    ...query.steps.flatMap(({ rule }) => rule ?? []),
    ...(shelf ? [shelf.id] : []),
    ...hits.flatMap((hit) => hit.arranged.map(({ rule }) => rule)),
  ]);
  const shown = hits.slice(0, MOST_SHOWN).map(({ id }) => id);
  return { searched: query.searched, outcome, total, shown, rules: [...rules].slice(0, MOST_RULES) };
}

function rounded(milliseconds: number): number {
  return Math.round(milliseconds * 100) / 100;
}
