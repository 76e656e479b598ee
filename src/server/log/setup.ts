import { proposeSetup, type SetupPart } from "@core/propose/setup";
import type { Store } from "../engine/store";
import { resultOf } from "../slices";

interface Known {
  catalogue: number;
  revision: number;
  log: number;
  parts: Promise<SetupPart[]>;
}

const known = new WeakMap<Store, Known>();

/** The set-up proposed for a store's draft, worked out once for each state of it. */
export function setupFor(store: Store): Promise<SetupPart[]> {
  const { catalogueNumber: catalogue, revision, log } = store;
  const old = known.get(store);
  if (old && old.catalogue === catalogue && old.revision === revision && old.log === log.number) return old.parts;
  const parts = workOut(store);
  known.set(store, { catalogue, revision, log: log.number, parts });
  return parts;
}

async function workOut(store: Store): Promise<SetupPart[]> {
  const { searcher } = store.searcher("draft");
  return resultOf(proposeSetup({ searcher, stats: store.log.stats, defaults: store.freshSettings(), at: Date.now() }));
}
