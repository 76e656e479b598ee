import type { Field, Value } from "./types";

/** The texts of a value, one per entry; phrases never cross from one to the next. */
export function textsOf(field: Field, value: Value | undefined): string[] {
  if (value === undefined) return [];
  if (Array.isArray(value)) return value.every((entry) => typeof entry === "string") ? value : value.flat();
  if (field.type === "number") return [field.unit ? `${value} ${field.unit}` : String(value)];
  if (field.type === "flag") return value === true ? [field.label] : [];
  return [String(value)];
}

/** Joins the labels of a category path into the key under which the path is stored. */
export const PATH_SEPARATOR = " › ";

/**
 * The values under which a product is counted and filtered. A path counts for each of its levels.
 * Numbers and dates have none: they are filtered by range.
 */
export function keysOf(field: Field, value: Value | undefined): string[] {
  if (value === undefined) return [];
  switch (field.type) {
    case "number":
    case "date":
      return [];
    case "flag":
      return [value === true ? "Yes" : "No"];
    case "path": {
      const keys: string[] = [];
      for (const path of Array.isArray(value) ? value : []) {
        if (!Array.isArray(path)) continue;
        let key = path[0];
        for (let depth = 1; depth <= path.length; depth++) {
          if (!keys.includes(key)) keys.push(key);
          key += PATH_SEPARATOR + path[depth];
        }
      }
      return keys;
    }
    default:
      if (!Array.isArray(value)) return [String(value)];
      return value.length === 1 ? [String(value[0])] : [...new Set(value.map(String))];
  }
}

/** A value as a number: dates in milliseconds since 1970 UTC. NaN when it has none. */
export function numberOf(field: Field, value: Value | undefined): number {
  if (value === undefined) return Number.NaN;
  if (field.type === "date") return Date.parse(String(value));
  if (typeof value === "boolean") return value ? 1 : 0;
  return typeof value === "number" ? value : Number.NaN;
}
