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
  "saleFrom",
  "saleUntil",
  "saleDates",
  "listPrice",
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
/** The roles that fields can have, those that are worked out among them. */
export const ALL_ROLES = [...FIELD_ROLES, "listPrice"] as const;
export type FieldRole = (typeof FIELD_ROLES)[number];

/**
 * The field that holds what the feed calls the price, in a catalogue with sale prices: there the price is what a shopper pays now.
 * Fields that no feed has begin with a colon.
 */
export const LIST_PRICE = ":list-price";

/** Whether a field is one of the feed's, rather than worked out. */
export const isOfFeed = ({ key }: { key: string }): boolean => !key.startsWith(":");

/** The field that says what a product cost before; undefined where none does. */
export const listPriceOf = <F extends { key: string; role: string }>(fields: readonly F[]): F | undefined =>
  fields.find(({ key }) => key === LIST_PRICE) ?? fields.find(({ role }) => role === "listPrice");

const MONEY: ReadonlySet<string> = new Set<FieldRole>(["price", "salePrice", "listPrice"]);
/** Whether a field holds amounts of the shop's currency. */
export const isMoney = ({ role }: { role: string }): boolean => MONEY.has(role);

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
export function fieldWithRole(fields: readonly { key: string; role: string }[], role: FieldRole): string | null {
  return (role === "listPrice" ? listPriceOf(fields) : fields.find((field) => field.role === role))?.key ?? null;
}
