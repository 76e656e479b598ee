import { PATH_SEPARATOR } from "../catalogue/text-of";
import { type Bits, emptyBits, fullBits, hasBit, intersect, listBits, setBit, subtract, unite } from "../index/bits";
import { productNumber } from "../index/read";
import { findKey } from "../index/strings";
import type { Searcher } from "../prepare/searcher";
import { type ActingRule, actingHides } from "../rank/acting";
import type { Place } from "../settings/parts";
import type { Hide, Shelf } from "../settings/schema";

/** Which products may be in a place at a moment, before any word of a query and any shelf. */
export interface PlaceScope {
  place: Place;
  hides: ActingRule<Hide>[];
  hidden: Bits;
  /** Products of the category asked for. */
  inCategory: Bits;
  /** In the category and not hidden; sold-out ones among them. */
  open: Bits;
}

/** The same with what a shelf keeps out and brings. */
export interface CandidateScope extends PlaceScope {
  excluded: Bits;
  /** Open and not excluded. */
  allowed: Bits;
  /** What is at a place by hand: products one after another from there on, a single one for most. */
  pins: PinnedRun[];
  pinned: Set<number>;
  /** Products that the shelf brings besides, and those of them that were named one by one, in their order. */
  added: Set<number>;
  addedFirst: number[];
}

/** Products that are together from a place on. */
export interface PinnedRun {
  place: number;
  products: number[];
}

/**
 * @param category limits the place to a category and what is below it.
 * @param within limits it to a selection; one that is gone leaves nothing.
 */
export function scopeOfPlace(
  searcher: Searcher,
  place: Place,
  category: readonly string[] | null,
  at: number,
  within: string | null = null,
): PlaceScope {
  const { rules: hides, hidden } = actingHides(searcher, place, at);
  const inCategory = categoryProducts(searcher, category);
  if (within !== null) intersect(inCategory, searcher.conditions.products({ selection: within }, at));
  return { place, hides, hidden, inCategory, open: subtract(inCategory.slice(), hidden) };
}

/** What a shelf makes of a place. @param isLimited whether the place is limited to a selection, which a shelf brings nothing into. */
export function scopeWithShelf(searcher: Searcher, scope: PlaceScope, shelf: Shelf | null, at: number, isLimited: boolean): CandidateScope {
  const { hidden, inCategory, open } = scope;
  const excluded = excludedBy(searcher, shelf, at);
  const allowed = subtract(open.slice(), excluded);
  // What a shelf brings from elsewhere in the range it brings into a category too, but never into a box for a selection.
  const stays = (product: number) => !hasBit(hidden, product) && !hasBit(excluded, product) && (!isLimited || hasBit(inCategory, product));
  const pins = shelf ? pinnedRuns(searcher, shelf, stays) : [];
  const pinned = new Set(pins.flatMap(({ products }) => products));
  const isFree = (product: number) => stays(product) && !pinned.has(product);
  const addedFirst = numbersOf(searcher, shelf?.add ?? []).filter(isFree);
  const added = new Set([...addedFirst, ...addedInSelections(searcher, shelf, at).filter(isFree)]);
  return { ...scope, excluded, allowed, pins, pinned, added, addedFirst };
}

/** Whether the shelf brings products, so that nothing else is tried to find some. */
export const bringsProducts = ({ pinned, added }: Pick<CandidateScope, "pinned" | "added">): boolean => pinned.size + added.size > 0;

function excludedBy(searcher: Searcher, shelf: Shelf | null, at: number): Bits {
  const bits = emptyBits(searcher.index.products);
  if (!shelf) return bits;
  for (const product of numbersOf(searcher, shelf.exclude)) setBit(bits, product);
  for (const rule of Object.values(shelf.rules))
    if (rule.on && rule.does === "exclude") unite(bits, searcher.conditions.products(rule.condition, at));
  return bits;
}

/** The single pins and the groups of a shelf. A product that has a pin of its own stands there and not in its group. */
export function pinnedRuns(searcher: Searcher, shelf: Shelf, stays: (product: number) => boolean): PinnedRun[] {
  const runs: PinnedRun[] = [];
  const taken = new Set<number>();
  const takeIn = (place: number, ids: readonly string[]) => {
    const here: number[] = [];
    for (const product of numbersOf(searcher, ids)) {
      if (taken.has(product) || !stays(product)) continue;
      taken.add(product);
      const isSoldOut = searcher.stock.soldOut[product] === 1;
      if (isSoldOut && shelf.soldOut === "close") continue;
      if (isSoldOut && shelf.soldOut === "last") runs.push({ place: Number.MAX_SAFE_INTEGER, products: [product] });
      else here.push(product);
    }
    if (here.length > 0) runs.push({ place, products: here });
  };
  for (const [id, place] of Object.entries(shelf.pins)) takeIn(place, [id]);
  for (const { place, products } of groupsInOrder(shelf)) takeIn(place, products);
  return runs;
}

const groupsInOrder = ({ pinGroups }: Shelf) =>
  Object.entries(pinGroups)
    .sort(([idA, a], [idB, b]) => a.place - b.place || (idA < idB ? -1 : 1))
    .map(([, group]) => group);

function addedInSelections(searcher: Searcher, shelf: Shelf | null, at: number): number[] {
  return (shelf?.addSelections ?? []).flatMap((id) => [...listBits(searcher.conditions.products({ selection: id }, at))]);
}

function numbersOf(searcher: Searcher, ids: readonly string[]): number[] {
  return ids.map((id) => productNumber(searcher.index, id)).filter((product) => product >= 0);
}

/** The products of a category and all below it; every product without a category. */
export function categoryProducts(searcher: Searcher, category: readonly string[] | null): Bits {
  const size = searcher.index.products;
  if (!category || category.length === 0) return fullBits(size);
  const bits = emptyBits(size);
  const column = searcher.category < 0 ? undefined : searcher.index.columns[searcher.category];
  if (column?.kind !== "keys") return bits;
  const ordinal = findKey(column.keys, category.join(PATH_SEPARATOR));
  if (ordinal < 0) return bits;
  for (let product = 0; product < size; product++) {
    for (let i = column.starts[product]; i < column.starts[product + 1]; i++) {
      if (column.ordinals[i] === ordinal) setBit(bits, product);
    }
  }
  return bits;
}

/** The base set: what matches and may be shown, with what the shelf brings. */
export function baseSet(scope: CandidateScope, matching: Bits, onlyBrought: boolean): Bits {
  const base = onlyBrought ? matching.slice().fill(0) : intersect(matching.slice(), scope.allowed);
  for (const product of [...scope.pinned, ...scope.added]) setBit(base, product);
  return base;
}
