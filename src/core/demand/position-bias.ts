/** What a position earns by itself, whatever stands there. */

export interface PositionSums {
  position: number;
  shown: number;
  clicked: number;
}

/** Fewer than these say nothing of a position by themselves. */
const STEADY = 200;

/**
 * The rate at which each position is clicked, over all searches: of position p the clicks on it for each time something stood there.
 * Where few cases speak, the rate is drawn towards that of the position before; none is higher than that one (an isotonic fit by its
 * running minimum), since whoever looks at a position has seen those above it (cascade model, Craswell et al. 2008).
 * @param sums of each position at most one. @returns rates by position, from 1.
 */
export function positionRates(sums: readonly PositionSums[]): (position: number) => number {
  const byPosition = new Map(sums.map((entry) => [entry.position, entry]));
  const last = Math.max(0, ...sums.map(({ position }) => position));
  const rates: number[] = [];
  const [first] = sums.filter(({ shown }) => shown > 0).sort((a, b) => a.position - b.position);
  let before = first ? first.clicked / first.shown : 0;
  for (let position = 1; position <= last; position++) {
    const { shown = 0, clicked = 0 } = byPosition.get(position) ?? {};
    const rate = (clicked + STEADY * before) / (shown + STEADY);
    before = Math.min(before, rate);
    rates.push(before);
  }
  return (position) => {
    if (rates.length === 0) return 0;
    const at = Math.min(Math.max(1, position), rates.length);
    const [low, high] = [rates[Math.floor(at) - 1], rates[Math.ceil(at) - 1]];
    // Of a mean position, what lies between.
    return low + (high - low) * (at - Math.floor(at));
  };
}

export interface AnsweredProduct {
  shown: number;
  /** Mean position, from 1. */
  position: number;
  clicked: number;
}

/**
 * Clicks that products of one search would have by their positions alone: position bias times a level of the search, so that all
 * together have as many as there were. What stands out above or below does so by itself.
 */
export function expectedClicks(products: readonly AnsweredProduct[], rateAt: (position: number) => number): number[] {
  const raw = products.map(({ shown, position }) => shown * rateAt(position));
  const [all, clicked] = [raw, products.map((product) => product.clicked)].map((list) => list.reduce((sum, value) => sum + value, 0));
  return raw.map((value) => (all === 0 ? 0 : (value * clicked) / all));
}

/** How far clicks are from what the position gives, in standard deviations of a count (Poisson). */
export const standsOut = (clicked: number, expected: number): number => (clicked - expected) / Math.sqrt(Math.max(1, expected));
