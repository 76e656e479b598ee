import type { Field } from "@contract/fields";
import type { FieldTest } from "@core/settings/condition";

/** How a field can be tested. */
export type Comparison = "is" | "oneOf" | "contains" | "startsWith" | "between" | "empty" | "filled" | "newerThanDays";
export const COMPARISONS: Record<Comparison, string> = {
  is: "is",
  oneOf: "is one of",
  contains: "contains",
  startsWith: "begins with",
  between: "is between",
  empty: "is empty",
  filled: "is filled",
  newerThanDays: "is newer than",
};

/** The comparisons that suit a field, the usual one first. */
export function comparisonsFor(field: Field): Comparison[] {
  if (field.type === "number") return ["between", "is", "empty", "filled"];
  if (field.type === "date") return ["newerThanDays", "empty", "filled"];
  if (field.type === "flag") return ["is", "empty", "filled"];
  return ["is", "oneOf", "contains", "startsWith", "empty", "filled"];
}

export function comparisonOf(test: FieldTest): Comparison {
  if (test.empty !== undefined) return test.empty ? "empty" : "filled";
  return (Object.keys(COMPARISONS) as Comparison[]).find((key) => key !== "filled" && key !== "empty" && test[key] !== undefined) ?? "is";
}

/** A test of a field to begin with. */
export function testOf(field: Field, comparison: Comparison): FieldTest {
  const { key } = field;
  switch (comparison) {
    case "empty":
      return { field: key, empty: true };
    case "filled":
      return { field: key, empty: false };
    case "between":
      return { field: key, between: [null, null] };
    case "newerThanDays":
      return { field: key, newerThanDays: 30 };
    case "oneOf":
      return { field: key, oneOf: [] };
    case "is":
      return { field: key, is: field.type === "flag" ? true : field.type === "number" ? 0 : (field.samples[0] ?? "") };
    default:
      return { field: key, [comparison]: "" };
  }
}
