import { keysOf, numberOf } from "../catalogue/text-of";
import type { Field, Product, Value } from "../catalogue/types";
import { compareCodePoints, packStrings } from "./strings";
import type { Column, KeyColumn } from "./types";

/** The value of a field for one option: its own, else its product's. */
export function optionValue(field: Field, product: Product, option: number): Value | undefined {
  const own = product.options[option]?.values[field.key];
  return own ?? product.values[field.key];
}

/** Lays out one field for filtering and sorting. */
export function buildColumn(field: Field, products: readonly Product[]): Column {
  const rows = products.flatMap((product) => rowsOf(field, product));
  if (field.type === "number" || field.type === "date") {
    return { kind: "numbers", numbers: Float64Array.from(rows, (value) => numberOf(field, value)), perOption: field.perOption };
  }
  return { ...packKeys(rows.map((value) => columnKeys(field, value))), perOption: field.perOption };
}

/** The values of a field in the rows of a product: one, or one for each of its options. */
export function rowsOf(field: Field, product: Product): (Value | undefined)[] {
  if (!field.perOption) return [product.values[field.key]];
  const options = Math.max(1, product.options.length);
  return Array.from({ length: options }, (_, option) => optionValue(field, product, option));
}

/** The keys of a value in its column. Long texts have none: they are neither filtered nor sorted. */
export function columnKeys(field: Field, value: Value | undefined): string[] {
  return field.role === "description" ? [] : keysOf(field, value);
}

function packKeys(rows: readonly string[][]): KeyColumn {
  const distinct = [...new Set(rows.flat())].sort(compareCodePoints);
  const places = new Map(distinct.map((key, i) => [key, i]));
  const starts = new Uint32Array(rows.length + 1);
  for (let row = 0; row < rows.length; row++) starts[row + 1] = starts[row] + rows[row].length;
  const ordinals = new Uint32Array(starts[rows.length]);
  for (let row = 0; row < rows.length; row++) {
    for (let i = 0; i < rows[row].length; i++) ordinals[starts[row] + i] = places.get(rows[row][i]) ?? 0;
  }
  return { kind: "keys", keys: packStrings(distinct), starts, ordinals };
}
