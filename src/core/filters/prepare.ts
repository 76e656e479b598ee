import { countStrings, findKey } from "../index/strings";
import { type Column, type Index, MISSING } from "../index/types";
import type { Searcher } from "../prepare/searcher";
import type { Filter } from "../settings/filter";
import type { FilterChoice } from "../settings/parts";
import { inRankOrder } from "../settings/ranked";
import { fieldsOfFilter } from "../settings/read-filter";
import { nameOfInterval, ranksOf, readInterval } from "./intervals";
import { prepareSlots, type Slots } from "./slots";
import { columnOfFilter } from "./sources";
import { UNPRICED, withoutZeros } from "./unpriced";

/** A filter with its column. */
export interface PreparedFilter {
  id: string;
  filter: Filter;
  /** Number of the first field that it comes from; -1 for what no field holds. */
  field: number;
  column: Column;
  /** What shoppers choose among where values are grouped or changed by hand; null where each value stands for itself. */
  slots: Slots | null;
  /** For numbers: whether shoppers choose among steps, rather than ends of a range. */
  inSteps: boolean;
  /** For prices: what those without one are called, by language; null where nothing is said of them. */
  unpriced: Label | null;
}

const RANGES: readonly Filter["display"][] = ["slider", "histogram", "fields"];

/** The filters that are on and have a source, in the order shoppers see. */
export function prepareFilters(
  { index, settings, conditions }: Pick<Searcher, "index" | "settings" | "conditions">,
  at: number,
): PreparedFilter[] {
  const on = inRankOrder(settings.filters).filter(([, filter]) => filter.on);
  const replaced = new Set(on.flatMap(([, filter]) => (filter.replaces && filter.from.length > 1 ? fieldsOfFilter(filter) : [])));
  return on.flatMap(([id, filter]) => {
    const keys = fieldsOfFilter(filter);
    if (filter.from.length === 1 && replaced.has(keys[0])) return [];
    const made = columnOfFilter(index, filter, settings.selections, conditions, at);
    if (!made) return [];
    const { field } = made;
    const unpriced = index.fields[field]?.role === "price" && made.column.kind === "numbers" ? labelOfNone(settings) : null;
    const column = unpriced && made.column.kind === "numbers" ? withoutZeros(made.column) : made.column;
    const slots = column.kind === "keys" ? prepareSlots(keys, column, settings, filter.values, index.locale) : null;
    return [{ id, filter, field, column, slots, inSteps: column.kind === "numbers" && !RANGES.includes(filter.display), unpriced }];
  });
}

type Label = Readonly<Record<string, string>>;

function labelOfNone({ page }: Pick<Searcher["settings"], "page">): Label | null {
  const { none } = page.prices;
  return Object.keys(none).length > 0 ? none : null;
}

/** A shopper's choice in one filter, as a test of rows of its column. */
export interface Selection {
  prepared: PreparedFilter;
  /** 1 for each of the column's keys, or distinct numbers, that is chosen; null for a range. */
  wanted: Uint8Array | null;
  /** What was chosen, by slot; the same as the ordinals where values are not grouped. */
  chosen: Set<number>;
  /** Steps that were chosen, by their names. */
  steps: Set<string>;
  min: number | null;
  max: number | null;
  /** Whether those without a price are chosen. */
  unpriced: boolean;
  /** Whether a row of the column meets the selection. */
  meets: (row: number) => boolean;
}

/** Turns a request's filters into selections. What is unknown is listed, not an error: shared addresses outlive settings. */
export function readSelections(
  prepared: readonly PreparedFilter[],
  choices: Readonly<Record<string, FilterChoice>>,
): { selections: Selection[]; ignored: string[] } {
  const selections: Selection[] = [];
  const ignored: string[] = [];
  for (const [id, choice] of Object.entries(choices)) {
    const filter = prepared.find((entry) => entry.id === id);
    if (!filter) {
      ignored.push(id);
      continue;
    }
    const read = "any" in choice ? readValues(filter, choice.any, ignored) : readRange(filter, choice, ignored);
    if (read) selections.push({ ...read, meets: rowTest(read) });
  }
  return { selections, ignored };
}

