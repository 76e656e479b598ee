import type { Field } from "../catalogue/types";
import { hasBit } from "../index/bits";
import { productNumber } from "../index/read";
import type { Searcher } from "../prepare/searcher";
import { actingHides } from "../rank/acting";
import { cardMaker } from "../search/hit";
import type { ProductCard } from "../search/request";

export interface Related {
  goesWith: ProductCard[];
  insteadOf: ProductCard[];
}

const MOST = 4;

/**
 * What stands beside a product: "instead of" from its own category, "goes with" from other departments, both ordered by
 * the values they share, a shared value counting −ln of the share of products that have it.
 */
export function relatedTo(searcher: Searcher, id: string, at: number, visible: (field: Field) => boolean): Related | null {
  const { index, stock } = searcher;
  const own = productNumber(index, id);
  if (own < 0) return null;
  const likeness = sharedValues(searcher, own);
  const { hidden } = actingHides(searcher, "beside", at);
  const category = placeOf(searcher, own);
  const candidates = [...likeness.keys()]
    .filter((product) => product !== own && !hasBit(hidden, product) && stock.soldOut[product] === 0 && likeness[product] > 0)
    .sort((a, b) => likeness[b] - likeness[a] || index.idRanks[a] - index.idRanks[b]);
  const isNear = (product: number) => placeOf(searcher, product).deepest === category.deepest;
  const isElsewhere = (product: number) => placeOf(searcher, product).top !== category.top;
  const card = cardMaker(searcher, at, visible);
  const cards = (accept: (product: number) => boolean) => candidates.filter(accept).slice(0, MOST).map(card);
  return { goesWith: cards(isElsewhere), insteadOf: cards(isNear) };
}

function sharedValues(searcher: Searcher, own: number): Float64Array {
  const { index } = searcher;
  const likeness = new Float64Array(index.products);
  for (const column of index.columns) {
    if (column.kind !== "keys" || column.perOption) continue;
    const mine = new Set(column.ordinals.subarray(column.starts[own], column.starts[own + 1]));
    if (mine.size === 0) continue;
    const counts = new Map<number, number>();
    for (const ordinal of column.ordinals) if (mine.has(ordinal)) counts.set(ordinal, (counts.get(ordinal) ?? 0) + 1);
    for (let product = 0; product < index.products; product++) {
      for (let i = column.starts[product]; i < column.starts[product + 1]; i++) {
        const count = counts.get(column.ordinals[i]);
        if (count !== undefined && count > 1) likeness[product] -= Math.log(count / index.products);
      }
    }
  }
  return likeness;
}

function placeOf(searcher: Searcher, product: number): { top: number; deepest: number } {
  const column = searcher.category < 0 ? undefined : searcher.index.columns[searcher.category];
  if (column?.kind !== "keys") return { top: -1, deepest: -1 };
  const from = column.starts[product];
  const to = column.starts[product + 1];
  return from === to ? { top: -1, deepest: -1 } : { top: column.ordinals[from], deepest: column.ordinals[to - 1] };
}
