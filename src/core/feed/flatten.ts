import { lookUp, setOwn } from "../records";
import { readJson } from "../text/read-json";
import { parseBracketed } from "./values";

/** A row as a feed gives it, by column name. */
export type Row = Record<string, unknown>;

export function isRow(value: unknown): value is Row {
  return typeof value === "object" && value !== null && !Array.isArray(value);
}

const DEEPEST = 4;
/** An object with more members than this is no part of a product. */
const MOST_MEMBERS = 1000;
/** Members that name an entry of a nested list, the likeliest first. */
const NAMES = ["name", "title", "label", "value", "text", "url", "src", "href", "contentUrl", "id"];

/** How the columns of a feed are flattened. */
export interface Flattening {
  /** Columns that keep their nested rows, such as options. */
  isKept: (column: string) => boolean;
  /** Columns whose texts hold nested values in JSON notation. */
  isUnpacked: (column: string) => boolean;
}

/**
 * A row without nesting: members of nested objects become columns of their own ("price.amount"), lists of name and
 * value become one column a name ("attributes.Colour"), other lists of objects become lists of what names them.
 */
export function flattenRow(row: Row, how: Flattening): Row {
  let isFlat = true;
  for (const column in row) {
    const value = lookUp(row, column);
    if ((typeof value === "object" && value !== null) || (typeof value === "string" && looksNested(value) && how.isUnpacked(column))) {
      isFlat = false;
      break;
    }
  }
  if (isFlat) return row;
  const flat: Row = {};
  for (const [column, raw] of Object.entries(row)) {
    const value = typeof raw === "string" && looksNested(raw) && how.isUnpacked(column) ? (parseNested(raw) ?? raw) : raw;
    flattenInto(flat, column, value, 0, how);
  }
  return flat;
}

/** The columns of which most texts are objects, or lists of objects, in JSON notation. */
export function nestedColumns(rows: readonly Row[]): Set<string> {
  const filled = new Map<string, number>();
  const nested = new Map<string, number>();
  for (const row of rows) {
    for (const [column, value] of Object.entries(row)) {
      if (typeof value !== "string" || value === "") continue;
      filled.set(column, (filled.get(column) ?? 0) + 1);
      const parsed = looksNested(value) ? parseNested(value) : null;
      if (isRow(parsed) || (Array.isArray(parsed) && parsed.some(isRow))) nested.set(column, (nested.get(column) ?? 0) + 1);
    }
  }
  return new Set([...nested].flatMap(([column, count]) => (count > (filled.get(column) ?? 0) * 0.6 ? [column] : [])));
}

function looksNested(text: string): boolean {
  const first = text.charCodeAt(0);
  return first === 123 || first === 91;
}

function flattenInto(flat: Row, column: string, value: unknown, depth: number, how: Flattening): void {
  if (isRow(value) && depth < DEEPEST) {
    if (Object.keys(value).length > MOST_MEMBERS) return;
    for (const [name, inner] of Object.entries(value)) {
      flattenInto(flat, `${column}.${name}`, inner, depth + 1, how);
    }
    return;
  }
  if (Array.isArray(value) && value.some(isRow) && !how.isKept(column)) {
    flattenObjects(flat, column, value.filter(isRow), depth, how);
    return;
  }
  setOwn(flat, column, value);
}

function parseNested(text: string): unknown {
  const trimmed = text.trim();
  if (trimmed.startsWith("[")) return parseBracketed(trimmed);
  try {
    return readJson(trimmed);
  } catch {
    return null;
  }
}

function flattenObjects(flat: Row, column: string, entries: readonly Row[], depth: number, how: Flattening): void {
  const pairs = entries.map(asPair);
  if (pairs.every((pair) => pair !== null)) {
    for (const [name, value] of pairs) {
      const key = `${column}.${name}`;
      const known = lookUp(flat, key);
      setOwn(flat, key, known === undefined ? value : [known, value].flat());
    }
    return;
  }
  if (entries.length === 1 && NAMES.every((name) => lookUp(entries[0], name) === undefined)) {
    flattenInto(flat, column, entries[0], depth, how);
    return;
  }
  const names = entries.map((entry) =>
    NAMES.map((name) => lookUp(entry, name)).find((value) => value !== undefined && typeof value !== "object"),
  );
  const found = names.filter((name) => name !== undefined);
  if (found.length > 0) setOwn(flat, column, found);
}

/** An entry such as {name: "Colour", value: "Red"}; null when it is something else. */
function asPair(entry: Row): [string, unknown] | null {
  const name = entry.name ?? entry.key ?? entry.attribute ?? entry.label ?? entry.propertyID;
  const value = entry.value ?? entry.values;
  const isPair = typeof name === "string" && name !== "" && name.length <= 60 && value !== undefined && !isRow(value);
  return isPair ? [name, value] : null;
}
