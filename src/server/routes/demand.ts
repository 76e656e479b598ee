import type { DemandAsked, Mark } from "@contract/demand";
import { dayClock, writtenDay } from "@core/demand/days";
import { NO_SUMS } from "@core/demand/searches";
import { overviewFigures, searchFigures } from "../demand/figures";
import { periodOf } from "../demand/periods";
import type { EngineView, StoreView } from "../engine/view";
import type { SomeReadHandlers } from "./handlers";

/** What shoppers asked for, as it was counted. */
export function demandHandlers(engine: EngineView) {
  const todayOf = ({ row }: StoreView) => dayClock(row.timeZone)(Date.now());
  return {
    "GET /api/stores/{store}/demand": ({ params, query }) => {
      const store = engine.store(params.store);
      const figures = engine.demand(store.row.id, (db) => overviewFigures(db, query, todayOf(store)));
      return { ...(figures ?? nothingYet(query, todayOf(store))), marks: figures ? marksIn(engine, store, figures.now.period) : [] };
    },
    "GET /api/stores/{store}/demand/searches": ({ params, query }) => {
      const store = engine.store(params.store);
      return engine.demand(store.row.id, (db) => searchFigures(db, query, todayOf(store))) ?? { total: 0, all: NO_SUMS, searches: [] };
    },
  } satisfies SomeReadHandlers;
}

/** Before anything was counted. */
function nothingYet(asked: DemandAsked, today: number) {
  const { from, until } = periodOf(asked, null, today);
  const figures = {
    period: { from: writtenDay(from), until: writtenDay(until) },
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
