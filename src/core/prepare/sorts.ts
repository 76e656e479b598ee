import { listPriceOf } from "../catalogue/types";
import { numberColumn } from "../index/numbers";
import { fieldNumber } from "../index/read";
import type { Index, NumberColumn } from "../index/types";
import { lookUp } from "../records";
import { inRankOrder } from "../settings/ranked";
import type { Settings } from "../settings/schema";
import { stockStates } from "./stock";

/** A field to order products by. Smaller values come first; NaN (missing) comes last. */
export interface PreparedSort {
  field: string;
  direction: "asc" | "desc";
  values: Float64Array;
  /** The value as a number or text, for the explanation. */
  shown: (product: number) => number | null;
}

/** What ties can go by beside fields. */
export const IN_STOCK = ":in-stock";
export const DISCOUNT = ":discount";

/** @param options by product, the one that stands for it: of several prices its own counts. */
export function prepareTies(index: Index, settings: Settings, options: Uint32Array): PreparedSort[] {
  return inRankOrder(settings.ranking.ties).flatMap(([, tie]) => {
    const f = fieldNumber(index, tie.field);
    if (index.fields[f]?.role === "rating") return [{ ...signed(steadyRatings(index, f), tie.direction), field: tie.field }];
    const numbers = derivedNumbers(index, tie.field) ?? numbersIn(index.columns[f]);
    if (numbers) return [{ ...signed(ofProducts(numbers, options), tie.direction), field: tie.field }];
    return f < 0 ? [] : [prepareSort(index, f, tie.direction)];
  });
}

/** Numbers by row: by option, or by product. */
interface Numbers {
  numbers: Float64Array;
  perOption: boolean;
}

const numbersIn = (column: Index["columns"][number] | undefined): Numbers | null => (column?.kind === "numbers" ? column : null);
const ofProducts = ({ numbers, perOption }: Numbers, options: Uint32Array): Float64Array =>
  perOption ? Float64Array.from(options, (option) => numbers[option]) : numbers;

/** What ties can go by that no field holds, worked out from those that do; null where the catalogue has nothing to work with. */
const DERIVED: Record<string, (index: Index) => Numbers | null> = {
  [IN_STOCK]: (index) => {
    if (!index.fields.some(({ role }) => role === "stock" || role === "stockState")) return null;
    return { numbers: Float64Array.from(stockStates(index), (state) => (state === 0 ? 1 : 0)), perOption: false };
  },
  [DISCOUNT]: (index) => {
    const price = numbersIn(index.columns[index.fields.findIndex(({ role }) => role === "price")]);
    const list = listPriceOf(index.fields);
    const before = list && numbersIn(index.columns[index.fields.indexOf(list)]);
    if (!price || !before) return null;
    const perOption = price.perOption || before.perOption;
    const at = ({ numbers, perOption: own }: Numbers, row: number) => numbers[own || !perOption ? row : index.optionProducts[row]];
    const share = (now: number, full: number) => (now > 0 && now < full ? 1 - now / full : 0);
    const rows = perOption ? index.options : index.products;
    return { numbers: Float64Array.from({ length: rows }, (_, row) => share(at(price, row), at(before, row))), perOption };
  },
};

/** Numbers that no field holds, by their name; null where there is nothing to work them out from. */
export function derivedNumbers(index: Index, name: string): Numbers | null {
  return lookUp(DERIVED, name)?.(index) ?? null;
}

/** Numbers that no field holds as a column of whole per cent, as shops say them; none where there are none. */
export function derivedColumn(index: Index, name: string): (NumberColumn & { perOption: boolean }) | null {
  const derived = derivedNumbers(index, name);
  if (!derived) return null;
  const { numbers, perOption } = derived;
  return { ...numberColumn(numbers.map((share) => (share > 0 ? Math.round(share * 100) : Number.NaN))), perOption };
}

/** Number of ratings that count as much as the mean of all: few votes say little. */
const STEADY = 10;

/**
 * Ratings pulled towards the mean where there are few: (n · r + m · mean) ÷ (n + m), the Bayesian average with m = 10.
 * Without a count every rating counts as it is.
 */
function steadyRatings(index: Index, f: number): Float64Array {
  const ratings = plainNumbers(index, f);
  const counts = numbersOf(index, "ratingCount");
  if (!counts) return ratings;
  let sum = 0;
  let votes = 0;
  ratings.forEach((rating, product) => {
    if (Number.isNaN(rating) || !(counts[product] > 0)) return;
    sum += rating * counts[product];
    votes += counts[product];
  });
  const mean = votes > 0 ? sum / votes : Number.NaN;
  return ratings.map((rating, product) => {
    const count = Number.isNaN(counts[product]) ? 0 : counts[product];
    return (rating * count + mean * STEADY) / (count + STEADY);
  });
}

function numbersOf(index: Index, role: string): Float64Array | null {
  const f = index.fields.findIndex((field) => field.role === role);
  return f < 0 ? null : plainNumbers(index, f);
}

/** The least number of each product. */
function plainNumbers(index: Index, f: number): Float64Array {
  return prepareSort(index, f, "asc").values;
}

function signed(values: Float64Array, direction: "asc" | "desc"): Omit<PreparedSort, "field"> {
  const sign = direction === "asc" ? 1 : -1;
  return { direction, values: sign > 0 ? values : values.map((value) => -value), shown: (product) => shownNumber(values[product]) };
}

/** Lays a column out for ordering: numbers as they are, texts by their place in the alphabet; of several options the one that comes first counts. */
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
