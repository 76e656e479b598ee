import type { Field, Product, Value, Values } from "../catalogue/types";
import { lookUp } from "../records";
import { columnOf, ID_COLUMN, OPTIONS_COLUMN, PARENT_COLUMN } from "./column-names";
import type { ColumnMapping, Mapping } from "./mapping";
import { PLAIN_SHAPE } from "./values";

/**
 * Catalogues as files that can be read again. Tables have a line a product, followed by a line for each of its options
 * with the product's id as its parent. Lists and paths are in JSON notation, so that no sign in a value can part it.
 */

/** The columns of a table of products. */
export function tableColumns(fields: readonly Field[]): { column: string; field: Field | null }[] {
  const own = fields.map((field) => ({ column: columnOf(field), field }));
  return [{ column: ID_COLUMN, field: null }, { column: PARENT_COLUMN, field: null }, ...own];
}

/** The cells of a product's lines, in the order of `tableColumns`. */
export function tableRows(product: Product, fields: readonly Field[]): string[][] {
  const row = (id: string, parent: string, values: Values) => [id, parent, ...fields.map((field) => cellOf(lookUp(values, field.key)))];
  return [row(product.id, "", product.values), ...product.options.map((option) => row(option.id, product.id, option.values))];
}

function cellOf(value: Value | undefined): string {
  if (value === undefined) return "";
  if (typeof value === "boolean") return value ? "yes" : "no";
  return Array.isArray(value) ? JSON.stringify(value) : String(value);
}

/** A product as a line of JSON Lines: its fields beside its id, its options nested. */
export function jsonRow(product: Product, fields: readonly Field[]): Record<string, unknown> {
  const row = (id: string, values: Values) => {
    const named = fields.flatMap((field) =>
      lookUp(values, field.key) === undefined ? [] : [[columnOf(field), lookUp(values, field.key)] as const],
    );
    return { [ID_COLUMN]: id, ...Object.fromEntries(named) };
  };
  const whole: Record<string, unknown> = row(product.id, product.values);
  if (product.options.length > 0) whole[OPTIONS_COLUMN] = product.options.map((option) => row(option.id, option.values));
  return whole;
}

/** How a file written by these functions is read again: every column is the field that it was. */
export function mappingOfFields(fields: readonly Field[]): Mapping {
  const base = { ...PLAIN_SHAPE, role: "attribute" as const, shown: true, option: false, scale: null, reason: "" };
  const special = (column: string, use: ColumnMapping["use"]): [string, ColumnMapping] => [
    column,
    { ...base, use, type: "keyword", key: column, label: column },
  ];
  return Object.fromEntries([
    special(ID_COLUMN, "id"),
    special(PARENT_COLUMN, "parent"),
    special(OPTIONS_COLUMN, "options"),
    special("hasVariant", "options"),
    ...tableColumns(fields).flatMap(({ column, field }): [string, ColumnMapping][] => {
      if (!field) return [];
      const { key, label, type, role, unit, shown } = field;
      return [[column, { ...base, use: "field", key, label, type, role, unit, shown, decimal: "." }]];
    }),
  ]);
}
