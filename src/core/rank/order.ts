import type { Searcher } from "../prepare/searcher";
import type { PreparedSort } from "../prepare/sorts";
import { bandOf } from "./bands";
import type { Rows } from "./rows";
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
  /** The best score of each group of products that are together, by `groupOf`. */
  tops: Float64Array;
  /** What an arrangement puts first and last, null where nothing is. */
  rows: Rows | null;
}

const GROUPS = 16;

function groupOf({ widened, tiers, stockGroups }: Pick<Standing, "widened" | "tiers" | "stockGroups">, slot: number): number {
  return widened[slot] * 8 + tiers[slot] * 2 + stockGroups[slot];
}

/** The best score of each tier and stock group, from which its bands are counted. */
export function findTops(standing: Omit<Standing, "tops" | "rows">): Standing {
  const tops = new Float64Array(GROUPS);
  const { scores, widened, tiers, stockGroups } = standing;
  for (let slot = 0; slot < scores.length; slot++) {
    const group = widened[slot] * 8 + tiers[slot] * 2 + stockGroups[slot];
    if (scores[slot] > tops[group]) tops[group] = scores[slot];
  }
  return { ...standing, tops, rows: null };
}

/** The band of a slot; what does not match earned nothing and stands in the last. @param width of a band, in per cent. */
export function bandAt(standing: Standing, slot: number, width: number): number {
  return bandOf(standing.scores[slot], standing.tops[groupOf(standing, slot)], width);
}

/** Best match: the rows of an arrangement, then as `byMatch`. */
export function bestMatch(searcher: Searcher, standing: Standing): (a: number, b: number) => number {
  const compare = byMatch(searcher, standing);
  if (!standing.rows) return compare;
  const { of: rows } = standing.rows;
  return (a, b) => rows[a] - rows[b] || compare(a, b);
}

/** Widened last, tier, stock group, band, tie-breakers, score, id. */
export function byMatch(searcher: Searcher, standing: Standing): (a: number, b: number) => number {
  const { idRanks } = searcher.index;
  const { products, scores, tiers, stockGroups, widened } = standing;
  const width = searcher.settings.ranking.tieWidth;
  // Scores further apart than this are surely not of one band, which saves working the bands out.
  const far = (1 - width / 100) * (1 - 1e-9);
  return (a, b) => {
    if (widened[a] !== widened[b]) return widened[a] - widened[b];
    if (tiers[a] !== tiers[b]) return tiers[b] - tiers[a];
    if (stockGroups[a] !== stockGroups[b]) return stockGroups[a] - stockGroups[b];
    const scoreA = scores[a];
    const scoreB = scores[b];
    if (scoreA < scoreB * far) return 1;
    if (scoreB < scoreA * far) return -1;
    if (width > 0 && scoreA !== scoreB) {
      const bandA = bandAt(standing, a, width);
      const bandB = bandAt(standing, b, width);
      if (bandA !== bandB) return bandA - bandB;
    }
    // With a tie width of 0 there are no bands, and only equal scores tie.
    if (width > 0 || scoreA === scoreB) {
      const decided = compareTies(searcher.ties, products[a], products[b]);
      if (decided !== 0) return decided;
    }
    if (scoreA !== scoreB) return scoreB - scoreA;
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

/** Slots that stand one after another from a place on. */
interface Run {
  slots: readonly number[];
  place: number;
}

/** The first `count` slots in order, pinned ones at their places; those wanted beyond the end of `slots` move up. */
export function orderSlots(
  slots: Uint32Array,
  pins: readonly Run[],
  count: number,
  compare: (a: number, b: number) => number,
): Uint32Array {
  if (pins.length === 0) return selectFirst(slots, count, compare);
  const pinned = new Set(pins.flatMap((run) => run.slots));
  const unpinned = selectFirst(
    slots.filter((slot) => !pinned.has(slot)),
    count,
    compare,
  );
  const ordered: number[] = [];
  let next = 0;
  for (const { slots: run, place } of [...pins].sort((a, b) => a.place - b.place || compare(a.slots[0], b.slots[0]))) {
    while (ordered.length < place - 1 && next < unpinned.length) ordered.push(unpinned[next++]);
    ordered.push(...run);
  }
  while (next < unpinned.length) ordered.push(unpinned[next++]);
  return Uint32Array.from(ordered.slice(0, count));
}
