import { type Field, LIST_PRICE } from "../catalogue/types";
import { withField } from "../index/amend/amend";
import { numberColumn } from "../index/numbers";
import { stringsOf } from "../index/strings";
import type { Column, Index } from "../index/types";
import { momentAt } from "../settings/local-time";

/** An index whose prices are what a shopper pays, for as long as no sale price begins or ends. */
export interface CurrentPrices {
  index: Index;
  /** First moment for which they hold, in milliseconds since 1970; -Infinity without one. */
  from: number;
  /** Moment from which they do not hold any more; Infinity without one. */
  until: number;
}

/** The days from and until which a row's sale price holds, as moments: half open. */
type Span = readonly [from: number, until: number];
const ALWAYS: Span = [-Infinity, Infinity];
const MINUTES_OF_DAY = 24 * 60;
const DAY = 86_400_000;

interface Prices {
  price: number;
  /** By row, what the feed says. */
  list: Float64Array;
  sale: Float64Array;
  spans: readonly Span[] | null;
  perOption: boolean;
  /** Moments at which a sale price begins or ends, ascending. */
  turns: readonly number[];
  /** The indexes of moments that were asked for, by the turn from which they hold. */
  made: Map<number, CurrentPrices>;
}

const MOST_KEPT = 4;

const memory = new WeakMap<Index, Map<string, Prices | null>>();

/**
 * Lays what a shopper pays at a moment over an index: where a sale price holds it is the price, and what the feed calls the price stays
 * as the list price. An index without sale prices is given back as it is.
 * @param at in milliseconds since 1970 UTC. @param timeZone the zone whose days the dates of sales are.
 */
export function withCurrentPrices(laid: Index, at: number, timeZone: string): CurrentPrices {
  const prices = pricesOf(laid, timeZone);
  if (!prices) return { index: laid, from: -Infinity, until: Infinity };
  const { turns, made } = prices;
  const from = turns.findLast((turn) => turn <= at) ?? -Infinity;
  let current = made.get(from);
  if (!current) {
    current = { index: layPrices(laid, prices, at), from, until: turns.find((turn) => turn > at) ?? Infinity };
    if (made.size >= MOST_KEPT) made.delete([...made.keys()][0]);
    made.set(from, current);
  }
  return current;
}

function layPrices(laid: Index, { price, list, sale, spans, perOption }: Prices, at: number): Index {
  const now = list.map((full, row) => {
    const [from, until] = spans?.[row] ?? ALWAYS;
    return isLower(sale[row], full) && from <= at && at < until ? sale[row] : full;
  });
  const { unit, shown } = laid.fields[price];
  const wide = withField(laid, { key: LIST_PRICE, label: "List price", type: "number", role: "listPrice", unit, perOption, shown });
  const columns = new Map([
    [price, { ...numberColumn(now), perOption }],
    [laid.fields.length, { ...numberColumn(list), perOption }],
  ]);
  return {
    ...wide,
    fields: wide.fields.map((field, f) => (f === price ? { ...field, perOption } : field)),
    columns: wide.columns.map((column, f) => columns.get(f) ?? column),
    current: { price, list: laid.fields.length },
  };
}

const isLower = (sale: number, full: number) => sale > 0 && (Number.isNaN(full) || sale < full);

function pricesOf(laid: Index, timeZone: string): Prices | null {
  const known = memory.get(laid) ?? new Map<string, Prices | null>();
  memory.set(laid, known);
  const prices = known.get(timeZone);
  if (prices !== undefined) return prices;
  const read = readPrices(laid, timeZone);
  known.set(timeZone, read);
  return read;
}

function readPrices(laid: Index, timeZone: string): Prices | null {
  const numberOf = (role: Field["role"]) => laid.fields.findIndex((field) => field.role === role);
  const columnOf = (role: Field["role"]): Column | undefined => laid.columns[numberOf(role)];
  const price = numberOf("price");
  const full = laid.columns[price];
  const sale = columnOf("salePrice");
  // A price that shoppers may not see is none that they pay.
  if (full?.kind !== "numbers" || sale?.kind !== "numbers" || !laid.fields[numberOf("salePrice")].shown) return null;
  const dates = [columnOf("saleFrom"), columnOf("saleUntil"), columnOf("saleDates")];
  const perOption = [full, sale, ...dates].some((column) => column?.perOption);
  const rows = perOption ? laid.options : laid.products;
  const rowIn = ({ perOption: own }: Column, row: number) => (own || !perOption ? row : laid.optionProducts[row]);
  const spread = (column: Column & { kind: "numbers" }) =>
    Float64Array.from({ length: rows }, (_, row) => column.numbers[rowIn(column, row)]);
  const list = spread(full);
  const sales = spread(sale);
  const spanOf = spansIn(dates, rowIn, timeZone);
  const spans = spanOf && Array.from({ length: rows }, (_, row) => spanOf(row));
  const turns = new Set<number>();
  if (spans) for (let row = 0; row < rows; row++) if (isLower(sales[row], list[row])) for (const turn of spans[row]) turns.add(turn);
  return { price, list, sale: sales, spans, perOption, turns: [...turns].filter(Number.isFinite).sort((a, b) => a - b), made: new Map() };
}

/** When the sale price of a row holds; null where no dates are said of any. */
function spansIn(
  [froms, untils, intervals]: readonly (Column | undefined)[],
  rowIn: (column: Column, row: number) => number,
  timeZone: string,
): ((row: number) => Span) | null {
  if (!froms && !untils && !intervals) return null;
  const clock = clockOf(timeZone);
  const dateIn = (column: Column | undefined, row: number) =>
    column?.kind === "numbers" ? column.numbers[rowIn(column, row)] : Number.NaN;
  const read = intervals?.kind === "keys" ? stringsOf(intervals.keys).map((text) => readInterval(text, clock)) : [];
  return (row) => {
    const from = clock.startOf(dateIn(froms, row));
    const until = clock.endOf(dateIn(untils, row));
    if (intervals?.kind !== "keys") return [from, until];
    const own = rowIn(intervals, row);
    const [start, end] = intervals.starts[own + 1] > intervals.starts[own] ? read[intervals.ordinals[intervals.starts[own]]] : ALWAYS;
    return [Math.max(from, start), Math.min(until, end)];
  };
}

/** An interval as ISO 8601 writes it, each end a date or a moment; what cannot be read says nothing of when a price holds. */
function readInterval(text: string, clock: Clock): Span {
  const ends = text.split("/").map((part) => Date.parse(part.trim()));
  return ends.length === 2 ? [clock.startOf(ends[0]), clock.endOf(ends[1])] : ALWAYS;
}

interface Clock {
  startOf: (date: number) => number;
  endOf: (date: number) => number;
}

/** A date without a time of day is its whole day, by the clock of a zone; one that is missing or unreadable sets no bound. */
function clockOf(timeZone: string): Clock {
  const known = new Map<number, number>();
  const midnight = (date: number, minutes: number) => {
    const key = date + minutes;
    const day = new Date(date);
    const moment =
      known.get(key) ?? momentAt({ year: day.getUTCFullYear(), month: day.getUTCMonth() + 1, day: day.getUTCDate() }, minutes, timeZone);
    known.set(key, moment);
    return moment;
  };
  const isDay = (date: number) => date % DAY === 0;
  return {
    startOf: (date) => (Number.isNaN(date) ? -Infinity : isDay(date) ? midnight(date, 0) : date),
    endOf: (date) => (Number.isNaN(date) ? Infinity : isDay(date) ? midnight(date, MINUTES_OF_DAY) : date),
  };
}
