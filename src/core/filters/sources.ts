import type { Bits } from "../index/bits";
import { eachBit } from "../index/bits";
import { numberColumn } from "../index/numbers";
import { fieldNumber } from "../index/read";
import { packStrings, sortTexts, stringsOf } from "../index/strings";
import type { Column, Index, KeyColumn } from "../index/types";
import type { Conditions } from "../prepare/conditions";
import { derivedColumn } from "../prepare/sorts";
import { optionStates } from "../prepare/stock";
import { lookUp } from "../records";
import type { Filter, FilterSource } from "../settings/filter";
import { AVAILABILITY } from "../settings/read-filter";
import type { Settings } from "../settings/schema";

/** The values of a filter, laid out as a column of the index is. */
export interface FilterColumn {
  column: Column;
  /** Number of the first field that it comes from; -1 where it comes from none. */
  field: number;
}

/** What availability is called; in the order in which it is offered. */
export const IN_STOCK_NAME = "In stock";
const AVAILABILITY_NAMES = [IN_STOCK_NAME, "To order", "Coming", "Sold out"];

/** One source, and for each of its values the name under which the filter offers it; null for one that it leaves out. */
interface Part {
  column: KeyColumn & { perOption: boolean };
  names: readonly (string | null)[];
}

const memory = new WeakMap<Index, Map<string, FilterColumn | null>>();

/**
 * The column of a filter's sources; null when none of them is there. Texts are merged value by value; of several numbers a
 * product's first one counts. A plain field is its own column.
 * @param at moment for selections of what is new.
 */
export function columnOfFilter(
  index: Index,
  filter: Pick<Filter, "from">,
  selections: Settings["selections"],
  conditions: Conditions,
  at: number,
): FilterColumn | null {
  const [first] = filter.from;
  if (filter.from.length === 1 && "field" in first && !first.prefix && !first.only && !first.without) {
    const field = fieldNumber(index, first.field);
    if (field >= 0) return { column: index.columns[field], field };
  }
  // Selections may change with the settings, and with the day.
  if (filter.from.some((source) => "selection" in source)) return mergedColumn(index, filter.from, selections, conditions, at);
  let known = memory.get(index);
  if (!known) {
    known = new Map();
    memory.set(index, known);
  }
  const key = JSON.stringify(filter.from);
  let made = known.get(key);
  if (made === undefined) {
    made = mergedColumn(index, filter.from, selections, conditions, at);
    known.set(key, made);
  }
  return made;
}

function mergedColumn(
  index: Index,
  from: readonly FilterSource[],
  selections: Settings["selections"],
  conditions: Conditions,
  at: number,
): FilterColumn | null {
  const parts: Part[] = [];
  const numbers: (Column & { kind: "numbers" })[] = [];
  let field = -1;
  for (const source of from) {
    if ("selection" in source) {
      const selection = lookUp(selections, source.selection);
      if (selection) parts.push(partOfProducts(index, selection.name, conditions.products({ selection: source.selection }, at)));
      continue;
    }
    const column = columnOfField(index, source.field);
    if (!column) continue;
    if (field < 0) field = fieldNumber(index, source.field);
    if (column.kind === "numbers") numbers.push(column);
    else parts.push({ column, names: namesOf(column, source) });
  }
  if (parts.length > 0) return { column: mergeKeys(index, parts), field };
  return numbers.length > 0 ? { column: mergeNumbers(index, numbers), field } : null;
}

function columnOfField(index: Index, key: string): Column | null {
  if (key === AVAILABILITY) return availabilityColumn(index);
  return derivedColumn(index, key) ?? index.columns[fieldNumber(index, key)] ?? null;
}

function namesOf({ keys }: KeyColumn, { prefix, only, without }: Extract<FilterSource, { field: string }>): (string | null)[] {
  const taken = only && new Set(only);
  const left = new Set(without);
  return stringsOf(keys).map((value) => {
    if (prefix && (!value.toLowerCase().startsWith(prefix.toLowerCase()) || value.length === prefix.length)) return null;
    const name = prefix ? capitalised(value.slice(prefix.length).trim()) : value;
    if ((taken && !taken.has(value) && !taken.has(name)) || left.has(value) || left.has(name)) return null;
    return name;
  });
}

