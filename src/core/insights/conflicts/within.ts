import { hasBit } from "../../index/bits";
import { productNumber } from "../../index/read";
import type { Searcher } from "../../prepare/searcher";
import { lookUp } from "../../records";
import type { Shelf } from "../../settings/shelf";
import { productsNamedBy } from "../catalogue/gone";
import { type Conflict, conflict } from "./conflict";

/** What is wrong with a shelf by itself. */
export function conflictsWithin(searcher: Searcher, id: string, shelf: Shelf, at: number): Conflict[] {
  const { index, stock } = searcher;
  const rule = { part: "shelves", id } as const;
  const found: Conflict[] = [];
  if (isEmptyShelf(shelf)) found.push(conflict("empty", rule));
  const gone = [...productsNamedBy(shelf)].filter((product) => productNumber(index, product) < 0);
  if (gone.length > 0) found.push(conflict("product-gone", rule, { products: gone }));
  const placed = placesOf(shelf);
  const excluded = new Set(shelf.exclude);
  const shown = [...new Set([...placed.map(({ product }) => product), ...shelf.add])].filter((product) => excluded.has(product));
  if (shown.length > 0) found.push(conflict("shown-excluded", rule, { products: shown }));
  const byPlace = new Map<number, Set<string>>();
  for (const { product, place } of placed) byPlace.set(place, (byPlace.get(place) ?? new Set()).add(product));
  for (const [place, products] of byPlace)
    if (products.size > 1) found.push(conflict("one-place", rule, { products: [...products], about: String(place) }));
  const soldOut = placed.map(({ product }) => product).filter((product) => stock.soldOut[productNumber(index, product)] === 1);
  if (soldOut.length > 0 && shelf.soldOut === "keep") found.push(conflict("pinned-sold-out", rule, { products: [...new Set(soldOut)] }));
  const torn = Object.entries(shelf.strength)
    .filter(([product, factor]) => isAgainst(searcher, shelf, productNumber(index, product), factor, at))
    .map(([product]) => product);
  if (torn.length > 0) found.push(conflict("raised-lowered", rule, { other: rule, products: torn }));
  return found;
}

/** Whether nothing is arranged, or for nothing. */
function isEmptyShelf(shelf: Shelf): boolean {
  const hasDeed =
    productsNamedBy(shelf).size > 0 ||
    shelf.addSelections.length > 0 ||
    Object.values(shelf.rules).some((rule) => rule.on) ||
    shelf.banner !== null ||
    shelf.redirect !== null ||
    (shelf.end !== null && shelf.end > 0 && shelf.after === "nothing");
  return !hasDeed || (shelf.searches.length === 0 && shelf.categories.length === 0);
}

/** Each product with the place it is meant for, those of groups one behind the other. */
export function placesOf({ pins, pinGroups }: Pick<Shelf, "pins" | "pinGroups">): { product: string; place: number }[] {
  const single = Object.entries(pins).map(([product, place]) => ({ product, place }));
  const grouped = Object.values(pinGroups).flatMap(({ place, products }) =>
    products.filter((product) => lookUp(pins, product) === undefined).map((product, i) => ({ product, place: place + i })),
  );
  return [...single, ...grouped];
}

function isAgainst(searcher: Searcher, { rules }: Shelf, product: number, factor: number, at: number): boolean {
  return Object.values(rules).some(
    (rule) =>
      rule.on &&
      rule.does === "strength" &&
      rule.factor > 1 !== factor > 1 &&
      rule.factor !== 1 &&
      product >= 0 &&
      hasBit(searcher.conditions.products(rule.condition, at), product),
  );
}
