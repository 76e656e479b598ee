import { type AttributeEffect, attributeEffects } from "@core/insights/measure/attribute-effect";
import type { StoreView } from "../engine/view";
import { resultOf } from "../yielding";
import { memoizeByRevision } from "./memoize";

export interface Effects {
  /** Searches of the week that were asked again, and of all. */
  asked: number;
  searches: number;
  fields: Record<string, AttributeEffect>;
}

const MOST_SEARCHES = 250;
async function workOut(store: StoreView): Promise<Effects> {
  const { searcher } = store.searcher("draft");
  const week = store.log.stats.queries.filter(({ lastWeek }) => lastWeek > 0).sort((a, b) => b.lastWeek - a.lastWeek);
  const queries = week.slice(0, MOST_SEARCHES);
  const effects = await resultOf(attributeEffects(searcher, queries, Date.now()));
  const sum = (list: typeof queries) => list.reduce((all, { lastWeek }) => all + lastWeek, 0);
  return { asked: sum(queries), searches: sum(week), fields: Object.fromEntries(effects) };
}

/** What each field does for the searches of the last week, in the draft; worked out once for each state of it. */
export const effectsOf = memoizeByRevision(workOut);
