import type { Kept } from "../shop/kept";
import { record } from "../shop/visit";

/**
 * What shoppers save is the page's business: it is told by events that bubble through the page,
 * "clever-shelf-basket" with product, variant and amount, "clever-shelf-remembered" and "clever-shelf-compared" with the product.
 */
export function keptOf(host: HTMLElement, base: string): Kept {
  const tell = (name: string, detail: object) =>
    host.dispatchEvent(new CustomEvent(`clever-shelf-${name}`, { detail, bubbles: true, composed: true }));
  return {
    basket: {},
    remembered: [],
    compared: [],
    put(item) {
      tell("basket", item);
      record(base, { kind: "basket", product: item.product });
    },
    toggle: (list, product) => void tell(list, { product }),
  };
}
