import { call } from "@ui/http";
import { useEffect, useState } from "react";
import { useOpen } from "../state/bench";
import { useWindow } from "../state/window";

export interface ProductFacts {
  id: string;
  title: string;
  picture: string | null;
  price: number | null;
  stock: number | null;
  sold: number | null;
  rating: number | null;
  /** A share or an amount, as the catalogue has it; null without such a field. */
  margin: number | null;
  /** Named by a rule, but no longer in the catalogue. */
  isGone: boolean;
}

const known = new Map<string, ProductFacts>();
const MOST_AT_ONCE = 500;

/** Title, picture and figures of products named by their ids. */
export function useProducts(ids: readonly string[]): Map<string, ProductFacts> {
  const { store } = useOpen("store");
  // Another catalogue has other facts.
  const catalogue = useWindow((state) => state.draft?.state.catalogue ?? 0);
  const [, redraw] = useState(0);
  const key = ids.join("\n");
  useEffect(() => {
    const missing = [...new Set(key.split("\n"))].filter((id) => id !== "" && !known.has(`${store.id}/${catalogue}/${id}`));
    if (missing.length === 0) return;
    let isCurrent = true;
    call<ProductFacts[]>(`/api/stores/${store.id}/products/facts`, { body: { ids: missing.slice(0, MOST_AT_ONCE) } }).then(
      (found) => {
        for (const facts of found) known.set(`${store.id}/${catalogue}/${facts.id}`, facts);
        if (isCurrent) redraw((n) => n + 1);
      },
      () => undefined,
    );
    return () => {
      isCurrent = false;
    };
  }, [key, store.id, catalogue]);
  return new Map(
    ids.flatMap((id) => {
      const facts = known.get(`${store.id}/${catalogue}/${id}`);
      return facts ? [[id, facts] as const] : [];
    }),
  );
}
