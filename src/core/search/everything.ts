import { countBits, emptyBits, fullBits } from "../index/bits";
import type { Searcher } from "../prepare/searcher";
import type { CandidateScope } from "./candidate-scope";
import { findAnswers } from "./find-answers";
import { NO_ARRANGEMENT, orderProducts, rank } from "./ranked";
import { readQuery } from "./read-query";
import { understandWords } from "./understand";

/**
 * All products that answer a query, best first: hidden, excluded and sold-out ones too, no shelf acting. For lists in
 * which products are found in order to be changed.
 */
export function searchEverything(searcher: Searcher, query: string, at: number): Uint32Array {
  const size = searcher.index.products;
  const scope: CandidateScope = {
    place: "searching",
    hides: [],
    hidden: emptyBits(size),
    excluded: emptyBits(size),
    inCategory: fullBits(size),
    open: fullBits(size),
    allowed: fullBits(size),
    pins: [],
    pinned: new Set(),
    added: new Set(),
    addedFirst: [],
  };
  const meaning = understandWords(searcher, readQuery(searcher, query), scope.open, false, at);
  const understanding = findAnswers(searcher, meaning, scope.excluded, true);
  const base = understanding.products;
  const ranked = rank(searcher, scope, understanding, query, base, NO_ARRANGEMENT, at);
  return orderProducts(searcher, ranked, base, scope.pins, "best", countBits(base), () => 0);
}
