/** What a value is. */
export const FIELD_TYPES = ["text", "keyword", "list", "path", "number", "flag", "date", "colour"] as const;
export type FieldType = (typeof FIELD_TYPES)[number];

/** What a field means to the shop; everything else is an attribute. */
export const FIELD_ROLES = [
  "title",
  "description",
  "brand",
  "category",
  "tags",
  "price",
  "salePrice",
  "currency",
  "picture",
  "link",
  "articleNumber",
  "stock",
  "stockState",
  "rating",
  "ratingCount",
  "sold",
  "added",
  "boost",
  "hidden",
  "attribute",
] as const;
export type FieldRole = (typeof FIELD_ROLES)[number];

/** One field of a catalogue; its place in `Catalogue.fields` is the catalogue order that scores follow. */
export interface Field {
  key: string;
  label: string;
  type: FieldType;
  role: FieldRole;
  /** Unit of a number field, as written ("cm"). */
  unit: string | null;
  /** Whether options (variants) carry this field each for themselves. */
  perOption: boolean;
  /** Whether shoppers may see it; what they may not never leaves the server on the shop's side. */
  shown: boolean;
}

/** text, keyword, colour: string. number: number. date: "2026-03-01". flag: boolean. list: strings. path: category paths, labels from the root. */
export type Value = string | number | boolean | string[] | string[][];
export type Values = Record<string, Value>;

/** What a shopper can put into the basket: one size or colour of a product. */
export interface Option {
  id: string;
  values: Values;
}

export interface Product {
  id: string;
  values: Values;
  /** Empty for a product that comes in one form only. */
  options: Option[];
}

/** A guide or an information page. */
export interface Page {
  id: string;
  title: string;
  text: string;
  link: string;
  picture: string | null;
}

export interface Catalogue {
  /** BCP 47 tag of the language of the texts. */
  locale: string;
  fields: Field[];
  products: Product[];
  pages: Page[];
}

/** The key of the first field with a role, or null. */
export function fieldWithRole(fields: readonly Field[], role: FieldRole): string | null {
  return fields.find((field) => field.role === role)?.key ?? null;
}
