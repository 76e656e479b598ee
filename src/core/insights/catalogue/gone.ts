import { productNumbers } from "../../index/read";
import type { Index } from "../../index/types";
import type { Settings, Shelf } from "../../settings/schema";

/** A product that rules name although the catalogue no longer has it. */
export interface GoneProduct {
  id: string;
  /** The rules that name it, in words. */
  uses: string[];
}

/** Every product that a shelf names by its id. */
export function productsNamedBy({ pins, pinGroups, add, exclude, strength }: Shelf): Set<string> {
  const groups = Object.values(pinGroups).flatMap(({ products }) => products);
  return new Set([...Object.keys(pins), ...groups, ...add, ...exclude, ...Object.keys(strength)]);
}

/** Rules outlive their products, in case they come back; these are the products they wait for. */
export function goneProducts(index: Index, settings: Settings): GoneProduct[] {
  const uses = new Map<string, string[]>();
  const name = (named: Iterable<string>, use: string) => {
    const ids = [...named];
    const numbers = productNumbers(index, ids);
    for (const [i, id] of ids.entries()) {
      if (numbers[i] >= 0) continue;
      const known = uses.get(id);
      if (known) known.push(use);
      else uses.set(id, [use]);
    }
  };
  name(Object.keys(settings.products), "Values set by hand");
  for (const hide of Object.values(settings.hides)) name(hide.products ?? [], `Hidden “${hide.name}”`);
  for (const boost of Object.values(settings.boosts)) name(boost.products ?? [], `Boost “${boost.name}”`);
  for (const shelf of Object.values(settings.shelves)) name(productsNamedBy(shelf), `Shelf “${shelf.name}”`);
  for (const [id, { goesWith, insteadOf }] of Object.entries(settings.related))
    name([id, ...goesWith, ...insteadOf], `Recommendations of ${id}`);
  name(settings.deadEnd.products, "No results");
  return [...uses].map(([id, named]) => ({ id, uses: named }));
}
