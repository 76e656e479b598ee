import { cameOf } from "@core/measure/trial";
import type { Store } from "../engine/store";
import { inSlices } from "../slices";

/** A frequent search that shows a product on its first page. */
export interface Standing {
  search: string;
  asked: number;
  position: number;
}

interface Known {
  catalogue: number;
  revision: number;
  log: number;
  standings: Promise<ReadonlyMap<string, Standing[]>>;
}

const MOST_SEARCHES = 400;
const known = new WeakMap<Store, Known>();

/** By product the most asked searches whose first page it stands on, in the draft; worked out once for each state of it. */
export function standingsOf(store: Store): Promise<ReadonlyMap<string, Standing[]>> {
  const { catalogueNumber: catalogue, revision, log } = store;
  const old = known.get(store);
  if (old && old.catalogue === catalogue && old.revision === revision && old.log === log.number) return old.standings;
  const standings = workOut(store);
  known.set(store, { catalogue, revision, log: log.number, standings });
  return standings;
}

async function workOut(store: Store): Promise<ReadonlyMap<string, Standing[]>> {
  const { searcher } = store.searcher("draft");
  const at = Date.now();
  const standings = new Map<string, Standing[]>();
  await inSlices(
    (function* () {
      for (const { text, asked } of store.log.stats.queries.slice(0, MOST_SEARCHES)) {
        cameOf(searcher, text, at).first.forEach((id, place) => {
          const own = standings.get(id) ?? [];
          own.push({ search: text, asked, position: place + 1 });
          standings.set(id, own);
        });
        yield;
      }
    })(),
  );
  return standings;
}
