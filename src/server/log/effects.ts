import { type AttributeEffect, attributeEffects } from "@core/measure/attribute-effect";
import type { Store } from "../engine/store";
import { resultOf } from "../slices";

export interface Effects {
  /** Searches of the week that were asked again, and of all. */
  asked: number;
  searches: number;
  fields: Record<string, AttributeEffect>;
}

interface Known {
  catalogue: number;
  revision: number;
  log: number;
  effects: Promise<Effects>;
}

const MOST_SEARCHES = 250;
const known = new WeakMap<Store, Known>();

/** What each field does for the searches of the last week, in the draft; worked out once for each state of it. */
export function effectsOf(store: Store): Promise<Effects> {
  const { catalogueNumber: catalogue, revision, log } = store;
  const old = known.get(store);
  if (old && old.catalogue === catalogue && old.revision === revision && old.log === log.number) return old.effects;
  const effects = workOut(store);
  known.set(store, { catalogue, revision, log: log.number, effects });
  return effects;
}

async function workOut(store: Store): Promise<Effects> {
  const { searcher } = store.searcher("draft");
  const week = store.log.stats.queries.filter(({ lastWeek }) => lastWeek > 0).sort((a, b) => b.lastWeek - a.lastWeek);
  const queries = week.slice(0, MOST_SEARCHES);
  const effects = await resultOf(attributeEffects(searcher, queries, Date.now()));
  const sum = (list: typeof queries) => list.reduce((all, { lastWeek }) => all + lastWeek, 0);
  return { asked: sum(queries), searches: sum(week), fields: Object.fromEntries(effects) };
}
