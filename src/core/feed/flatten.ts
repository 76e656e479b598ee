import { parseBracketed } from "./values";

/** A row as a feed gives it, by column name. */
export type Row = Record<string, unknown>;

export function isRow(value: unknown): value is Row {
  return typeof value === "object" && value !== null && !Array.isArray(value);
}

const DEEPEST = 4;
const MOST_COLUMNS = 4000;
/** Members that name an entry of a nested list, the likeliest first. */
const NAMES = ["name", "title", "label", "value", "text", "url", "src", "href", "contentUrl", "id"];

/**
 * A row without nesting: members of nested objects become columns of their own ("price.amount"), lists of name and
 * value become one column a name ("attributes.Colour"), other lists of objects become lists of what names them.
 * @param isKept columns that keep their nested rows, such as options.
 */
export function flattenRow(row: Row, isKept: (column: string) => boolean): Row {
  let isFlat = true;
  for (const column in row) {
    const value = row[column];
    if ((typeof value === "object" && value !== null) || (typeof value === "string" && looksNested(value))) {
      isFlat = false;
      break;
    }
  }
  if (isFlat) return row;
  const flat: Row = {};
  for (const [column, value] of Object.entries(row)) flattenInto(flat, column, value, 0, isKept);
  return flat;
}

function looksNested(text: string): boolean {
  const first = text.charCodeAt(0);
  return first === 123 || first === 91;
}

function flattenInto(flat: Row, column: string, raw: unknown, depth: number, isKept: (column: string) => boolean): void {
  const value = typeof raw === "string" && looksNested(raw) ? parseNested(raw) : raw;
  if (isRow(value) && depth < DEEPEST) {
    for (const [name, inner] of Object.entries(value)) {
      if (Object.keys(flat).length >= MOST_COLUMNS) return;
      flattenInto(flat, `${column}.${name}`, inner, depth + 1, isKept);
    }
    return;
  }
  if (Array.isArray(value) && value.some(isRow) && !isKept(column)) {
    flattenObjects(flat, column, value.filter(isRow), depth, isKept);
    return;
  }
  flat[column] = value;
}

function parseNested(text: string): unknown {
  const trimmed = text.trim();
  if (trimmed.startsWith("[")) return parseBracketed(trimmed) ?? text;
  try {
    return JSON.parse(trimmed);
  } catch {
    return text;
  }
}

function flattenObjects(flat: Row, column: string, entries: readonly Row[], depth: number, isKept: (column: string) => boolean): void {
  const pairs = entries.map(asPair);
  if (pairs.every((pair) => pair !== null)) {
    for (const [name, value] of pairs) {
      const key = `${column}.${name}`;
      const known = flat[key];
      flat[key] = known === undefined ? value : [known, value].flat();
    }
    return;
  }
  if (entries.length === 1 && NAMES.every((name) => entries[0][name] === undefined)) {
    flattenInto(flat, column, entries[0], depth, isKept);
    return;
  }
  const names = entries.map((entry) => NAMES.map((name) => entry[name]).find((value) => value !== undefined && typeof value !== "object"));
  const found = names.filter((name) => name !== undefined);
  if (found.length > 0) flat[column] = found;
}

/** An entry such as {name: "Colour", value: "Red"}; null when it is something else. */
function asPair(entry: Row): [string, unknown] | null {
  const name = entry.name ?? entry.key ?? entry.attribute ?? entry.label ?? entry.propertyID;
  const value = entry.value ?? entry.values;
  const isPair = typeof name === "string" && name !== "" && name.length <= 60 && value !== undefined && !isRow(value);
  return isPair ? [name, value] : null;
}
