import { type Bits, listBits } from "../index/bits";
import { countStrings } from "../index/strings";
import type { Index, KeyColumn } from "../index/types";
import { countNumbers } from "./count-numbers";
import { type CountPopulation, countPopulation, populationOf } from "./count-population";
import { type FilterCounts, NOTHING_COUNTED } from "./counts";
import { Narrowing } from "./narrow";
import type { PreparedFilter, Selection } from "./prepare";

/**
 * Counts every filter exactly: a value's count is the number of products there would be if the filter's selection were
 * that value alone. So each filter is counted over the products that meet all the others; filters without a selection
 * share one pass over the narrowed set.
 * @param inBase the products of the base set, for whoever has them listed.
 */
export function countFilters(
  index: Index,
  filters: readonly PreparedFilter[],
  selections: readonly Selection[],
  base: Bits,
  inBase = listBits(base),
): FilterCounts[] {
  const all = new Narrowing(index, selections);
  const whole = populationOf(index, base, inBase);
  const narrowed = selections.length === 0 ? whole : populationOf(index, all.products(base));
  return filters.map((prepared) => {
    const isChosen = selections.some((selection) => selection.prepared === prepared);
    const others = isChosen
      ? new Narrowing(
          index,
          selections.filter((selection) => selection.prepared !== prepared),
        )
      : all;
    const among = isChosen ? populationOf(index, others.products(base)) : narrowed;
    const { column } = prepared;
    return column.kind === "numbers"
      ? countNumbers(index, prepared, column, others, among, whole)
      : countKeys(index, prepared, column, others, among, whole);
  });
}

function countKeys(
  index: Index,
  prepared: PreparedFilter,
  column: KeyColumn & { perOption: boolean },
  others: Narrowing,
  among: CountPopulation,
  whole: CountPopulation,
): FilterCounts {
  const { slots } = prepared;
  const size = slots ? slots.entries.length : countStrings(column.keys);
  // A product's values differ, so that where each on its own it is counted as it stands.
  const over = (population: CountPopulation, among: Narrowing) =>
    column.perOption || slots
      ? countOnce(index, column, slots, among, population.members, new Uint32Array(size))
      : countPopulation(column, size, population, (products, into, sign) => countPlain(column, products, into, sign));
  const counts = over(among, others);
  const isBase = among === whole && !others.testsOptions;
  return {
    ...NOTHING_COUNTED,
    prepared,
    counts,
    inBase: () => (isBase ? counts : over(whole, new Narrowing(index, []))),
    narrows: narrowsAny(index, column, slots, whole.members),
  };
}

function countPlain({ starts, ordinals }: KeyColumn, products: Uint32Array, counts: Uint32Array, sign: number): void {
  for (let p = 0; p < products.length; p++) {
    const end = starts[products[p] + 1];
    for (let i = starts[products[p]]; i < end; i++) counts[ordinals[i]] += sign;
  }
}

/** A product counts once for a value or group, however many of its options or values have it. */
function countOnce(
  index: Index,
  { starts, ordinals, perOption }: KeyColumn & { perOption: boolean },
  slots: PreparedFilter["slots"],
  others: Narrowing,
  among: Uint32Array,
  counts: Uint32Array,
): Uint32Array {
  const lastProduct = new Int32Array(counts.length).fill(-1);
  const isTested = perOption && others.testsOptions;
  for (let p = 0; p < among.length; p++) {
    const product = among[p];
    const end = perOption ? index.optionStarts[product + 1] : product + 1;
    for (let row = perOption ? index.optionStarts[product] : product; row < end; row++) {
      if (isTested && !others.optionMeets(row)) continue;
      for (let i = starts[row]; i < starts[row + 1]; i++) {
        const first = slots ? slots.starts[ordinals[i]] : ordinals[i];
        const last = slots ? slots.starts[ordinals[i] + 1] : first + 1;
        for (let s = first; s < last; s++) {
          const slot = slots ? slots.slots[s] : s;
          if (lastProduct[slot] === product) continue;
          lastProduct[slot] = product;
          counts[slot]++;
        }
      }
    }
  }
  return counts;
}

/** Whether a choice leaves fewer of some products: they hold more than one value, or values of more than one group, or some hold none. */
function narrowsAny(
  index: Index,
  { perOption, starts, ordinals }: KeyColumn & { perOption: boolean },
  slots: PreparedFilter["slots"],
  products: Uint32Array,
): boolean {
  let first = -1;
  let isMissing = false;
  for (let p = 0; p < products.length; p++) {
    const product = products[p];
    const from = perOption ? starts[index.optionStarts[product]] : starts[product];
    const to = perOption ? starts[index.optionStarts[product + 1]] : starts[product + 1];
    for (let i = from; i < to; i++) {
      const slot = slots ? slots.slots[slots.starts[ordinals[i]]] : ordinals[i];
      if (first < 0) first = slot;
      else if (slot !== first) return true;
    }
    isMissing ||= from === to;
    if (isMissing && first >= 0) return true;
  }
  return false;
}
