import type { Field } from "../catalogue/types";

/** Names of columns in files that this product writes. */
export const ID_COLUMN = "id";
export const PARENT_COLUMN = "parent_id";

export const OPTIONS_COLUMN = "options";
const TAKEN = new Set([ID_COLUMN, PARENT_COLUMN, OPTIONS_COLUMN]);

/** The column of a field: its key, unless the column that tells products or options apart has that name. */
export function columnOf({ key }: Field): string {
  return TAKEN.has(key) || key.startsWith("field ") ? `field ${key}` : key;
}
