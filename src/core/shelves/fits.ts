import { SearchTable } from "../prepare/shelves";
import type { SearchMatch } from "../settings/parts";
import type { Stem } from "../text/stem";

const tables = new WeakMap<readonly SearchMatch[], { stem: Stem; table: SearchTable<true> }>();

/** Whether something is meant for a search: by one of the searches it names, or by naming none. */
export function fitsSearch(searches: readonly SearchMatch[], stems: readonly string[], stem: Stem): boolean {
  return searches.length === 0 || tableOf(searches, stem).fitting(stems).length > 0;
}

function tableOf(searches: readonly SearchMatch[], stem: Stem): SearchTable<true> {
  const known = tables.get(searches);
  if (known?.stem === stem) return known.table;
  const table = new SearchTable<true>(stem);
  searches.forEach((search, order) => {
    table.add("", search, true, order);
  });
  tables.set(searches, { stem, table });
  return table;
}
