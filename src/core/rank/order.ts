import type { Searcher } from "../prepare/searcher";
import type { PreparedSort } from "../prepare/sorts";
import { bandOf } from "./bands";
import { selectFirst } from "./select";

/** What decides where a product stands, by slot (place among the products of the base set). */
export interface Standing {
  products: Uint32Array;
  scores: Float64Array;
  tiers: Uint8Array;
  /** 1 for sold out where sold-out products stand behind. */
  stockGroups: Uint8Array;
  /** 1 for products found only by widening: after all else. */
  widened: Uint8Array;
  bands: Float64Array;
}

/** Fills the bands: each counted from the best score of its tier and stock group; what does not match earned nothing and stands in the last. */
export function fillBands({ widened, tiers, stockGroups, scores, bands }: Standing, width: number): void {
  const tops = new Float64Array(16);
  for (let slot = 0; slot < scores.length; slot++) {
    const group = widened[slot] * 8 + tiers[slot] * 2 + stockGroups[slot];
    if (scores[slot] > tops[group]) tops[group] = scores[slot];
  }
  for (let slot = 0; slot < scores.length; slot++) {
    bands[slot] = bandOf(scores[slot], tops[widened[slot] * 8 + tiers[slot] * 2 + stockGroups[slot]], width);
  }
}

/** Best match: widened last, tier, stock group, band, tie-breakers, score, id. */
export function bestMatch(searcher: Searcher, standing: Standing): (a: number, b: number) => number {
  const { idRanks } = searcher.index;
  const { products, scores, tiers, stockGroups, bands, widened } = standing;
  const width = searcher.settings.ranking.tieWidth;
  return (a, b) => {
    if (widened[a] !== widened[b]) return widened[a] - widened[b];
    if (tiers[a] !== tiers[b]) return tiers[b] - tiers[a];
    if (stockGroups[a] !== stockGroups[b]) return stockGroups[a] - stockGroups[b];
    if (bands[a] !== bands[b]) return bands[a] - bands[b];
    // With a tie width of 0 there are no bands, and only equal scores tie.
    if (width > 0 || scores[a] === scores[b]) {
      const decided = compareTies(searcher.ties, products[a], products[b]);
      if (decided !== 0) return decided;
    }
    if (scores[a] !== scores[b]) return scores[b] - scores[a];
    return idRanks[products[a]] - idRanks[products[b]];
  };
}

/** Any other sort: stock group, value with missing last, score, id. */
export function bySort(searcher: Searcher, standing: Standing, values: Float64Array): (a: number, b: number) => number {
  const { idRanks } = searcher.index;
  const { products, scores, stockGroups } = standing;
  return (a, b) => {
    if (stockGroups[a] !== stockGroups[b]) return stockGroups[a] - stockGroups[b];
    const decided = compareMissingLast(values[a], values[b]);
    if (decided !== 0) return decided;
    if (scores[a] !== scores[b]) return scores[b] - scores[a];
    return idRanks[products[a]] - idRanks[products[b]];
  };
}

export function compareTies(ties: readonly PreparedSort[], a: number, b: number): number {
  for (const { values } of ties) {
    const decided = compareMissingLast(values[a], values[b]);
    if (decided !== 0) return decided;
  }
  return 0;
}

function compareMissingLast(a: number, b: number): number {
  if (a === b) return 0;
  const missingA = Number.isNaN(a);
  const missingB = Number.isNaN(b);
  if (missingA || missingB) return missingA === missingB ? 0 : missingA ? 1 : -1;
  return a - b;
}

/** The first `count` slots in order, pinned ones at their places; those wanted beyond the end of `pins` move up. */
export function orderSlots(
  slots: Uint32Array,
  pins: readonly { slot: number; place: number }[],
  count: number,
  compare: (a: number, b: number) => number,
): Uint32Array {
  if (pins.length === 0) return selectFirst(slots, count, compare);
  const pinned = new Set(pins.map((pin) => pin.slot));
  const unpinned = selectFirst(
    slots.filter((slot) => !pinned.has(slot)),
    count,
    compare,
  );
  const ordered: number[] = [];
  let next = 0;
  for (const { slot, place } of [...pins].sort((a, b) => a.place - b.place || compare(a.slot, b.slot))) {
    while (ordered.length < place - 1 && next < unpinned.length) ordered.push(unpinned[next++]);
    ordered.push(slot);
  }
  while (next < unpinned.length) ordered.push(unpinned[next++]);
  return Uint32Array.from(ordered.slice(0, count));
}
