import { isSoldOutState } from "../feed/stock-state";
import { stringsOf } from "../index/strings";
import type { Column, Index } from "../index/types";

/** What can be had. A catalogue without a stock field has everything. */
export interface PreparedStock {
  /** 1 for each product of which no option is in stock. */
  soldOut: Uint8Array;
  /** 1 for each option that is in stock. */
  available: Uint8Array;
}

/** An option is to be had when its stock is above zero; without a figure, and to order at zero, its stock state decides. */
export function prepareStock(index: Index): PreparedStock {
  const figures = index.columns[index.fields.findIndex((field) => field.role === "stock")];
  const states = index.columns[index.fields.findIndex((field) => field.role === "stockState")];
  const soldOut = new Uint8Array(index.products);
  const available = new Uint8Array(index.options).fill(1);
  if (figures?.kind !== "numbers" && states?.kind !== "keys") return { soldOut, available };
  const meanings = states?.kind === "keys" ? stringsOf(states.keys).map(isSoldOutState) : [];
  soldOut.fill(1);
  for (let option = 0; option < index.options; option++) {
    const product = index.optionProducts[option];
    // A product that says nothing of its stock counts as one that can be had.
    const stock = figures?.kind === "numbers" ? figures.numbers[figures.perOption ? option : product] : Number.NaN;
    const row = states?.perOption ? option : product;
    const state =
      states?.kind === "keys" && states.starts[row + 1] > states.starts[row] ? meanings[states.ordinals[states.starts[row]]] : null;
    const isOrderable = state === false && stock <= 0 && !Number.isNaN(stock) && orderable(states, row);
    available[option] = (stock <= 0 && !isOrderable) || (Number.isNaN(stock) && state === true) ? 0 : 1;
    if (available[option]) soldOut[product] = 0;
  }
  return { soldOut, available };
}

/** Whether a state says that a product without stock can still be ordered. */
function orderable(states: Column | undefined, row: number): boolean {
  return states?.kind === "keys" && stringsOf(states.keys)[states.ordinals[states.starts[row]]] === "To order";
}
