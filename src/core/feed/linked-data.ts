import { type Field, type FieldRole, fieldWithRole, type Product, type Value, type Values } from "../catalogue/types";
import { lookUp, setOwn } from "../records";

import { columnOf } from "./column-names";

/** Properties of schema.org's Product that say the same as a role. */
const PROPERTIES: Partial<Record<FieldRole, string>> = {
  title: "name",
  description: "description",
  picture: "image",
  link: "url",
  category: "category",
};
const STATES: Record<string, string> = {
  "In stock": "https://schema.org/InStock",
  "Sold out": "https://schema.org/OutOfStock",
  "To order": "https://schema.org/BackOrder",
};

/**
 * A product as a node of schema.org. Values with a property of their own are under it for everybody to read; every
 * field also stands as a named property under its own id, from which the very same catalogue can be read again.
 */
export function productNode(product: Product, fields: readonly Field[], currency: string): Record<string, unknown> {
  const node = nodeOf(product.id, product.values, fields, currency);
  if (product.options.length === 0) return { "@type": "Product", ...node };
  return {
    "@type": "ProductGroup",
    ...node,
    productGroupID: product.id,
    hasVariant: product.options.map((option) => ({ "@type": "Product", ...nodeOf(option.id, option.values, fields, currency) })),
  };
}

export const LINKED_DATA_HEAD = `{"@context":"https://schema.org/","@graph":[`;
export const LINKED_DATA_FOOT = "]}";

function nodeOf(id: string, values: Values, fields: readonly Field[], currency: string): Record<string, unknown> {
  const node: Record<string, unknown> = { productID: id };
  for (const [role, property] of Object.entries(PROPERTIES) as [FieldRole, string][]) {
    const value = lookUp(values, fieldWithRole(fields, role) ?? "");
    if (value !== undefined) setOwn(node, property, role === "category" ? pathText(value) : value);
  }
  const value = (role: FieldRole) => lookUp(values, fieldWithRole(fields, role) ?? "");
  const brand = value("brand");
  if (brand !== undefined) node.brand = { "@type": "Brand", name: brand };
  const number = value("articleNumber");
  if (number !== undefined) node.sku = number;
  const price = value("salePrice") ?? value("price");
  const state = lookUp(STATES, String(value("stockState") ?? ""));
  if (price !== undefined || state) {
    node.offers = {
      "@type": "Offer",
      ...(price === undefined ? {} : { price, priceCurrency: currency }),
      ...(state ? { availability: state } : {}),
    };
  }
  const rating = value("rating");
  if (typeof rating === "number" && rating > 0)
    node.aggregateRating = { "@type": "AggregateRating", ratingValue: rating, ratingCount: value("ratingCount") ?? 1 };
  const properties = fields.flatMap((field) => propertyOf(field, lookUp(values, field.key)));
  if (properties.length > 0) node.additionalProperty = properties;
  return node;
}

function pathText(value: Value): string {
  return Array.isArray(value) && Array.isArray(value[0]) ? value[0].join(" > ") : String(value);
}

function propertyOf(field: Field, value: Value | undefined): Record<string, unknown>[] {
  if (value === undefined) return [];
  const { label, unit } = field;
  const plain = Array.isArray(value) && value.some(Array.isArray) ? JSON.stringify(value) : value;
  return [{ "@type": "PropertyValue", propertyID: columnOf(field), name: label, value: plain, ...(unit ? { unitText: unit } : {}) }];
}
