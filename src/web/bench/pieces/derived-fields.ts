import type { Field } from "@contract/fields";

/** What no field holds and is worked out, by its name. */
export const DERIVED: Record<string, string> = { ":availability": "Availability", ":discount": "Discount" };

const DISCOUNT: Field = {
  key: ":discount",
  label: "Discount in %",
  type: "number",
  role: "attribute",
  coverage: 1,
  distinct: 0,
  averageLength: 0,
  samples: [],
  shown: true,
};

/** The fields that conditions can ask about: the catalogue's, and the discount where there are list prices to work it out from. */
export const conditionFields = (fields: readonly Field[]): readonly Field[] =>
  fields.some(({ role }) => role === "listPrice") ? [...fields, DISCOUNT] : fields;
