import { Narrowing } from "../filters/narrow";
import { filtersOf, type PreparedFilter, readSelections } from "../filters/prepare";
import { type Bits, countBits } from "../index/bits";
import type { Asked } from "./asked";
import type { SearchRequest } from "./request";
import type { SearchOptions } from "./search-options";
import { isVisible } from "./visible";

/** What is left of a search by the filters that the shopper has chosen. */
export interface Narrowed {
  filters: readonly PreparedFilter[];
  narrowing: Narrowing;
  /** What was asked for and is not there. */
  ignored: string[];
  remaining: Bits;
  total: number;
}

export function narrowProducts(
  { searcher, circumstances }: Asked,
  base: Bits,
  request: Pick<SearchRequest, "filters">,
  visible: SearchOptions["visible"],
): Narrowed {
  // What shoppers may not see they cannot ask for either.
  const filters = filtersOf(searcher, circumstances.at).filter((filter) => isVisible(searcher, filter, visible));
  const { selections, ignored } = readSelections(filters, request.filters);
  const narrowing = new Narrowing(searcher.index, selections);
  const remaining = narrowing.products(base);
  return { filters, narrowing, ignored, remaining, total: countBits(remaining) };
}

/** For each chosen filter what would be left without it. */
export function totalsWithoutEach({ searcher }: Asked, narrowing: Narrowing, base: Bits): Record<string, number> {
  return Object.fromEntries(
    narrowing.selections.map((selection) => {
      const others = narrowing.selections.filter((other) => other !== selection);
      return [selection.prepared.id, countBits(new Narrowing(searcher.index, others).products(base))];
    }),
  );
}
