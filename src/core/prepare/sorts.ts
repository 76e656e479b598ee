import { fieldNumber } from "../index/read";
import type { Index } from "../index/types";
import { inRankOrder } from "../settings/ranked";
import type { Settings } from "../settings/schema";

/** A field to order products by. Smaller values stand first; NaN (missing) stands last. */
export interface PreparedSort {
  field: string;
  direction: "asc" | "desc";
  values: Float64Array;
  /** The value as a number or text, for the explanation. */
  shown: (product: number) => number | null;
}

export function prepareTies(index: Index, settings: Settings): PreparedSort[] {
  return inRankOrder(settings.ranking.ties).flatMap(([, tie]) => {
    const f = fieldNumber(index, tie.field);
    return f < 0 ? [] : [prepareSort(index, f, tie.direction)];
  });
}

/** Lays a column out for ordering: numbers as they are, texts by their place in the alphabet; of several options the one that stands first counts. */
export function prepareSort(index: Index, f: number, direction: "asc" | "desc"): PreparedSort {
  const column = index.columns[f];
  const sign = direction === "asc" ? 1 : -1;
  const values = new Float64Array(index.products).fill(Number.NaN);
  const rows = column.perOption ? index.options : index.products;
  for (let row = 0; row < rows; row++) {
    const product = column.perOption ? index.optionProducts[row] : row;
    const raw = column.kind === "numbers" ? column.numbers[row] : firstOrdinal(column.starts, column.ordinals, row);
    const value = raw * sign;
    if (Number.isNaN(value)) continue;
    if (!(values[product] <= value)) values[product] = value;
  }
  return { field: index.fields[f].key, direction, values, shown: (product) => shownNumber(values[product] * sign) };
}

function firstOrdinal(starts: Uint32Array, ordinals: Uint32Array, row: number): number {
  return starts[row + 1] > starts[row] ? ordinals[starts[row]] : Number.NaN;
}

function shownNumber(value: number): number | null {
  return Number.isNaN(value) ? null : value;
}
