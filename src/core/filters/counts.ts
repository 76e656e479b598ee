import type { PreparedFilter } from "./prepare";

export interface Bar {
  from: number;
  to: number;
  count: number;
}

/** What a filter would leave: by value, or for numbers by bar. */
export interface FilterCounts {
  prepared: PreparedFilter;
  /** By slot: place in the column's keys, or group where values are grouped; empty for numbers. */
  counts: Uint32Array;
  /** For numbers; range and edges come from the base set, before any filter. */
  range: { min: number; max: number };
  bars: Bar[];
  /** Whether the base set holds more than one value, so that the filter could narrow it. */
  narrows: boolean;
}

export const NO_RANGE = { min: 0, max: 0 };
