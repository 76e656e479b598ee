import type { StoreView } from "../engine/view";
import { shareWork } from "../task";

interface Known<T> {
  catalogue: number;
  revision: number;
  log: number;
  join: () => Promise<T>;
}

/** Work on a store's draft and log that is done once for each state of them, whoever asks for it, as long as one of them waits. What failed is done again when asked anew. */
export function memoizeByRevision<T>(workOut: (store: StoreView) => Promise<T>): (store: StoreView) => Promise<T> {
  const known = new WeakMap<StoreView, Known<T>>();
  return (store) => {
    const { catalogueNumber: catalogue, revision, log } = store;
    const old = known.get(store);
    if (old && old.catalogue === catalogue && old.revision === revision && old.log === log.number) return old.join();
    const join = shareWork(() => workOut(store));
    known.set(store, { catalogue, revision, log: log.number, join });
    const result = join();
    result.catch(() => {
      if (known.get(store)?.join === join) known.delete(store);
    });
    return result;
  };
}
