import type { Interval } from "./intervals";
import type { PreparedFilter } from "./prepare";

export interface Bar {
  from: number;
  to: number;
  count: number;
}

/** What a filter would leave: by value, or for numbers by bar or step. */
export interface FilterCounts {
  prepared: PreparedFilter;
  /** By slot: place in the column's keys, or group where values are grouped; empty for numbers. */
  counts: Uint32Array;
  /** As `counts`, over the base set before any filter; worked out when asked for. */
  inBase: () => Uint32Array;
  /** For numbers; range and edges come from the base set, before any filter. */
  range: { min: number; max: number };
  /** Whether numbers lie beyond the range, which then belong to its ends. */
  beyond: { below: boolean; above: boolean };
  bars: Bar[];
  /** For numbers that are offered in steps. */
  steps: (Interval & { count: number })[];
  /** For prices: products without one, where that is said in words. */
  unpriced: number;
  /** Whether the base set holds more than one value, so that the filter could narrow it. */
  narrows: boolean;
}

const NONE = new Uint32Array(0);

export const NOTHING_COUNTED: Omit<FilterCounts, "prepared"> = {
  counts: NONE,
  inBase: () => NONE,
  range: { min: 0, max: 0 },
  beyond: { below: false, above: false },
  bars: [],
  steps: [],
  unpriced: 0,
  narrows: false,
};
