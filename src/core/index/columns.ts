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
  const rows: (Value | undefined)[] = [];
  for (const product of products) {
    if (!field.perOption) {
      rows.push(product.values[field.key]);
      continue;
    }
    const options = Math.max(1, product.options.length);
    for (let option = 0; option < options; option++) rows.push(optionValue(field, product, option));
  }
  if (field.type === "number" || field.type === "date") {
    return { kind: "numbers", numbers: Float64Array.from(rows, (value) => numberOf(field, value)), perOption: field.perOption };
  }
  // Long texts are neither filtered nor sorted.
  const keys = field.role === "description" ? rows.map(() => []) : rows.map((value) => keysOf(field, value));
  return { ...packKeys(keys), perOption: field.perOption };
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
