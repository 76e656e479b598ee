import type { LOG_ORDERS } from "@contract/log";
import { type QueryStats, queryKey } from "@core/log/tally";
import type { EngineView } from "../engine/view";
import type { SomeReadHandlers } from "./handlers";

/** What there is of a store's log, and for how long it is kept. */
export function summaryOf(engine: EngineView, store: string) {
  const { row, log } = engine.store(store);
  const { from, until, searches, visits, clicked, queries } = log.stats;
  const keepDays = engine.events.keepDays(row.id);
  return { number: log.number, at: log.at, keepDays, from, until, searches, visits, clicked, queries: queries.length };
}

/** What the log came to when it was counted last. */
export function logViewHandlers(engine: EngineView) {
  return {
    "GET /api/stores/{store}/log": ({ params }) => summaryOf(engine, params.store),
    "GET /api/stores/{store}/log/queries": ({ params, query }) => {
      const wanted = queryKey(query.search);
      const found = engine.store(params.store).log.stats.queries.filter(({ text }) => text.includes(wanted));
      const queries = inOrder(found, query.order);
      return { total: queries.length, queries: queries.slice(query.offset, query.offset + query.limit) };
    },
  } satisfies SomeReadHandlers;
}

/** Missed: asked often and clicked seldom. */
function inOrder(queries: QueryStats[], order: (typeof LOG_ORDERS)[number]): QueryStats[] {
  const missed = ({ asked, clicked }: QueryStats) => asked - clicked;
  switch (order) {
    case "asked":
      return queries;
    case "lastWeek":
      return queries.toSorted((a, b) => b.lastWeek - a.lastWeek || b.asked - a.asked);
    case "missed":
      return queries.toSorted((a, b) => missed(b) - missed(a));
  }
}
