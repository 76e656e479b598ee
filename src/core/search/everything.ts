import { countBits, emptyBits, fullBits } from "../index/bits";
import type { Searcher } from "../prepare/searcher";
import type { Stage } from "./place";
import { NO_ARRANGEMENT, orderProducts, rank } from "./ranked";
import { readQuery, understand } from "./understand";

/**
 * All products that answer a query, best first: hidden, excluded and sold-out ones too, no shelf acting. For lists in
 * which products are found in order to be changed.
 */
export function searchEverything(searcher: Searcher, query: string, at: number): Uint32Array {
  const size = searcher.index.products;
  const stage: Stage = {
    place: "searching",
    hides: [],
    hidden: emptyBits(size),
    excluded: emptyBits(size),
    inCategory: fullBits(size),
    allowed: fullBits(size),
    pins: [],
    pinned: new Set(),
    added: new Set(),
    addedFirst: [],
  };
  const understanding = understand(searcher, readQuery(searcher, query), stage.allowed, { typing: false, mayClimb: true, at });
  const base = understanding.products;
  const ranked = rank(searcher, stage, understanding, query, base, NO_ARRANGEMENT, at);
  return orderProducts(searcher, ranked, base, stage.pins, "best", countBits(base), () => 0);
}
