import { countBits, hasBit } from "@core/index/bits";
import { productNumber } from "@core/index/read";
import { productsNamedBy } from "@core/insights/catalogue/gone";
import type { Conflict } from "@core/insights/conflicts/conflict";
import { findConflicts } from "@core/insights/conflicts/find";
import { shelfTraffic } from "@core/insights/measure/rule-traffic";
import type { Standing } from "@core/insights/measure/standings";
import { type ArrangementFacts, stateOf } from "@core/insights/rules/state";
import type { Searcher } from "@core/prepare/searcher";
import { productsOf } from "@core/rank/acting";
import { lookUp } from "@core/records";
import type { Boost, Hide } from "@core/settings/schema";
import type { EngineView, StoreView } from "../engine/view";
import { resultOf } from "../yielding";
import { memoizeByRevision } from "./memoize";
import { unhiddenStandingsOf } from "./standing";

type Measured = Pick<ArrangementFacts, "part" | "id" | "products" | "searches">;

/** The conflicts of the draft. */
export const conflictsOf = memoizeByRevision((store: StoreView) => resultOf(findConflicts(store.searcher("draft").searcher, Date.now())));

/** What costs time, worked out once for each state of the draft and the log. */
const measured = memoizeByRevision(async (store: StoreView) => {
  const { searcher } = store.searcher("draft");
  const at = Date.now();
  const { queries } = store.log.stats;
  const conflicts = await conflictsOf(store);
  const traffic = await resultOf(shelfTraffic(searcher, queries));
  const shown = await unhiddenStandingsOf(store);
  const rules = await resultOf(measureRules(searcher, traffic, shown, at));
  return { rules, conflicts };
});

function* measureRules(
  searcher: Searcher,
  traffic: ReadonlyMap<string, number>,
  shown: ReadonlyMap<string, Standing[]>,
  at: number,
): Generator<unknown, Measured[]> {
  const { shelves, hides, boosts } = searcher.settings;
  const rules: Measured[] = [];
  for (const [id, shelf] of Object.entries(shelves)) {
    rules.push({ part: "shelves", id, products: productsNamedBy(shelf).size, searches: traffic.get(id) ?? 0 });
    yield;
  }
  for (const [id, hide] of Object.entries(hides)) {
    rules.push({ part: "hides", id, ...reachOf(searcher, hide, shown, at) });
    yield;
  }
  for (const [id, boost] of Object.entries(boosts)) {
    rules.push({ part: "boosts", id, ...reachOf(searcher, boost, shown, at) });
    yield;
  }
  return rules;
}

/** How many products a rule names, and on the first pages of how many searches one of them would stand. */
function reachOf(searcher: Searcher, rule: Hide | Boost, shown: ReadonlyMap<string, Standing[]>, at: number) {
  const searches = new Map<string, number>();
  const take = (id: string) => {
    for (const { search, asked } of shown.get(id) ?? []) searches.set(search, asked);
  };
  const products = rule.products ? null : productsOf(searcher, rule, at);
  for (const id of rule.products ?? []) take(id);
  for (const id of products ? shown.keys() : []) {
    const number = productNumber(searcher.index, id);
    if (products && number >= 0 && hasBit(products, number)) take(id);
  }
  return {
    products: products ? countBits(products) : (rule.products?.length ?? 0),
    searches: [...searches.values()].reduce((sum, asked) => sum + asked, 0),
  };
}

/** All shelves, storewide hides and boosts with what is known of them, and conflicts. */
export async function overviewOf(
  engine: EngineView,
  store: StoreView,
): Promise<{ searches: number; clicked: number; rules: ArrangementFacts[]; conflicts: Conflict[] }> {
  const { rules, conflicts } = await measured(store);
  const { stats } = store.log;
  const { settings } = store;
  const now = Date.now();
  const authors = {
    shelves: engine.authors.of(store.row.id, "shelves"),
    hides: engine.authors.of(store.row.id, "hides"),
    boosts: engine.authors.of(store.row.id, "boosts"),
  };
  return {
    searches: stats.searches,
    clicked: stats.clicked,
    conflicts,
    rules: rules.flatMap((entry) => {
      const rule = lookUp(settings[entry.part], entry.id);
      if (!rule) return [];
      const use = lookUp(stats.rules, entry.id);
      const author = lookUp(authors[entry.part], entry.id);
      return [
        {
          ...entry,
          state: stateOf(entry, rule, conflicts, now),
          acted: use?.acted ?? 0,
          clicked: use?.clicked ?? 0,
          lastAt: use?.lastAt ?? null,
          by: author?.by ?? null,
          at: author?.at ?? null,
        },
      ];
    }),
  };
}
