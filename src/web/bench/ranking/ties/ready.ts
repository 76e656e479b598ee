import type { Field } from "@contract/fields";
import { marginField } from "@core/catalogue/margin";
import { lookUp } from "@core/records";

interface Ready {
  field: string;
  label: string;
  direction: "asc" | "desc";
}

const byRole =
  (role: string, label: string) =>
  (fields: readonly Field[]): Ready[] => {
    const field = fields.find((entry) => entry.role === role);
    return field ? [{ field: field.key, label, direction: "desc" }] : [];
  };
const derived =
  (field: string, label: string) =>
  (_fields: readonly Field[], known: readonly string[]): Ready[] =>
    known.includes(field) ? [{ field, label, direction: "desc" }] : [];
const margin = (fields: readonly Field[]): Ready[] => {
  const field = marginField(fields);
  return field ? [{ field: field.key, label: "Margin", direction: "desc" }] : [];
};

const NAMES: Record<string, string> = { ":in-stock": "In stock", ":discount": "Discount" };

/** What shops break ties by, where the catalogue has it. */
export const READY: readonly ((fields: readonly Field[], known: readonly string[]) => Ready[])[] = [
  derived(":in-stock", NAMES[":in-stock"]),
  byRole("sold", "Bestselling"),
  byRole("addedOn", "Newest"),
  byRole("rating", "Best rated"),
  derived(":discount", NAMES[":discount"]),
  margin,
];

const ROLES: Record<string, string> = { sold: "Bestselling", addedOn: "Newest", rating: "Best rated, few votes pulled to the mean" };

/** What a tie-breaker is called. */
export function labelOfTie(field: string, fields: readonly Field[]): string {
  const known = fields.find((entry) => entry.key === field);
  return lookUp(NAMES, field) ?? (known ? (ROLES[known.role] ?? known.label) : `${field} (gone)`);
}
