import { proposeSetup, type SetupPart } from "@core/insights/propose/setup";
import type { StoreView } from "../engine/view";
import { resultOf } from "../yielding";
import { memoizeByRevision } from "./memoize";

async function workOut(store: StoreView): Promise<SetupPart[]> {
  const { searcher } = store.searcher("draft");
  return resultOf(proposeSetup({ searcher, stats: store.log.stats, defaults: store.freshSettings(), at: Date.now() }));
}

/** The set-up proposed for a store's draft, worked out once for each state of it. */
export const setupFor = memoizeByRevision(workOut);
