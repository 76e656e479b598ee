import { placeOf } from "../index/numbers";
import { type Index, MISSING, type NumberColumn } from "../index/types";
import { barEdges, niceEdges } from "./bars";
import type { CountPopulation } from "./count-population";
import { type FilterCounts, NOTHING_COUNTED } from "./counts";
import { type Interval, ranksOf, stepsBetween, stepsUpwards } from "./intervals";
import { Narrowing } from "./narrow";
import type { PreparedFilter } from "./prepare";
import { signedRanks, spreadIn } from "./spread";

type Numbers = NumberColumn & { perOption: boolean };

/** A filter on numbers: its range in the base set, and how many products each bar or step would leave. */
export function countNumbers(
  index: Index,
  prepared: PreparedFilter,
  column: Numbers,
  others: Narrowing,
  among: CountPopulation,
  whole: CountPopulation,
): FilterCounts {
  const { distinct } = column;
  const { filled, least, greatest, rankAt, counts: spread } = spreadIn(index, column, whole);
  const unpriced = prepared.unpriced ? countMissing(index, column, others, among.members) : 0;
  const nothing = { ...NOTHING_COUNTED, prepared, unpriced };
  if (filled === 0) return prepared.inSteps ? nothing : { ...nothing, bars: [{ from: 0, to: 0, count: 0 }] };
  // Whether a filter stands is decided on the base set, whatever else is chosen.
  const narrows =
    greatest > least || (prepared.unpriced !== null && countMissing(index, column, new Narrowing(index, []), whole.members) > 0);
  if (prepared.inSteps) {
    const steps = stepsOf(
      prepared,
      [0.2, 0.4, 0.6, 0.8].map((share) => distinct[rankAt(share)]),
      distinct[least],
    );
    const counts = countIntervals(index, column, steps, others, among.members);
    return { ...nothing, narrows, steps: steps.map((step, i) => ({ ...step, count: counts[i] })) };
  }
  const own = prepared.filter.numbers;
  const range = { min: own.least ?? distinct[least], max: own.most ?? distinct[greatest] };
  if (range.max < range.min) range.max = range.min;
  const edges = own.edges
    ? [range.min, ...own.edges.filter((edge) => edge > range.min && edge < range.max), range.max]
    : barEdges(range.min, Math.min(range.max, Math.max(range.min, distinct[rankAt(0.95)])), range.max);

  // The bar of each rank: half-open, the last one closed; what lies beyond the ends belongs to the bars there.
  const barOf = new Uint8Array(distinct.length);
  const last = edges.length - 2;
  for (let bar = 0; bar <= last; bar++) {
    const end = bar === last ? distinct.length : placeOf(distinct, edges[bar + 1]);
    barOf.fill(bar, bar === 0 ? 0 : placeOf(distinct, edges[bar]), end);
  }
  const counts = new Uint32Array(last + 1);
  if (column.perOption) countBarsOnce(index, column, barOf, others, among.members, counts);
  else if (among === whole && spread) for (let rank = 0; rank < spread.length; rank++) counts[barOf[rank]] += spread[rank];
  else countBars(column, barOf, among.members, counts);
  return {
    ...nothing,
    narrows,
    range,
    beyond: { below: distinct[least] < range.min, above: distinct[greatest] > range.max },
    bars: Array.from(counts, (count, bar) => ({ from: edges[bar], to: edges[bar + 1], count })),
  };
}

/** The steps that are offered: between own thresholds, or such as divide the results about evenly. */
function stepsOf({ filter: { display, numbers } }: PreparedFilter, quantiles: readonly number[], least: number): Interval[] {
  const edges = numbers.edges ?? niceEdges(quantiles, least);
  return display === "steps" ? stepsUpwards(edges) : stepsBetween(edges);
}

/** Products in each of some intervals; a product counts once for each, however many of its options are in it. */
export function countIntervals(
  index: Index,
  column: Numbers,
  intervals: readonly Interval[],
  others: Narrowing,
  among: Uint32Array,
): Uint32Array {
  const counts = new Uint32Array(intervals.length);
  const lastProduct = new Int32Array(intervals.length).fill(-1);
  const runs = intervals.map((interval) => ranksOf(column, interval));
  const ranks = signedRanks(column);
  const isTested = column.perOption && others.testsOptions;
  for (let p = 0; p < among.length; p++) {
    const product = among[p];
    const end = column.perOption ? index.optionStarts[product + 1] : product + 1;
    for (let row = column.perOption ? index.optionStarts[product] : product; row < end; row++) {
      const rank = ranks[row];
      if (rank < 0 || (isTested && !others.optionMeets(row))) continue;
      for (let i = 0; i < runs.length; i++) {
        if (rank < runs[i][0] || rank >= runs[i][1] || lastProduct[i] === product) continue;
        lastProduct[i] = product;
        counts[i]++;
      }
    }
  }
  return counts;
}

function countBars(column: NumberColumn, barOf: Uint8Array, among: Uint32Array, counts: Uint32Array): void {
  const ranks = signedRanks(column);
  for (let p = 0; p < among.length; p++) {
    const rank = ranks[among[p]];
    if (rank >= 0) counts[barOf[rank]]++;
  }
}

/** A product counts once for a bar, however many of its options are in it. */
function countBarsOnce(
  index: Index,
  column: NumberColumn,
  barOf: Uint8Array,
  others: Narrowing,
  among: Uint32Array,
  counts: Uint32Array,
): void {
  const ranks = signedRanks(column);
  const { optionStarts } = index;
  const lastProduct = new Int32Array(counts.length).fill(-1);
  const isTested = others.testsOptions;
  for (let p = 0; p < among.length; p++) {
    const product = among[p];
    const end = optionStarts[product + 1];
    for (let row = optionStarts[product]; row < end; row++) {
      const rank = ranks[row];
      if (rank < 0 || (isTested && !others.optionMeets(row))) continue;
      const bar = barOf[rank];
      if (lastProduct[bar] === product) continue;
      lastProduct[bar] = product;
      counts[bar]++;
    }
  }
}

/** How many of some products lack a number. */
function countMissing(index: Index, { ranks, perOption }: Numbers, others: Narrowing, among: Uint32Array): number {
  let count = 0;
  for (const product of among) {
    const end = perOption ? index.optionStarts[product + 1] : product + 1;
    for (let row = perOption ? index.optionStarts[product] : product; row < end; row++) {
      if (ranks[row] !== MISSING || (perOption && others.testsOptions && !others.optionMeets(row))) continue;
      count++;
      break;
    }
  }
  return count;
}
