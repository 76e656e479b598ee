import type { Column, Index } from "../types";

/**
 * The index with fields whose values options may have each for themselves from now on. No option has one yet, so each has its
 * product's: only the rows of their columns become those of options. What a fresh `build` of the same catalogue gives.
 * @param keys of fields that had one value for each product so far.
 */
export function withPerOption(index: Index, keys: ReadonlySet<string>): Index {
  const isMeant = (f: number) => keys.has(index.fields[f].key) && !index.fields[f].perOption;
  return {
    ...index,
    fields: index.fields.map((field, f) => (isMeant(f) ? { ...field, perOption: true } : field)),
    columns: index.columns.map((column, f) => (isMeant(f) ? spread(column, index.optionProducts) : column)),
  };
}

/** A column whose rows are products as one whose rows are their options. */
function spread(column: Column, products: Uint32Array): Column {
  if (column.kind === "numbers") {
    const numbers = new Float64Array(products.length);
    const ranks = new Uint32Array(products.length);
    for (let row = 0; row < products.length; row++) {
      numbers[row] = column.numbers[products[row]];
      ranks[row] = column.ranks[products[row]];
    }
    return { kind: "numbers", numbers, distinct: column.distinct, ranks, perOption: true };
  }
  const starts = new Uint32Array(products.length + 1);
  for (let row = 0; row < products.length; row++)
    starts[row + 1] = starts[row] + column.starts[products[row] + 1] - column.starts[products[row]];
  const ordinals = new Uint32Array(starts[products.length]);
  for (let row = 0, to = 0; row < products.length; row++)
    for (let from = column.starts[products[row]]; from < column.starts[products[row] + 1]; from++) ordinals[to++] = column.ordinals[from];
  return { kind: "keys", keys: column.keys, starts, ordinals, perOption: true };
}
