import { createContext, useContext } from "react";

/** What a shopper has saved: the basket with amounts, and lists of products. */
export interface Kept {
  basket: Readonly<Record<string, number>>;
  remembered: readonly string[];
  compared: readonly string[];
  put: (item: { product: string; variant: string; amount: number }) => void;
  toggle: (list: "remembered" | "compared", product: string) => void;
}

const NOTHING: Kept = { basket: {}, remembered: [], compared: [], put: () => undefined, toggle: () => undefined };

/** Where nobody buys, as in the bench, nothing is saved. */
export const KeptContext = createContext<Kept>(NOTHING);
export const useKept = () => useContext(KeptContext);
