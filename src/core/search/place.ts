import { PATH_SEPARATOR } from "../catalogue/text-of";
import { type Bits, emptyBits, fullBits, hasBit, intersect, setBit, subtract } from "../index/bits";
import { productNumber } from "../index/read";
import { findKey } from "../index/strings";
import type { Searcher } from "../prepare/searcher";
import { type ActingRule, actingHides } from "../rank/acting";
import type { Place } from "../settings/parts";
import type { Hide, Shelf } from "../settings/schema";

/** Which products may stand in a place at a moment, before any word of a query. */
export interface Stage {
  place: Place;
  hides: ActingRule<Hide>[];
  hidden: Bits;
  excluded: Bits;
  /** Products of the category asked for. */
  inCategory: Bits;
  /** In the category, neither hidden nor excluded; sold-out ones among them. */
  allowed: Bits;
  /** What the acting shelf brings: pins by place, and additions. */
  pins: Map<number, number>;
  added: Set<number>;
}

/**
 * @param category limits the place to a category and what is below it.
 * @param within limits it to a selection; one that is gone leaves nothing.
 */
export function setStage(
  searcher: Searcher,
  place: Place,
  category: readonly string[] | null,
  shelf: Shelf | null,
  at: number,
  within: string | null = null,
): Stage {
  const size = searcher.index.products;
  const { rules: hides, hidden } = actingHides(searcher, place, at);
  const excluded = numbersOf(searcher, shelf?.exclude ?? []).reduce(withBit, emptyBits(size));
  const inCategory = categoryProducts(searcher, category);
  if (within !== null) intersect(inCategory, searcher.conditions.products({ selection: within }, at));
  const allowed = subtract(subtract(inCategory.slice(), hidden), excluded);
  // What a shelf brings from elsewhere in the range it brings into a category too, but never into a box for a selection.
  const stays = (product: number) =>
    !hasBit(hidden, product) && !hasBit(excluded, product) && (within === null || hasBit(inCategory, product));
  const pins = new Map<number, number>();
  for (const [id, position] of Object.entries(shelf?.pins ?? {})) {
    const product = productNumber(searcher.index, id);
    if (product < 0 || !stays(product)) continue;
    const isSoldOut = searcher.stock.soldOut[product] === 1;
    if (isSoldOut && shelf?.soldOut === "close") continue;
    pins.set(product, isSoldOut && shelf?.soldOut === "last" ? Number.MAX_SAFE_INTEGER : position);
  }
  const added = new Set(numbersOf(searcher, shelf?.add ?? []).filter(stays));
  return { place, hides, hidden, excluded, inCategory, allowed, pins, added };
}

function withBit(bits: Bits, product: number): Bits {
  setBit(bits, product);
  return bits;
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
export function baseSet(stage: Stage, matching: Bits, onlyBrought: boolean): Bits {
  const base = onlyBrought ? matching.slice().fill(0) : intersect(matching.slice(), stage.allowed);
  for (const product of [...stage.pins.keys(), ...stage.added]) setBit(base, product);
  return base;
}
