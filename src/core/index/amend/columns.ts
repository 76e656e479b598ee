import { numberOf } from "../../catalogue/text-of";
import type { Field } from "../../catalogue/types";
import { columnKeys, rowsOf } from "../columns";
import { numberColumn } from "../numbers";
import { compareCodePoints, type Piece, spliceStrings, stringsOf } from "../strings";
import type { Column, Index, KeyColumn } from "../types";
import type { Plan } from "./plan";

/** Where the rows of a new column come from: an old row, or -1 and then from the changed products in order. */
export interface RowPlan {
  origins: Int32Array;
  /** Rows whose values may have changed, ascending, in the order of the changed products. */
  changed: number[];
}

/** The rows of products, or those of their options. */
export function planRows(plan: Plan, starts: { old: Uint32Array; new: Uint32Array } | null): RowPlan {
  const changed: number[] = [];
  if (!starts) {
    for (const { newNumber } of plan.changed) if (newNumber >= 0) changed.push(newNumber);
    return { origins: plan.origins, changed };
  }
  const origins = new Int32Array(starts.new[plan.products]).fill(-1);
  const isChanged = new Set(plan.changed.map(({ newNumber }) => newNumber));
  for (let p = 0; p < plan.products; p++) {
    const old = plan.origins[p];
    for (let row = starts.new[p]; row < starts.new[p + 1]; row++) {
      if (isChanged.has(p)) changed.push(row);
      else origins[row] = starts.old[old] + row - starts.new[p];
    }
  }
  return { origins, changed };
}

export function amendColumn(index: Index, f: number, plan: Plan, rows: RowPlan): Column {
  const field = index.fields[f];
  const column = index.columns[f];
  if (!plan.touches[f]) return column;
  const values = plan.changed.flatMap(({ after }) => (after ? rowsOf(field, after) : []));
  if (column.kind === "numbers") {
    const numbers = values.map((value) => numberOf(field, value));
    if (plan.keepsShape && rows.changed.every((row, i) => Object.is(column.numbers[row], numbers[i]))) return column;
    const next = plan.keepsShape ? column.numbers.slice() : takeRows(column.numbers, rows.origins);
    rows.changed.forEach((row, i) => {
      next[row] = numbers[i];
    });
    return { ...numberColumn(next), perOption: column.perOption };
  }
  const keys = values.map((value) => columnKeys(field, value));
  if (plan.keepsShape && rows.changed.every((row, i) => holdsKeys(column, row, keys[i]))) return column;
  return { ...amendKeys(column, rows, keys), perOption: column.perOption };
}

function takeRows(numbers: Float64Array, origins: Int32Array): Float64Array {
  const taken = new Float64Array(origins.length);
  for (let row = 0; row < origins.length; row++) taken[row] = origins[row] < 0 ? Number.NaN : numbers[origins[row]];
  return taken;
}

function holdsKeys(column: KeyColumn, row: number, keys: readonly string[]): boolean {
  const from = column.starts[row];
  if (column.starts[row + 1] - from !== keys.length) return false;
  const strings = stringsOf(column.keys);
  return keys.every((key, i) => strings[column.ordinals[from + i]] === key);
}

function amendKeys(column: KeyColumn, { origins, changed }: RowPlan, keys: readonly string[][]): KeyColumn {
  const isFresh = new Map(changed.map((row, i) => [row, keys[i]]));
  const old = stringsOf(column.keys);
  const inUse = new Uint8Array(old.length);
  const starts = new Uint32Array(origins.length + 1);
  for (let row = 0; row < origins.length; row++) {
    const fresh = isFresh.get(row);
    const source = origins[row];
    starts[row + 1] = starts[row] + (fresh ? fresh.length : column.starts[source + 1] - column.starts[source]);
    if (!fresh) for (let i = column.starts[source]; i < column.starts[source + 1]; i++) inUse[column.ordinals[i]] = 1;
  }
  const distinct = new Set(keys.flat());
  const pieces: Piece[] = [];
  const places = new Map<string, number>();
  const moved = new Uint32Array(old.length);
  const added = [...distinct].sort(compareCodePoints);
  let next = 0;
  for (let ordinal = 0; ordinal <= old.length; ordinal++) {
    while (next < added.length && (ordinal === old.length || compareCodePoints(added[next], old[ordinal]) < 0)) {
      places.set(added[next], pieces.length);
      pieces.push(added[next++]);
    }
    if (ordinal === old.length) break;
    if (added[next] === old[ordinal]) {
      inUse[ordinal] = 1;
      places.set(added[next++], pieces.length);
    }
    moved[ordinal] = pieces.length;
    if (inUse[ordinal]) pieces.push(ordinal);
  }
  const ordinals = new Uint32Array(starts[origins.length]);
  for (let row = 0; row < origins.length; row++) {
    const fresh = isFresh.get(row);
    let at = starts[row];
    if (fresh) for (const key of fresh) ordinals[at++] = places.get(key) ?? 0;
    else for (let i = column.starts[origins[row]]; i < column.starts[origins[row] + 1]; i++) ordinals[at++] = moved[column.ordinals[i]];
  }
  const keepsKeys = pieces.length === old.length && pieces.every((piece, i) => piece === i);
  return { kind: "keys", keys: keepsKeys ? column.keys : spliceStrings(column.keys, pieces), starts, ordinals };
}

/** A column without a value. */
export function emptyColumn(field: Field, rows: number): Column {
  if (field.type === "number" || field.type === "date")
    return { ...numberColumn(new Float64Array(rows).fill(Number.NaN)), perOption: field.perOption };
  return {
    kind: "keys",
    keys: { bytes: new Uint8Array(), offsets: new Uint32Array(1) },
    starts: new Uint32Array(rows + 1),
    ordinals: new Uint32Array(),
    perOption: field.perOption,
  };
}
