import type { BulkChange, BulkChanged } from "@contract/products";
import type { Engine } from "../engine/engine";
import type { Store } from "../engine/store";
import { personOf } from "../http/person";
import { Problem } from "../http/problem";
import type { Workers } from "../workers/workers";
import type { SomeHandlers } from "./handlers";

/** How often a plan is made anew that a colleague's edit has overtaken. */
const MOST_TRIES = 3;

/** Changes to many products at once. */
export function bulkHandlers(engine: Engine, workers: Workers) {
  return {
    "POST /api/stores/{store}/products/bulk": ({ c, params, body }) => changeMany(workers, engine.store(params.store), body, personOf(c)),
  } satisfies SomeHandlers;
}

async function changeMany(workers: Workers, store: Store, change: BulkChange, by: string, tries = MOST_TRIES): Promise<BulkChanged> {
  const { revision } = store;
  const { answer, patch } = await workers.workOut(store, "plan of a bulk change", { store: store.row.id, change });
  if (change.dry || patch.length === 0) return { ...answer, revision: store.revision };
  try {
    const made = await store.draft.edit(patch, revision, by);
    await store.laidOut();
    return { ...answer, revision: made };
  } catch (error) {
    if (!(error instanceof Problem) || error.status !== 409 || tries === 1 || store.revision === revision) throw error;
    return changeMany(workers, store, change, by, tries - 1);
  }
}
