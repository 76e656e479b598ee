import type { Places } from "../index/places";
import type { FieldList } from "../match/lists";
import type { UnitMatch } from "../match/units";
import type { Searcher } from "../prepare/searcher";

/** What one unit earns in one field, by slot (place of the product among those scored). */
export interface Cell {
  unit: number;
  field: number;
  lists: FieldList[];
  /** The field's share of x. */
  x: Float64Array;
  /** Posting of the list that gave it; −1 where the unit is not in the field. */
  posting: Int32Array;
  /** The list's place in `lists`; null where there is only one. */
  list: Uint16Array | null;
}

/** The cells of a unit, one for each field it stands in, fields in catalogue order. */
export function fillCells(searcher: Searcher, match: UnitMatch, unit: number, places: Places): Cell[] {
  const cells: Cell[] = [];
  for (let from = 0; from < match.lists.length; ) {
    const { field } = match.lists[from];
    let to = from;
    while (to < match.lists.length && match.lists[to].field === field) to++;
    cells.push(fillCell(searcher, match.lists.slice(from, to), unit, field, places));
    from = to;
  }
  return cells;
}

function fillCell(searcher: Searcher, lists: FieldList[], unit: number, field: number, places: Places): Cell {
  const { weights, valueWeights, lengthShares } = searcher.attributes;
  const { lengths, averageLengths, products: count } = searcher.index;
  const size = places.members.length;
  const x = new Float64Array(size);
  const posting = new Int32Array(size).fill(-1);
  const listOf = lists.length > 1 ? new Uint16Array(size) : null;
  const share = lengthShares[field] ?? 0;
  const average = averageLengths[field] || 1;
  for (let l = 0; l < lists.length; l++) {
    const { via, quality, from, to, products, frequencies, positionStarts } = lists[l];
    const worth = (via === "value" ? valueWeights[field] : weights[field]) * quality;
    const hasLengths = positionStarts !== null && field < averageLengths.length;
    const firstLength = field * count;
    // A long list beside few products: each product is looked for in it.
    const isLong = to - from > size * 24;
    for (let i = from, slot = 0; isLong ? slot < size : i < to; isLong ? slot++ : i++) {
      if (isLong) {
        i = firstAt(products, i, to, places.members[slot]);
        if (i === to || products[i] !== places.members[slot]) continue;
      } else {
        slot = places.of(products[i]);
        if (slot < 0) continue;
      }
      const length = hasLengths ? lengths[firstLength + products[i]] : average;
      const earned = (worth * frequencies[i]) / (1 - share + (share * length) / average);
      if (earned <= x[slot]) continue;
      x[slot] = earned;
      posting[slot] = i;
      if (listOf) listOf[slot] = l;
    }
  }
  return { unit, field, lists, x, posting, list: listOf };
}

/** The first place from `from` on whose product is not below one sought; steps double until it is passed. */
function firstAt(products: Uint32Array, from: number, to: number, product: number): number {
  let low = from;
  let step = 1;
  while (low + step < to && products[low + step] < product) {
    low += step;
    step *= 2;
  }
  let high = Math.min(to, low + step + 1);
  while (low < high) {
    const middle = (low + high) >>> 1;
    if (products[middle] < product) low = middle + 1;
    else high = middle;
  }
  return low;
}

export function listAt(cell: Cell, slot: number): FieldList {
  return cell.lists[cell.list ? cell.list[slot] : 0];
}
