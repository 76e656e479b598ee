import type { Buffers } from "../index/buffers";
import type { Places } from "../index/places";
import { lengthNorm } from "../prepare/attributes";
import type { Searcher } from "../prepare/searcher";
import type { FieldList } from "../query/match/lists";
import type { TermMatch } from "../query/match/term-match";

/** What one term earns in one field, by slot (place of the product among those scored). */
export interface Cell {
  queryTerm: number;
  field: number;
  lists: FieldList[];
  /** The field's share of x; 0 where the term is not in the field. */
  x: Float64Array;
  /** Posting of the list that gave it, and the list's place in `lists`; null where nobody has asked for them. */
  source: { posting: Int32Array; list: Uint16Array } | null;
  /** The slots in which the term is in the field, in any order, where they are few; else null. */
  slots: Uint32Array | null;
}

/** The lists of a term, those of each field together, fields in catalogue order. */
export function listsByField({ lists }: TermMatch): FieldList[][] {
  const groups: FieldList[][] = [];
  for (let from = 0; from < lists.length; ) {
    let to = from;
    while (to < lists.length && lists[to].field === lists[from].field) to++;
    groups.push(lists.slice(from, to));
    from = to;
  }
  return groups;
}

/**
 * The cells of a term, one for each field it is in, fields in catalogue order.
 * @param isDetailed whether it is kept where each value comes from; fields whose start counts need it always.
 */
export function fillCells(
  searcher: Searcher,
  match: TermMatch,
  queryTerm: number,
  places: Places,
  buffers: Buffers,
  isDetailed: boolean,
): Cell[] {
  const isEarly = (field: number) => searcher.attributes.early[field] === 1;
  const size = places.members.length;
  return listsByField(match).map((lists) =>
    fillCell(searcher, lists, queryTerm, places, buffers, isDetailed || isEarly(lists[0].field), buffers.floats(size)),
  );
}

/** A list so many times as long as there are products is not run through: each product is looked for in it. */
const LONG = 24;
const NONE = new Float64Array(0);
/** Of a cell with fewer postings than one in so many slots, the slots are listed. */
const SPARSE = 4;

/** @param x zeros, as many as there are places. */
export function fillCell(
  searcher: Searcher,
  lists: FieldList[],
  queryTerm: number,
  places: Places,
  buffers: Buffers,
  isDetailed: boolean,
  x: Float64Array,
): Cell {
  const size = places.members.length;
  const postings = lists.reduce((sum, { from, to }) => sum + to - from, 0);
  const cell: Cell = {
    queryTerm,
    field: lists[0].field,
    lists,
    x,
    source: isDetailed ? { posting: buffers.places(size), list: buffers.shorts(size) } : null,
    slots: postings * SPARSE < size ? buffers.numbers(postings) : null,
  };
  let filled = 0;
  for (let l = 0; l < lists.length; l++) filled = addList(searcher, cell, l, places, filled);
  return { ...cell, slots: cell.slots?.subarray(0, filled) ?? null };
}

/**
 * Takes the postings of a list: each earns its frequency, normalised by length, times the field's weight and the
 * expansion's quality; of several lists the one that earns most counts.
 * @param filled how many slots are listed before; how many are after it is returned.
 */
function addList({ attributes, index }: Searcher, cell: Cell, l: number, places: Places, filled: number): number {
  const { field, x, source, slots } = cell;
  const posting = source?.posting ?? null;
  const { via, quality, from, to, products, frequencies, positionStarts } = cell.lists[l];
  const { weights, valueWeights, lengthShares, norms } = attributes;
  const { lengths, averageLengths } = index;
  const worth = (via === "value" ? valueWeights[field] : weights[field]) * quality;
  const share = lengthShares[field] ?? 0;
  const average = averageLengths[field] || 1;
  // A match that has no place in a text counts as one in a text of average length.
  const isPlaced = positionStarts !== null && field < averageLengths.length;
  // Most words stand once in a text: what that earns is worked out once for each length.
  const known = norms[field];
  const once = isPlaced && to - from > known.length ? known.map((norm) => worth / norm) : NONE;
  const flat = worth / lengthNorm(share, average, average);
  const first = field * index.products;
  const { members, table } = places;
  if (table && isPlaced && !source && !slots && once.length > 0) {
    addPlain(x, cell.lists[l], table, lengths.subarray(first, first + index.products), { once, norms: known, worth, share, average });
    return filled;
  }
  const isLong = to - from > members.length * LONG;
  for (let i = from, member = 0; i < to; i++) {
    if (isLong) {
      while (member < members.length && members[member] < products[i]) member++;
      if (member === members.length) break;
      i = firstAt(products, i, to, members[member]);
      if (i === to) break;
    }
    const slot = table ? table[products[i]] : places.of(products[i]);
    if (slot < 0) continue;
    let earned = flat;
    if (isPlaced) {
      const length = lengths[first + products[i]];
      if (frequencies[i] === 1 && length < once.length) earned = once[length];
      else earned = (worth * frequencies[i]) / (length < known.length ? known[length] : lengthNorm(share, length, average));
    }
    if (earned <= x[slot]) continue;
    if (slots && x[slot] === 0) slots[filled++] = slot;
    x[slot] = earned;
    if (!posting || !source) continue;
    posting[slot] = i;
    source.list[slot] = l;
  }
  return filled;
}

/** What an occurrence earns in a field. */
interface Earning {
  worth: number;
  share: number;
  average: number;
  /** By length: what lengths are normalised by, and what one occurrence earns. */
  norms: Float64Array;
  once: Float64Array;
}

/** What `addList` does, for long lists of which nothing but the values is kept. @param lengths of the field, by product. */
function addPlain(
  x: Float64Array,
  { from, to, products, frequencies }: FieldList,
  table: Int32Array,
  lengths: Uint16Array,
  { worth, share, average, norms, once }: Earning,
): void {
  for (let i = from; i < to; i++) {
    const product = products[i];
    const slot = table[product];
    if (slot < 0) continue;
    const length = lengths[product];
    const times = frequencies[i];
    const earned =
      times === 1 && length < once.length
        ? once[length]
        : (worth * times) / (length < norms.length ? norms[length] : lengthNorm(share, length, average));
    if (earned > x[slot]) x[slot] = earned;
  }
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

/** Where a cell's value comes from, for cells that are detailed. */
export function listAt(cell: Cell, slot: number): FieldList {
  return cell.lists[cell.source ? cell.source.list[slot] : 0];
}

export function postingAt(cell: Cell, slot: number): number {
  return cell.source ? cell.source.posting[slot] : 0;
}
