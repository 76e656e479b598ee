import { PATH_SEPARATOR } from "../catalogue/text-of";
import { countFilters } from "../filters/count";
import { type Bits, isEmpty } from "../index/bits";
import { stringsOf } from "../index/strings";
import type { Searcher } from "../prepare/searcher";
import { Filter } from "../settings/filter";
import type { CategoryHit } from "./request";

const CATEGORY_FILTER = Filter.parse({ from: [{ field: "category" }], label: {}, display: "ticks", rank: "a" });

/** Categories in which most of some products stand: departments, or what is deeper. */
export function categoriesOf(searcher: Searcher, products: Bits, { isTop, most }: { isTop: boolean; most: number }): CategoryHit[] {
  const column = searcher.category < 0 ? undefined : searcher.index.columns[searcher.category];
  if (column?.kind !== "keys" || isEmpty(products)) return [];
  const filter = {
    id: "category",
    filter: CATEGORY_FILTER,
    field: searcher.category,
    column,
    slots: null,
    inSteps: false,
    unpriced: null,
  };
  const [{ counts }] = countFilters(searcher.index, [filter], [], products);
  const keys = stringsOf(column.keys);
  return [...counts.keys()]
    .filter((ordinal) => counts[ordinal] > 0 && !keys[ordinal].includes(PATH_SEPARATOR) === isTop)
    .sort((a, b) => counts[b] - counts[a] || a - b)
    .slice(0, most)
    .map((ordinal) => ({ path: keys[ordinal].split(PATH_SEPARATOR), count: counts[ordinal] }));
}
