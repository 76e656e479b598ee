import { countFilters } from "../../filters/count";
import type { FilterCounts } from "../../filters/counts";
import type { PreparedFilter } from "../../filters/prepare";
import { filledShare, isMeantFor } from "../../filters/where";
import { listBits } from "../../index/bits";
import type { Searcher } from "../../prepare/searcher";
import { stemsOfText } from "../../prepare/shelves";
import { counted } from "../../progress";
import { baseOf } from "./filter-look";
import type { AskedQuery } from "./trial";

/** What a filter does for the searches of the log, each weighted by how often it was asked. */
export interface FilterWorth {
  /** Share of the searches with which it stands: where it is meant to, and could narrow the results. */
  offered: number;
  /** Of the results of those searches, the share that has a value. */
  filled: number;
  /** Into how many parts of equal size it splits them on average: 2 to the power of the entropy (Shannon 1948), in bits. */
  parts: number;
  /** Bits of the choice it gives, times the share of the results it speaks of, times the share of searches with which it stands. */
  worth: number;
}

/** More bits than this help nobody: a list of eight is as much as one reads. */
const MOST_BITS = 3;

/**
 * Measures filters by the searches of the log, one search at a time; the generator pauses after each.
 * @returns for each filter what it does, in their order.
 */
export function* measureFilters(
  searcher: Searcher,
  filters: readonly PreparedFilter[],
  searches: readonly AskedQuery[],
  at: number,
): Generator<unknown, FilterWorth[]> {
  const sums = filters.map(() => ({ offered: 0, filled: 0, bits: 0, worth: 0 }));
  let asked = 0;
  for (const [query, progress] of counted(searches, "searches")) {
    yield progress;
    const base = baseOf(searcher, { query: query.text, category: null }, at);
    const inBase = listBits(base);
    if (inBase.length < 2) continue;
    const spot = { category: null, stems: stemsOfText(query.text, searcher.stem) };
    asked += query.asked;
    const counted = countFilters(searcher.index, filters, [], base, inBase);
    counted.forEach((counts, i) => {
      if (!counts.narrows || !isMeantFor(filters[i].filter, spot, searcher.stem)) return;
      const filled = filledShare(searcher.index, filters[i], inBase);
      if (filled < filters[i].filter.where.share) return;
      const bits = entropyOf(counts, inBase.length);
      const sum = sums[i];
      sum.offered += query.asked;
      sum.filled += query.asked * filled;
      sum.bits += query.asked * bits;
      sum.worth += query.asked * filled * Math.min(MOST_BITS, bits);
    });
  }
  return sums.map(({ offered, filled, bits, worth }) => ({
    offered: asked > 0 ? offered / asked : 0,
    filled: offered > 0 ? filled / offered : 0,
    parts: offered > 0 ? 2 ** (bits / offered) : 1,
    worth: asked > 0 ? worth / asked : 0,
  }));
}

/** The entropy of how products divide over what a filter offers, in bits; a single value divides them from those that do not have it. */
function entropyOf({ counts, bars, steps }: FilterCounts, products: number): number {
  const sizes = counts.length > 0 ? [...counts] : (steps.length > 0 ? steps : bars).map(({ count }) => count);
  const offered = sizes.filter((size) => size > 0);
  if (counts.length > 0 && offered.length === 1) sizes.push(products - offered[0]);
  const sum = sizes.reduce((all, size) => all + size, 0);
  let bits = 0;
  for (const size of sizes) if (size > 0) bits -= (size / sum) * Math.log2(size / sum);
  return bits;
}
