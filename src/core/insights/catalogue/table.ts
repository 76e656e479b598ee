import { fullBits, hasBit, listBits } from "../../index/bits";
import { fieldNumber } from "../../index/read";
import type { Searcher } from "../../prepare/searcher";
import { prepareSort } from "../../prepare/sorts";
import { searchEverything } from "../../search/everything";
import type { Condition } from "../../settings/condition";

/** Which products a table shows, in which order. */
export interface TableQuery {
  /** Words as a shopper would type them; empty for all products. */
  search: string;
  condition: Condition | null;
  /** Key of the field to order by; null for the order of the search, or of the feed. */
  sort: string | null;
  direction: "asc" | "desc";
}

/**
 * The products that a table shows, as their numbers in order; missing values come last. A search finds all that
 * answers it, hidden and sold-out products included, since a table is there to change them.
 * @param at the moment for conditions that count days, in milliseconds since 1970 UTC.
 */
export function tableOf(searcher: Searcher, { search, condition, sort, direction }: TableQuery, at: number): Uint32Array {
  const { index } = searcher;
  const allowed = condition ? searcher.conditions.products(condition, at) : fullBits(index.products);
  const found =
    search.trim() === "" ? listBits(allowed) : searchEverything(searcher, search, at).filter((product) => hasBit(allowed, product));
  const f = sort === null ? -1 : fieldNumber(index, sort);
  if (f < 0) return found;
  const { values } = prepareSort(index, f, direction);
  return found.sort((a, b) => compareMissingLast(values[a], values[b]) || a - b);
}

function compareMissingLast(a: number, b: number): number {
  if (Number.isNaN(a)) return Number.isNaN(b) ? 0 : 1;
  return Number.isNaN(b) ? -1 : a - b;
}
