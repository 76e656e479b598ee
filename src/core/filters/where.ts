import type { Index } from "../index/types";
import type { Filter } from "../settings/filter";
import { fitsSearch } from "../shelves/fits";
import type { Stem } from "../text/stem";
import type { PreparedFilter } from "./prepare";
import { signedRanks } from "./spread";

/** Where a shopper is, as far as filters ask. */
export interface Spot {
  category: readonly string[] | null;
  /** Stems of what was typed. */
  stems: readonly string[];
}

/** Whether a filter is meant for a place and a search: the nearest category that says something decides, else what holds for all. */
export function isMeantFor(filter: Filter, { category, stems }: Spot, stem: Stem): boolean {
  const { where } = filter;
  if (category ? !holdsInCategory(where, category) : !where.searching) return false;
  return fitsSearch(where.searches, stems, stem);
}

function holdsInCategory({ categories, except }: Filter["where"], category: readonly string[]): boolean {
  let depth = 0;
  let holds = categories;
  for (const { path, on } of except) {
    if (path.length <= depth || path.length > category.length || path.some((label, i) => category[i] !== label)) continue;
    depth = path.length;
    holds = on;
  }
  return holds;
}

/** The share of some products that have a value in a filter's column. */
export function filledShare({ optionStarts }: Index, { column }: PreparedFilter, products: Uint32Array): number {
  if (products.length === 0) return 0;
  const { perOption } = column;
  const ranks = column.kind === "numbers" ? signedRanks(column) : null;
  let filled = 0;
  for (let p = 0; p < products.length; p++) {
    const first = perOption ? optionStarts[products[p]] : products[p];
    const end = perOption ? optionStarts[products[p] + 1] : products[p] + 1;
    if (column.kind === "keys") {
      if (column.starts[end] > column.starts[first]) filled++;
      continue;
    }
    for (let row = first; row < end; row++) {
      if (ranks && ranks[row] >= 0) {
        filled++;
        break;
      }
    }
  }
  return filled / products.length;
}
