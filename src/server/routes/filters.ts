import { filtersOf } from "@core/filters/prepare";
import { alikeFilters } from "@core/insights/measure/filter-alike";
import { lookAtFilter } from "@core/insights/measure/filter-look";
import { measureFilters } from "@core/insights/measure/filter-worth";
import { proposeFilters } from "@core/insights/propose/filters";
import { filterName } from "@core/log/events";
import { lookUp } from "@core/records";
import type { EngineView, StoreView } from "../engine/view";
import { memoizeByRevision } from "../log/memoize";
import { resultOf } from "../yielding";
import type { SomeReadHandlers } from "./handlers";

/** Searches that filters are measured by: the most asked ones. */
const MOST_SEARCHES = 120;

/** What the draft's filters do for the searches of the log, and which others would serve. */
const factsOf = memoizeByRevision(async (store: StoreView) => {
  const { searcher } = store.searcher("draft");
  const at = Date.now();
  const asked = store.log.stats.queries.slice(0, MOST_SEARCHES);
  // Without a log the whole range stands for what shoppers see.
  const searches = asked.length > 0 ? asked : [{ text: "", asked: 1 }];
  const own = filtersOf(searcher, at);
  const worths = await resultOf(measureFilters(searcher, own, searches, at));
  const proposals = await resultOf(proposeFilters(searcher, searches, at));
  return {
    searches: asked.length,
    filters: Object.fromEntries(own.map(({ id }, i) => [id, worths[i]])),
    used: usesOf(store, Object.keys(searcher.settings.filters)),
    alike: alikeFilters(searcher.index, own).map(([a, b]): [string, string] => [own[a].id, own[b].id]),
    proposals: proposals.map((proposal) => ({ ...proposal, filter: JSON.parse(JSON.stringify(proposal.filter)) })),
  };
});

/** Fewer choices than this say nothing yet. */
const FEW_CHOICES = 50;

function usesOf({ log: { stats } }: StoreView, ids: readonly string[]): Record<string, number> {
  const acted = ids.map((id) => lookUp(stats.rules, filterName(id))?.acted ?? 0);
  if (acted.reduce((sum, times) => sum + times, 0) < FEW_CHOICES) return {};
  return Object.fromEntries(ids.map((id, i) => [id, acted[i] / Math.max(stats.searches, 1)]));
}

export function filterHandlers(engine: EngineView) {
  return {
    "GET /api/stores/{store}/filters/facts": ({ params }) => factsOf(engine.store(params.store)),
    "POST /api/stores/{store}/filters/look": ({ params, body }) =>
      lookAtFilter(engine.store(params.store).searcher("draft").searcher, body.filter, body, Date.now()),
  } satisfies SomeReadHandlers;
}
