import type { StoreApi, UseBoundStore } from "zustand";
import { useShallow } from "zustand/react/shallow";

/** A hook that reads members of a store by name, and draws anew only when one of them has changed. */
export function partsOf<T>(useStore: UseBoundStore<StoreApi<T>>) {
  return <K extends keyof T>(...keys: K[]): Pick<T, K> => useStore(useShallow((state) => pick(state, keys)));
}

export function pick<T, K extends keyof T>(from: T, keys: readonly K[]): Pick<T, K> {
  const picked = {} as Pick<T, K>;
  for (const key of keys) picked[key] = from[key];
  return picked;
}
