import { textsOf } from "../../catalogue/text-of";
import type { Field, FieldRole, Product } from "../../catalogue/types";
import { productAt } from "../../index/read";
import { stringsOf } from "../../index/strings";
import type { Index } from "../../index/types";
import { lookUp } from "../../records";

/** Products that look the same to shoppers. */
export interface DuplicateGroup {
  /** The ids, joined; the same for the same products in every import. */
  key: string;
  title: string;
  products: { id: string; picture: string | null }[];
  /** Fields in which they differ, with each one's value. */
  differ: { key: string; label: string; role: FieldRole; values: string[] }[];
}

const MOST_IN_GROUP = 20;

/**
 * Groups of products with the same title, picture and brand, which differ in price, address or anything else.
 * @param keptApart keys of groups that somebody said are two products.
 */
export function findDuplicates(index: Index, keptApart: ReadonlySet<string>): DuplicateGroup[] {
  const byTitle = new Map<string, number[]>();
  stringsOf(index.titles).forEach((title, product) => {
    if (title === "") return;
    const known = byTitle.get(title);
    if (known) known.push(product);
    else byTitle.set(title, [product]);
  });
  const look = (["picture", "brand"] as FieldRole[]).flatMap((role) => index.fields.find((field) => field.role === role) ?? []);
  const groups: DuplicateGroup[] = [];
  for (const numbers of byTitle.values()) {
    if (numbers.length < 2) continue;
    const alike = new Map<string, Product[]>();
    for (const number of numbers) {
      const product = productAt(index, number);
      const key = JSON.stringify(look.map((field) => lookUp(product.values, field.key) ?? null));
      alike.set(key, [...(alike.get(key) ?? []), product]);
    }
    for (const products of alike.values()) {
      const key = duplicateKey(products.map(({ id }) => id));
      if (products.length >= 2 && products.length <= MOST_IN_GROUP && !keptApart.has(key))
        groups.push(describe(key, products, index.fields));
    }
  }
  return groups;
}

export function duplicateKey(ids: readonly string[]): string {
  return [...ids].sort().join("\n");
}

function describe(key: string, products: readonly Product[], fields: readonly Field[]): DuplicateGroup {
  const keyOf = (role: FieldRole) => fields.find((field) => field.role === role)?.key ?? "";
  const differ = fields.flatMap((field) => {
    const values = products.map((product) => textsOf(field, lookUp(product.values, field.key)).join(", ").slice(0, 80));
    return new Set(values).size > 1 ? [{ key: field.key, label: field.label, role: field.role, values }] : [];
  });
  return {
    key,
    title: String(lookUp(products[0].values, keyOf("title")) ?? products[0].id),
    products: products.map(({ id, values }) => ({
      id,
      picture: typeof lookUp(values, keyOf("picture")) === "string" ? String(lookUp(values, keyOf("picture"))) : null,
    })),
    differ,
  };
}
