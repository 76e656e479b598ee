import { strictnessEffects } from "@core/insights/measure/strictness";
import { type CasesSoFar, findCases, type RepairCase } from "@core/insights/repair/case";
import { proposeRepairs } from "@core/insights/repair/propose";
import type { Repair } from "@core/insights/repair/repair";
import type { Searcher } from "@core/prepare/searcher";
import type { StoreView } from "../engine/view";
import { asTask, shareWork } from "../task";
import { lexiconFor } from "../words/lexicon";
import { proposalsOf } from "../words/proposals";
import { resultOf } from "../yielding";
import { memoizeByRevision } from "./memoize";

/** Searches that need repair, as they are being found. */
interface Looking {
  /** How far it is; all of it once that is through. */
  soFar: () => CasesSoFar;
  all: Promise<RepairCase[]>;
}

const looking = new WeakMap<Searcher, Looking & { log: number }>();

/** The searches that need repair in the draft or in what is live, found once for each state of the settings, the catalogue and the log. */
export function casesOf(store: StoreView, source: "draft" | "live"): Looking {
  const { searcher } = store.searcher(source);
  const { number: log, stats } = store.log;
  const known = looking.get(searcher);
  if (known?.log === log) return known;
  let soFar: CasesSoFar = { looked: 0, of: 0, cases: [] };
  const steps = findCases(searcher, stats, Date.now());
  const look = function* () {
    for (;;) {
      const step = steps.next();
      if (step.done) return step.value;
      soFar = step.value;
      yield null;
    }
  };
  // Who asks is told how far it is and asks again, so it belongs to none of them.
  const all = asTask(undefined, () => resultOf(look()));
  const found = { log, all, soFar: () => soFar };
  looking.set(searcher, found);
  all.catch(() => looking.delete(searcher));
  return found;
}

/** What the ways to take a search would do to the searches of the log. */
export const strictnessEffectsOf = memoizeByRevision((store: StoreView) =>
  resultOf(strictnessEffects(store.searcher("draft").searcher, store.log.stats, Date.now())),
);

interface Known {
  searcher: Searcher;
  log: number;
  repairs: Map<string, () => Promise<Repair[]>>;
}
const proposed = new WeakMap<StoreView, Known>();

/** The repairs for a case, worked out once for each state of the draft and the log. */
export async function repairsOf(store: StoreView, entry: RepairCase): Promise<Repair[]> {
  const { searcher } = store.searcher("draft");
  const { number: log, stats } = store.log;
  let known = proposed.get(store);
  if (known?.searcher !== searcher || known.log !== log) {
    known = { searcher, log, repairs: new Map() };
    proposed.set(store, known);
  }
  const { repairs } = known;
  const old = repairs.get(entry.text);
  if (old) return old();
  const join = shareWork(async () => {
    const [proposals, lexicon] = await Promise.all([proposalsOf(store), lexiconFor(store.row.locale)]);
    return resultOf(proposeRepairs({ searcher, stats, at: Date.now(), lexicon, proposals }, entry));
  });
  repairs.set(entry.text, join);
  const found = join();
  found.catch(() => repairs.delete(entry.text));
  return found;
}
