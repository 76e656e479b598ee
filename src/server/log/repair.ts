import { strictnessEffects } from "@core/insights/measure/strictness";
import { findCases, type RepairCase } from "@core/insights/repair/case";
import { proposeRepairs } from "@core/insights/repair/propose";
import type { Repair } from "@core/insights/repair/repair";
import type { Searcher } from "@core/prepare/searcher";
import type { Store } from "../engine/store";
import { lexiconFor } from "../words/lexicon";
import { proposalsOf } from "../words/proposals";
import { resultOf } from "../yielding";
import { memoizeByRevision } from "./memoize";

/** The searches that need repair in the draft. */
export const casesOf = memoizeByRevision((store: Store) =>
  resultOf(findCases(store.searcher("draft").searcher, store.log.stats, Date.now())),
);

/** Those that need it in what is live, found once for each release, catalogue and count of the log. */
const live = new WeakMap<Searcher, { log: number; cases: Promise<RepairCase[]> }>();
export function liveCasesOf(store: Store): Promise<RepairCase[]> {
  const { searcher } = store.searcher("live");
  const { number, stats } = store.log;
  const known = live.get(searcher);
  if (known?.log === number) return known.cases;
  const cases = resultOf(findCases(searcher, stats, Date.now()));
  live.set(searcher, { log: number, cases });
  return cases;
}

/** What the ways to take a search would do to the searches of the log. */
export const strictnessEffectsOf = memoizeByRevision((store: Store) =>
  resultOf(strictnessEffects(store.searcher("draft").searcher, store.log.stats, Date.now())),
);

interface Known {
  searcher: Searcher;
  log: number;
  repairs: Map<string, Promise<Repair[]>>;
}
const proposed = new WeakMap<Store, Known>();

/** The repairs for a case, worked out once for each state of the draft and the log. */
export async function repairsOf(store: Store, entry: RepairCase): Promise<Repair[]> {
  const { searcher } = store.searcher("draft");
  const { number: log, stats } = store.log;
  let known = proposed.get(store);
  if (known?.searcher !== searcher || known.log !== log) {
    known = { searcher, log, repairs: new Map() };
    proposed.set(store, known);
  }
  const { repairs } = known;
  const old = repairs.get(entry.text);
  if (old) return old;
  const work = Promise.all([proposalsOf(store), lexiconFor(store.row.locale)]).then(([proposals, lexicon]) =>
    resultOf(proposeRepairs({ searcher, stats, at: Date.now(), lexicon, proposals }, entry)),
  );
  repairs.set(entry.text, work);
  return work;
}
