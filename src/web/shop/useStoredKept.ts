import { lookUp } from "@core/records";
import { useEffect, useMemo, useState } from "react";
import type { Kept } from "./kept";
import { record } from "./visit";

type Lists = Pick<Kept, "basket" | "remembered" | "compared">;
const EMPTY: Lists = { basket: {}, remembered: [], compared: [] };
const MOST_COMPARED = 4;

/** What a shopper has saved in the demo shop; it stays in the browser, and is the same in all its tabs. */
export function useStoredKept(store: string): Kept {
  const key = `clever-shelf.kept.${store}`;
  const [lists, setLists] = useState<Lists>(() => read(key));
  useEffect(() => {
    setLists(read(key));
    const onStorage = (event: StorageEvent) => event.key === key && setLists(read(key));
    window.addEventListener("storage", onStorage);
    return () => window.removeEventListener("storage", onStorage);
  }, [key]);
  return useMemo(() => {
    const change = (make: (lists: Lists) => Lists) => {
      // What another tab has saved since is not lost.
      const next = make(read(key));
      localStorage.setItem(key, JSON.stringify(next));
      setLists(next);
    };
    return {
      ...lists,
      put({ product, amount }) {
        change((old) => ({ ...old, basket: { ...old.basket, [product]: (lookUp(old.basket, product) ?? 0) + amount } }));
        record(`/shop/${store}`, { kind: "basket", product });
      },
      toggle: (list, product) =>
        change((old) => {
          const others = old[list].filter((id) => id !== product);
          const next = others.length < old[list].length ? others : [...others, product];
          return { ...old, [list]: list === "compared" ? next.slice(-MOST_COMPARED) : next };
        }),
    };
  }, [lists, key, store]);
}

function read(key: string): Lists {
  try {
    return { ...EMPTY, ...(JSON.parse(localStorage.getItem(key) ?? "{}") as Partial<Lists>) };
  } catch {
    return EMPTY;
  }
}
