import { standingsIn } from "@core/insights/measure/standings";
import { prepare } from "@core/prepare/searcher";
import type { StoreView } from "../engine/view";
import { resultOf } from "../yielding";
import { memoizeByRevision } from "./memoize";

const MOST_SEARCHES = 400;

const frequent = (store: StoreView) => store.log.stats.queries.slice(0, MOST_SEARCHES);

/** By product the most asked searches whose first page it is on, in the draft; worked out once for each state of it. */
export const standingsOf = memoizeByRevision((store) =>
  resultOf(standingsIn(store.searcher("draft").searcher, frequent(store), Date.now())),
);

/** The same as it would be if nothing were hidden. */
export const unhiddenStandingsOf = memoizeByRevision((store) => {
  const { searcher } = store.searcher("draft");
  const unhidden = prepare(searcher.base, { ...searcher.settings, hides: {} }, searcher);
  return resultOf(standingsIn(unhidden, frequent(store), Date.now()));
});
