import type { Field, Product, Value } from "../catalogue/types";
import { amend, type Change, withField } from "../index/amend/amend";
import { fieldNumber, productAt, productNumbers } from "../index/read";
import type { Index } from "../index/types";
import type { ProductSettings, Settings } from "../settings/schema";

/** The field that tags set by hand go to where the feed has none. */
export const TAGS_FIELD: Field = { key: "tags", label: "Tags", type: "list", role: "tags", unit: null, perOption: false, shown: true };

/** Whether what was set by hand changes values, not only the strength. */
export function setsValues({ set, addTags, removeTags }: ProductSettings): boolean {
  return addTags.length > 0 || removeTags.length > 0 || Object.keys(set).length > 0;
}

/** An index with the values that were set by hand laid over the feed's, remembered for the next settings. */
export interface LaidIndex {
  base: Index;
  products: Settings["products"];
  index: Index;
}

/**
 * Lays the values set by hand over the feed's. What was laid before is taken over, so that one more value costs one
 * product's words.
 */
export function layHandSet(base: Index, products: Settings["products"], previous: LaidIndex | null): Index {
  const old = previous?.base === base ? previous : null;
  const before = old?.products ?? {};
  const changes: Change[] = [];
  const index = old?.index ?? base;
  const needsTags =
    Object.values(products).some(({ addTags }) => addTags.length > 0) && !index.fields.some((field) => field.role === "tags");
  const wide = needsTags && fieldNumber(index, TAGS_FIELD.key) < 0 ? withField(index, TAGS_FIELD) : index;
  const differing = [...new Set([...Object.keys(before), ...Object.keys(products)])].filter((id) => before[id] !== products[id]);
  const numbers = productNumbers(base, differing);
  for (const [i, id] of differing.entries()) {
    const own = products[id];
    const number = numbers[i];
    if (number < 0 || (!(own && setsValues(own)) && !(before[id] && setsValues(before[id])))) continue;
    const product = productAt(base, number);
    changes.push({ put: own ? withHandSet(product, own, wide.fields) : product });
  }
  return amend(wide, changes);
}

/** A product with the values that were set by hand; they win over the feed's, its options' included. */
export function withHandSet(product: Product, own: ProductSettings, fields: readonly Field[]): Product {
  const values = { ...product.values };
  let options = product.options;
  for (const [key, value] of Object.entries(own.set)) {
    const field = fields.find((entry) => entry.key === key);
    if (!field || (value !== null && !fitsField(field, value))) continue;
    if (value === null) delete values[key];
    else values[key] = value;
    options = options.map((option) => ({
      ...option,
      values: Object.fromEntries(Object.entries(option.values).filter(([name]) => name !== key)),
    }));
  }
  const tags = fields.find((field) => field.role === "tags")?.key;
  if (tags && (own.addTags.length > 0 || own.removeTags.length > 0)) {
    const present = Array.isArray(values[tags]) ? (values[tags] as string[]) : [];
    const next = [...new Set([...present, ...own.addTags])].filter((tag) => !own.removeTags.includes(tag));
    if (next.length > 0) values[tags] = next;
    else delete values[tags];
  }
  return { ...product, values, options };
}

/** Whether a value is one that a field of its type can hold. */
export function fitsField({ type }: Pick<Field, "type">, value: unknown): value is Value {
  switch (type) {
    case "number":
      return typeof value === "number" && Number.isFinite(value);
    case "flag":
      return typeof value === "boolean";
    case "list":
      return Array.isArray(value) && value.every((entry) => typeof entry === "string");
    case "path":
      return Array.isArray(value) && value.every((path) => Array.isArray(path) && path.every((label) => typeof label === "string"));
    default:
      return typeof value === "string";
  }
}
