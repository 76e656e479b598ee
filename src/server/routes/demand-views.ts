import type { DemandAsked, Mark, WorkState } from "@contract/demand";
import { dayClock, writtenDay } from "@core/demand/days";
import { NO_SUMS } from "@core/demand/searches";
import { titlesOf } from "@core/index/read";
import { requestOf } from "@core/search/request";
import { search } from "@core/search/search";
import { overviewFigures, searchFigures, viewedSearches } from "../demand/figures";
import { oneSearch } from "../demand/one-search";
import { periodOf, written } from "../demand/periods";
import { searchesCsv } from "../demand/searches-csv";
import { workOf } from "../demand/work";
import type { EngineView, StoreView } from "../engine/view";
import { notFound } from "../http/problem";
import { shownOf } from "./answers";
import type { SomeReadHandlers } from "./handlers";

/** What shoppers asked for, as it was counted. */
export function demandViewHandlers(engine: EngineView) {
  const todayOf = ({ row }: StoreView) => dayClock(row.timeZone)(Date.now());
  return {
    "GET /api/stores/{store}/demand": ({ params, query }) => {
      const store = engine.store(params.store);
      const figures = engine.demand(store.row.id, (db) => overviewFigures(db, query, todayOf(store)));
      return { ...(figures ?? nothingYet(query, todayOf(store))), marks: figures ? marksIn(engine, store, figures.now.period) : [] };
    },
    "GET /api/stores/{store}/demand/searches": ({ params, query }) => {
      const store = engine.store(params.store);
      return (
        engine.demand(store.row.id, (db) => searchFigures(db, query, todayOf(store))) ?? {
          ...{ period: written(periodOf(query, null, todayOf(store))), languages: [] },
          ...{ total: 0, all: NO_SUMS, searches: [] },
        }
      );
    },
    "GET /api/stores/{store}/demand/searches.csv": ({ params, query }) => {
      const store = engine.store(params.store);
      const searches = engine.demand(store.row.id, (db) => viewedSearches(db, query, todayOf(store))) ?? [];
      const headers = {
        "content-type": "text/csv; charset=utf-8",
        "content-disposition": `attachment; filename="${store.row.id}-searches.csv"`,
      };
      return new Response(searchesCsv(searches), { headers });
    },
    "GET /api/stores/{store}/demand/work": async ({ params }) => {
      const store = engine.store(params.store);
      const items = await workOf(engine, store, todayOf(store));
      const states = engine.weekWork.all(store.row.id);
      const today = new Date().toISOString().slice(0, 10);
      return { items: items.map((item) => ({ ...item, state: stateAt(states.get(item.id), today) })) };
    },
    "GET /api/stores/{store}/demand/search": ({ params, query }) => {
      const store = engine.store(params.store);
      const counted = engine.demand(store.row.id, (db) => oneSearch(db, query, todayOf(store)));
      if (!counted) throw notFound(`search “${query.text}” in what was counted`);
      const [draft, live] = (["draft", "live"] as const).map((source) => answeredNow(store, source, counted.search.text));
      return {
        ...counted,
        products: counted.products.map((product) => ({ ...product, title: titlesOf(store.index, [product.id])[0] ?? "" })),
        marks: marksIn(engine, store, counted.now.period),
        rules: { draft: draft.rules, live: live.rules },
        found: { draft: draft.total, live: live.total },
      };
    },
  } satisfies SomeReadHandlers;
}

const OPEN: WorkState = { state: "open", until: null, person: "", note: "", by: "", at: "" };

/** What was put off until a day is open again on it. */
function stateAt(state: WorkState | undefined, today: string): WorkState {
  if (!state) return OPEN;
  return state.state === "later" && state.until !== null && state.until <= today ? { ...state, state: "open" } : state;
}

const FIRST_PAGE = 24;

/** What a search comes to now, and what takes part in it. */
function answeredNow(store: StoreView, source: "draft" | "live", query: string): { total: number; rules: string[] } {
  const { searcher } = store.searcher(source);
  const request = requestOf({ query, limit: FIRST_PAGE, fields: [], pages: { limit: 0 } });
  const found = search(searcher, request, { at: Date.now(), visible: () => false, counts: false });
  const { total, rules } = shownOf(found, []);
  return { total, rules };
}

/** Before anything was counted. */
function nothingYet(asked: DemandAsked, today: number) {
  const figures = {
    period: written(periodOf(asked, null, today)),
    searches: NO_SUMS,
    visits: { visits: 0, clicked: 0, basketed: 0, ordered: 0 },
    days: [],
  };
  return {
    kept: null,
    now: figures,
    before: figures,
    yearAgo: null,
    changes: { rose: [], fell: [], began: [], vanished: [] },
    languages: [],
  };
}

/** What happened in a period that may have changed what shoppers find: releases, imports, rules that begin or end. */
function marksIn(engine: EngineView, store: StoreView, { from, until }: { from: string; until: string }): Mark[] {
  const dayOf = dayClock(store.row.timeZone);
  const dayAt = (moment: string) => writtenDay(dayOf(Date.parse(moment)));
  const { id } = store.row;
  const { shelves } = store.searcher("live").searcher.settings;
  const marks: Mark[] = [
    ...engine.releases.all(id).map(({ number, note, at }): Mark => ({ day: dayAt(at), kind: "release", text: note, id: String(number) })),
    ...engine.imports.all(id).map(({ id: job, createdAt }): Mark => ({ day: dayAt(createdAt), kind: "import", text: "", id: job })),
    ...Object.entries(shelves).flatMap(([shelf, { name, on, from: begins, until: ends }]): Mark[] => {
      if (!on) return [];
      return [
        ...(begins ? [{ day: dayAt(begins), kind: "begins" as const, text: name, id: shelf }] : []),
        ...(ends ? [{ day: dayAt(ends), kind: "ends" as const, text: name, id: shelf }] : []),
      ];
    }),
  ];
  return marks.filter(({ day }) => day >= from && day <= until).sort((a, b) => (a.day < b.day ? -1 : 1));
}
