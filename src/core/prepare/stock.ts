import { isSoldOutState } from "../feed/stock-state";
import { type Bits, emptyBits, setBit } from "../index/bits";
import { stringsOf } from "../index/strings";
import type { Column, Index } from "../index/types";
import type { Place } from "../settings/parts";
import { PLACES } from "../settings/places";
import type { Settings } from "../settings/schema";

/** What can be had. A catalogue without a stock field has everything. */
interface StockStates {
  /** By product: 0 in stock, else one of the states below. */
  states: Uint8Array;
  /** 1 for each option that can be bought, to order included. */
  available: Uint8Array;
  /** By option, as `states`; null where the catalogue says nothing of stock. */
  ofOptions: Uint8Array | null;
}

export const SOLD_OUT = 1;
export const TO_ORDER = 2;
export const COMING = 3;

export interface PreparedStock extends StockStates {
  /** 1 for each product that cannot be bought now: sold out, or coming on a date. */
  soldOut: Uint8Array;
  /** By place: 1 for products that stand behind what can be had. */
  behind: Record<Place, Uint8Array>;
  /** By place: products that come only when asked for by number or title; null where there are none. */
  askedFor: Record<Place, Bits | null>;
}

const memory = new WeakMap<Index, StockStates>();

/** The state of each product. */
export const stockStates = (index: Index): Uint8Array => known(index).states;

/** The state of each option; null where the catalogue says nothing of stock. */
export const optionStates = (index: Index): Uint8Array | null => known(index).ofOptions;

function known(index: Index): StockStates {
  let stock = memory.get(index);
  if (!stock) {
    stock = readStock(index);
    memory.set(index, stock);
  }
  return stock;
}

export function prepareStock(index: Index, ranking: Settings["ranking"]): PreparedStock {
  const stock = known(index);
  const { states } = stock;
  const rules = (place: Place) => ["mixed", ranking.stock[place], ranking.toOrder[place], ranking.coming[place]];
  const marks = (place: Place, wanted: readonly string[]) => {
    const own = rules(place).map((rule) => (wanted.includes(rule) ? 1 : 0));
    return states.map((state) => own[state]);
  };
  const byPlace = <T>(make: (place: Place) => T) => Object.fromEntries(PLACES.map((place) => [place, make(place)])) as Record<Place, T>;
  return {
    ...stock,
    soldOut: states.map((state) => (state === SOLD_OUT || state === COMING ? 1 : 0)),
    // One that comes only when asked for comes after where it comes.
    behind: byPlace((place) => marks(place, ["behind", "asked-for"])),
    askedFor: byPlace((place) => (rules(place).includes("asked-for") ? bitsOf(marks(place, ["asked-for"])) : null)),
  };
}

function bitsOf(marks: Uint8Array): Bits {
  const bits = emptyBits(marks.length);
  for (let product = 0; product < marks.length; product++) if (marks[product]) setBit(bits, product);
  return bits;
}

/** An option is to be had when its stock is above zero; without a figure, and at zero, its stock state decides. */
function readStock(index: Index): StockStates {
  const figures = index.columns[index.fields.findIndex((field) => field.role === "stock")];
  const said = index.columns[index.fields.findIndex((field) => field.role === "stockState")];
  const states = new Uint8Array(index.products);
  const available = new Uint8Array(index.options).fill(1);
  if (figures?.kind !== "numbers" && said?.kind !== "keys") return { states, available, ofOptions: null };
  const ofOptions = new Uint8Array(index.options);
  states.fill(SOLD_OUT);
  const meanings = said?.kind === "keys" ? stringsOf(said.keys).map(meaningOf) : [];
  for (let option = 0; option < index.options; option++) {
    const product = index.optionProducts[option];
    // A product that says nothing of its stock counts as one that can be had.
    const stock = figures?.kind === "numbers" ? figures.numbers[figures.perOption ? option : product] : Number.NaN;
    const state = stateOf(stock, meaningAt(said, said?.perOption ? option : product, meanings));
    ofOptions[option] = state;
    available[option] = state === 0 || state === TO_ORDER ? 1 : 0;
    states[product] = better(states[product], state);
  }
  return { states, available, ofOptions };
}

/** What a stock state says; null where it says that a product is in stock, or nothing. */
function meaningOf(state: string): number | null {
  if (isSoldOutState(state)) return SOLD_OUT;
  if (state === "To order") return TO_ORDER;
  return state.startsWith("Coming on") ? COMING : null;
}

function meaningAt(column: Column | undefined, row: number, meanings: readonly (number | null)[]): number | null {
  return column?.kind === "keys" && column.starts[row + 1] > column.starts[row] ? meanings[column.ordinals[column.starts[row]]] : null;
}

function stateOf(stock: number, meaning: number | null): number {
  if (stock > 0) return 0;
  if (Number.isNaN(stock)) return meaning ?? 0;
  return meaning === TO_ORDER || meaning === COMING ? meaning : SOLD_OUT;
}

/** The best that one of a product's options offers. */
function better(a: number, b: number): number {
  const order = [0, TO_ORDER, COMING, SOLD_OUT];
  return order.indexOf(a) <= order.indexOf(b) ? a : b;
}