function capitalised(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}

function availabilityColumn(index: Index): (KeyColumn & { perOption: boolean }) | null {
  const states = optionStates(index);
  if (!states) return null;
  const starts = Uint32Array.from({ length: states.length + 1 }, (_, row) => row);
  const sorted = sortTexts([...AVAILABILITY_NAMES]);
  // States are numbered in stock, sold out, to order, coming.
  const ordinalOf = [0, 3, 1, 2].map((name) => sorted.indexOf(AVAILABILITY_NAMES[name]));
  return {
    kind: "keys",
    keys: packStrings(sorted),
    starts,
    ordinals: Uint32Array.from(states, (state) => ordinalOf[state]),
    perOption: true,
  };
}

function partOfProducts(index: Index, name: string, products: Bits): Part {
  const starts = new Uint32Array(index.products + 1);
  eachBit(products, (product) => {
    starts[product + 1] = 1;
  });
  for (let row = 0; row < index.products; row++) starts[row + 1] += starts[row];
  const column: Part["column"] = {
    kind: "keys",
    keys: packStrings([name]),
    starts,
    ordinals: new Uint32Array(starts[index.products]),
    perOption: false,
  };
  return { column, names: [name] };
}

/** One column of several: a row has the values that it has in any of them, each once, ordered by code point. */
function mergeKeys(index: Index, parts: readonly Part[]): Column {
  const perOption = parts.some(({ column }) => column.perOption);
  const keys = sortTexts([...new Set(parts.flatMap(({ names }) => names.filter((name) => name !== null)))]);
  const places = new Map(keys.map((key, place) => [key, place]));
  const mapped = parts.map(({ column, names }) => ({
    column,
    ordinalOf: Int32Array.from(names, (name) => (name === null ? -1 : (places.get(name) ?? -1))),
  }));
  const rows = perOption ? index.options : index.products;
  const starts = new Uint32Array(rows + 1);
  const met: number[] = [];
  for (let row = 0; row < rows; row++) {
    const begin = met.length;
    for (const { column, ordinalOf } of mapped) {
      const own = column.perOption || !perOption ? row : index.optionProducts[row];
      for (let i = column.starts[own]; i < column.starts[own + 1]; i++) {
        const ordinal = ordinalOf[column.ordinals[i]];
        if (ordinal >= 0 && met.indexOf(ordinal, begin) < 0) met.push(ordinal);
      }
    }
    if (met.length - begin > 1) {
      const sorted = met.splice(begin).sort((a, b) => a - b);
      for (const ordinal of sorted) met.push(ordinal);
    }
    starts[row + 1] = met.length;
  }
  return { kind: "keys", keys: packStrings(keys), starts, ordinals: Uint32Array.from(met), perOption };
}

/** One column of several numbers: the first that a row has. */
function mergeNumbers(index: Index, columns: readonly (Column & { kind: "numbers" })[]): Column {
  if (columns.length === 1) return columns[0];
  const perOption = columns.some((column) => column.perOption);
  const merged = new Float64Array(perOption ? index.options : index.products).fill(Number.NaN);
  for (const { numbers, perOption: isOwn } of columns)
    for (let row = 0; row < merged.length; row++)
      if (Number.isNaN(merged[row])) merged[row] = numbers[isOwn || !perOption ? row : index.optionProducts[row]];
  return { ...numberColumn(merged), perOption };
}

const AVAILABILITY_LABELS: Record<string, Record<string, string>> = {
  "In stock": { de: "Auf Lager" },
  "To order": { de: "Bestellbar" },
  Coming: { de: "Bald da" },
  "Sold out": { de: "Ausverkauft" },
};

/** What a kind of availability is called in a language; other values are called what they are. */
export function availabilityLabel(value: string, { from }: Pick<Filter, "from">, language: string): string {
  const isOurs = from.some((source) => "field" in source && source.field === AVAILABILITY);
  return (isOurs && lookUp(lookUp(AVAILABILITY_LABELS, value), language.split("-")[0])) || value;
}
