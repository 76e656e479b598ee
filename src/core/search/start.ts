import type { Field } from "../catalogue/types";
import { listBits, subtract } from "../index/bits";
import { type Searcher, searcherAt } from "../prepare/searcher";
import { actingHides } from "../rank/acting";
import { bestSellers, newest } from "./best-sellers";
import { categoryProducts } from "./candidate-scope";
import { asCard, cardMaker } from "./hit";
import { type ProductCard, requestOf } from "./request";
import { search } from "./search";

const DAY = 86_400_000;

/**
 * The products that a shop shows before anything is searched.
 * @param at the moment; a mix is the same all day (UTC) and another the next.
 */
export function startPage(given: Searcher, at: number, visible: (field: Field) => boolean): ProductCard[] {
  const searcher = searcherAt(given, at);
  const { show, query, most } = searcher.settings.page.start;
  const card = cardMaker(searcher, at, visible);
  switch (show) {
    case "nothing":
      return [];
    case "bestselling":
      return bestSellers(searcher, at, most).map(card);
    case "newest":
      return newest(searcher, at, most).map(card);
    case "mix":
      return mixOf(searcher, at, most).map(card);
    case "search": {
      const found = search(searcher, requestOf({ query, limit: most, pages: { limit: 0 } }), {
        at,
        visible,
        counts: false,
        blocks: false,
      });
      return found.hits.map(asCard);
    }
  }
}

/** Products in stock in an order that the day decides: each is given a number by the day and its place, and the smallest come. */
function mixOf(searcher: Searcher, at: number, count: number): number[] {
  const day = Math.floor(at / DAY);
  const allowed = listBits(subtract(categoryProducts(searcher, null), actingHides(searcher, "browsing", at).hidden));
  const lot = (product: number) => scramble(searcher.index.idRanks[product] * 0x9e3779b1 + day);
  const drawn = Array.from(
    allowed.filter((product) => searcher.stock.soldOut[product] === 0),
    (product) => [lot(product), product] as const,
  );
  return drawn
    .sort((a, b) => a[0] - b[0] || a[1] - b[1])
    .slice(0, count)
    .map(([, product]) => product);
}

/** Spreads a number over 32 bits (the finaliser of MurmurHash3, Appleby). */
function scramble(number: number): number {
  let bits = number >>> 0;
  bits = Math.imul(bits ^ (bits >>> 16), 0x85ebca6b);
  bits = Math.imul(bits ^ (bits >>> 13), 0xc2b2ae35);
  return (bits ^ (bits >>> 16)) >>> 0;
}
