import type { FieldRole, FieldType } from "@core/catalogue/types";

/** Roles and types in the words of a shop. */
export const ROLE_NAMES: Record<FieldRole, string> = {
  title: "Title",
  description: "Description",
  brand: "Brand",
  category: "Category path",
  tags: "Tags",
  price: "Price",
  salePrice: "Sale price",
  saleFrom: "Sale price from",
  saleUntil: "Sale price until",
  saleDates: "Sale price, dates",
  listPrice: "List price",
  currency: "Currency",
  picture: "Picture",
  link: "Link",
  articleNumber: "Article number",
  stock: "Stock",
  stockState: "Stock state",
  rating: "Rating",
  ratingCount: "Rating count",
  sold: "Sold",
  added: "Added on",
  boost: "Boost",
  hidden: "Hidden",
  attribute: "Attribute",
};

export const TYPE_NAMES: Record<FieldType, string> = {
  text: "Text",
  keyword: "Short text",
  colour: "Colour",
  list: "List",
  path: "Path",
  number: "Number",
  flag: "Yes or no",
  date: "Date",
};
