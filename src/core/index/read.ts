import type { Product } from "../catalogue/types";
import { findString, stringAt } from "./strings";
import type { Index } from "./types";

/** The product under a number, as it was built. */
export function productAt(index: Index, product: number): Product {
  return JSON.parse(stringAt(index.stored, product)) as Product;
}

/** The number of a product, -1 when the catalogue has no such id. */
export function productNumber(index: Index, id: string): number {
  return findString(index.ids, id);
}

export function fieldNumber(index: Index, key: string): number {
  return index.fields.findIndex((field) => field.key === key);
}
