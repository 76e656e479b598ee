import type { Store } from "../engine/store";

interface Known<T> {
  catalogue: number;
  revision: number;
  log: number;
  result: Promise<T>;
}

/** Work on a store's draft and log that is done once for each state of them, whoever asks for it. What failed is done again when asked anew. */
export function memoizeByRevision<T>(workOut: (store: Store) => Promise<T>): (store: Store) => Promise<T> {
  const known = new WeakMap<Store, Known<T>>();
  return (store) => {
    const { catalogueNumber: catalogue, revision, log } = store;
    const old = known.get(store);
    if (old && old.catalogue === catalogue && old.revision === revision && old.log === log.number) return old.result;
    const result = workOut(store);
    known.set(store, { catalogue, revision, log: log.number, result });
    result.catch(() => {
      if (known.get(store)?.result === result) known.delete(store);
    });
    return result;
  };
}
