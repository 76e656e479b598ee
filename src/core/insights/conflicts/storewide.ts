import { countBits, emptyBits, hasBit, intersect, isEmpty, listBits, unite } from "../../index/bits";
import { productNumber, productNumbers } from "../../index/read";
import { stringAt } from "../../index/strings";
import type { Searcher } from "../../prepare/searcher";
import { productsOf } from "../../rank/acting";
import type { Boost, Hide, Shelf } from "../../settings/schema";
import { type Conflict, conflict, isOver, MOST_NAMED, overlap } from "./conflict";
import { placesOf } from "./within";

/** Products that a shelf shows and a storewide hide keeps from where it stands. */
export function* hiddenOnShelves(searcher: Searcher, at: number): Generator<Conflict | null> {
  const { settings, index } = searcher;
  const shelves = Object.entries(settings.shelves).filter(([, shelf]) => shelf.on && !isOver(shelf, at));
  const byProduct = new Map<number, { id: string; shelf: Shelf }[]>();
  const shown = emptyBits(index.products);
  for (const [id, shelf] of shelves) {
    for (const product of new Set([...placesOf(shelf).map((entry) => entry.product), ...shelf.add])) {
      const number = productNumber(index, product);
      if (number < 0) continue;
      shown[number >>> 5] |= 1 << (number & 31);
      const own = byProduct.get(number);
      if (own) own.push({ id, shelf });
      else byProduct.set(number, [{ id, shelf }]);
    }
  }
  if (byProduct.size === 0) return;
  for (const [hideId, hide] of Object.entries(settings.hides)) {
    yield null;
    if (!hide.on || isOver(hide, at)) continue;
    const met = intersect(productsOf(searcher, hide, at).slice(), shown);
    if (isEmpty(met)) continue;
    const byShelf = new Map<string, string[]>();
    for (const number of listBits(met)) {
      for (const { id, shelf } of byProduct.get(number) ?? []) {
        const place = shelf.searches.length > 0 ? "searching" : "browsing";
        if (!hide.places.includes(place) || !overlap(hide, shelf)) continue;
        byShelf.set(id, [...(byShelf.get(id) ?? []), stringAt(index.ids, number)]);
      }
    }
    for (const [id, products] of byShelf)
      yield conflict("pinned-hidden", { part: "shelves", id }, { other: { part: "hides", id: hideId }, products, count: products.length });
  }
}

const MOST_PAIRS = 20_000;

/** Storewide boosts that raise what others lower. */
export function* tornByBoosts(searcher: Searcher, at: number): Generator<Conflict | null> {
  const boosts = Object.entries(searcher.settings.boosts)
    .filter(([, boost]) => boost.on && boost.factor !== 1 && !isOver(boost, at))
    .map(([id, boost]) => ({ id, boost, products: productsOf(searcher, boost, at) }));
  const all = (isUp: boolean) =>
    boosts
      .filter(({ boost }) => boost.factor > 1 === isUp)
      .reduce((bits, { products }) => unite(bits, products), emptyBits(searcher.index.products));
  const [raised, lowered] = [all(true), all(false)];
  const touches = (own: Uint32Array, other: Uint32Array) => !isEmpty(intersect(own.slice(), other));
  const ups = boosts.filter(({ boost, products }) => boost.factor > 1 && touches(products, lowered));
  const downs = boosts.filter(({ boost, products }) => boost.factor < 1 && touches(products, raised));
  let pairs = 0;
  for (const up of ups) {
    for (const down of downs) {
      if (++pairs > MOST_PAIRS) return;
      yield null;
      if (!overlap(up.boost, down.boost)) continue;
      const both = intersect(up.products.slice(), down.products);
      const count = countBits(both);
      if (count === 0) continue;
      const products = [...listBits(both).subarray(0, MOST_NAMED)].map((number) => stringAt(searcher.index.ids, number));
      yield conflict("raised-lowered", { part: "boosts", id: up.id }, { other: { part: "boosts", id: down.id }, products, count });
    }
  }
}

/** Rules that name products which the catalogue no longer has. */
export function* goneFromRules(searcher: Searcher): Generator<Conflict | null> {
  for (const part of ["hides", "boosts"] as const) {
    for (const [id, { products }] of Object.entries<Hide | Boost>(searcher.settings[part])) {
      const numbers = productNumbers(searcher.index, products ?? []);
      const gone = (products ?? []).filter((_, i) => numbers[i] < 0);
      if (gone.length > 0) yield conflict("product-gone", { part, id }, { products: gone, count: gone.length });
      yield null;
    }
  }
}

/** Whether all that a shelf brings is hidden or gone. */
export function bringsNothing(searcher: Searcher, shelf: Shelf, hidden: Uint32Array, at: number): boolean {
  const named = [...placesOf(shelf).map(({ product }) => product), ...shelf.add].map((id) => productNumber(searcher.index, id));
  const isSeen = (number: number) => number >= 0 && !hasBit(hidden, number);
  return (
    !named.some(isSeen) && !shelf.addSelections.some((selection) => listBits(searcher.conditions.products({ selection }, at)).some(isSeen))
  );
}
