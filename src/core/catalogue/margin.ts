import type { Field } from "./types";

const MARGIN = /margin|profit|marge/i;

/** The field that says what a product earns, told by its name; undefined where none does. */
export const marginField = <F extends Pick<Field, "key" | "type">>(fields: readonly F[]): F | undefined =>
  fields.find(({ key, type }) => type === "number" && MARGIN.test(key));
