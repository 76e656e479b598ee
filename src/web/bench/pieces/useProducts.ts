import type { Product } from "@core/catalogue/types";
import { call } from "@ui/http";
import { useEffect, useState } from "react";
import { roleKey } from "../../shop/client";
import { useOpen } from "../state/bench";

export interface ProductFacts {
  id: string;
  title: string;
  picture: string | null;
  stock: number | null;
  sold: number | null;
  /** Named by a rule, but no longer in the catalogue. */
  isGone: boolean;
}

const known = new Map<string, ProductFacts>();

/** Title, picture and figures of products named by their ids. */
export function useProducts(ids: readonly string[]): Map<string, ProductFacts> {
  const { store, front } = useOpen("store", "front");
  const [, redraw] = useState(0);
  const key = ids.join("\n");
  useEffect(() => {
    const missing = key.split("\n").filter((id) => id !== "" && !known.has(`${store.id}/${id}`));
    if (missing.length === 0) return;
    let isCurrent = true;
    const take = async (id: string) => {
      const product = await call<Product>(`/api/stores/${store.id}/products/${encodeURIComponent(id)}`).catch(() => null);
      const value = (role: string) =>
        product?.values[roleKey(front, role) ?? ""] ?? product?.options[0]?.values[roleKey(front, role) ?? ""];
      const [picture, stock, sold] = [value("picture"), value("stock"), value("sold")];
      known.set(`${store.id}/${id}`, {
        id,
        title: product ? String(value("title") ?? id) : id,
        picture: typeof picture === "string" ? picture : null,
        stock: typeof stock === "number" ? stock : null,
        sold: typeof sold === "number" ? sold : null,
        isGone: product === null,
      });
    };
    void Promise.all(missing.map(take)).then(() => isCurrent && redraw((n) => n + 1));
    return () => {
      isCurrent = false;
    };
  }, [key, store.id, front]);
  return new Map(
    ids.flatMap((id) => {
      const facts = known.get(`${store.id}/${id}`);
      return facts ? [[id, facts] as const] : [];
    }),
  );
}