type Read = Omit<Selection, "meets">;

function readValues(prepared: PreparedFilter, values: readonly string[], ignored: string[]): Read | null {
  const { id, column, slots } = prepared;
  const nothing: Read = { prepared, wanted: null, chosen: new Set(), steps: new Set(), min: null, max: null, unpriced: false };
  if (column.kind === "numbers") {
    const wanted = new Uint8Array(column.distinct.length);
    const steps = new Set<string>();
    const unpriced = prepared.unpriced !== null && values.includes(UNPRICED);
    for (const value of values) {
      if (unpriced && value === UNPRICED) continue;
      const interval = readInterval(value);
      if (!interval) {
        ignored.push(`${id}: ${value}`);
        continue;
      }
      steps.add(nameOfInterval(interval));
      wanted.fill(1, ...ranksOf(column, interval));
    }
    return steps.size > 0 || unpriced ? { ...nothing, wanted, steps, unpriced } : null;
  }
  const chosen = new Set<number>();
  for (const value of values) {
    const slot = slots ? (slots.byValue.get(value) ?? -1) : findKey(column.keys, value);
    if (slot < 0 || slots?.entries[slot].isHidden) ignored.push(`${id}: ${value}`);
    else chosen.add(slot);
  }
  const wanted = new Uint8Array(countStrings(column.keys));
  for (const slot of chosen) for (const ordinal of slots ? slots.entries[slot].ordinals : [slot]) wanted[ordinal] = 1;
  return chosen.size > 0 ? { ...nothing, wanted, chosen } : null;
}

function readRange(prepared: PreparedFilter, { min, max }: { min?: number | null; max?: number | null }, ignored: string[]): Read | null {
  if (prepared.column.kind !== "numbers") {
    ignored.push(prepared.id);
    return null;
  }
  if (min == null && max == null) return null;
  return { prepared, wanted: null, chosen: new Set(), steps: new Set(), min: min ?? null, max: max ?? null, unpriced: false };
}

function rowTest({ prepared: { column }, wanted, min, max, unpriced }: Read): (row: number) => boolean {
  if (column.kind === "numbers") {
    const { numbers, ranks } = column;
    if (wanted && unpriced) return (row) => wanted[ranks[row]] === 1 || ranks[row] === MISSING;
    if (wanted) return (row) => wanted[ranks[row]] === 1;
    const [least, most] = [min ?? -Infinity, max ?? Infinity];
    return (row) => numbers[row] >= least && numbers[row] <= most;
  }
  const { starts, ordinals } = column;
  return (row) => {
    const end = starts[row + 1];
    for (let i = starts[row]; i < end; i++) if (wanted?.[ordinals[i]] === 1) return true;
    return false;
  };
}

interface Remembered {
  index: Index;
  groups: Searcher["settings"]["groups"];
  conditions: Searcher["conditions"];
  prices: Searcher["settings"]["page"]["prices"];
  /** The day, where selections of what is new are among the sources; 0 where it does not matter. */
  day: number;
  filters: PreparedFilter[];
}

const memory = new WeakMap<Searcher["settings"]["filters"], Remembered>();
const DAY = 86_400_000;

/** The prepared filters of a searcher, made once for each state of the settings. */
export function filtersOf(searcher: Searcher, at: number): PreparedFilter[] {
  const { index, settings, conditions } = searcher;
  const { groups, filters } = settings;
  const { prices } = settings.page;
  const isDated = Object.values(filters).some(({ from }) => from.some((source) => "selection" in source));
  const day = isDated ? Math.floor(at / DAY) : 0;
  const known = memory.get(filters);
  if (
    known &&
    known.index === index &&
    known.groups === groups &&
    known.prices === prices &&
    known.day === day &&
    (!isDated || known.conditions === conditions)
  )
    return known.filters;
  const made = prepareFilters(searcher, at);
  memory.set(filters, { index, groups, prices, conditions, day, filters: made });
  return made;
}
