import type { Index } from "../index/types";

/** What can be had. A catalogue without a stock field has everything. */
export interface PreparedStock {
  /** 1 for each product of which no option is in stock. */
  soldOut: Uint8Array;
  /** 1 for each option that is in stock. */
  available: Uint8Array;
}

export function prepareStock(index: Index): PreparedStock {
  const f = index.fields.findIndex((field) => field.role === "stock");
  const soldOut = new Uint8Array(index.products);
  const available = new Uint8Array(index.options).fill(1);
  if (f < 0) return { soldOut, available };
  const column = index.columns[f];
  if (column.kind !== "numbers") return { soldOut, available };
  soldOut.fill(1);
  for (let option = 0; option < index.options; option++) {
    const product = index.optionProducts[option];
    // A product that says nothing of its stock counts as one that can be had.
    const stock = column.numbers[column.perOption ? option : product];
    available[option] = stock <= 0 ? 0 : 1;
    if (available[option]) soldOut[product] = 0;
  }
  return { soldOut, available };
}
