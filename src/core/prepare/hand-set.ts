import type { Field, Product, Value } from "../catalogue/types";
import { amend, type Change, withField } from "../index/amend/amend";
import { fieldNumber, productAt, productNumbers } from "../index/read";
import type { Index } from "../index/types";
import { lookUp, setOwn } from "../records";
import type { ProductSettings, Settings } from "../settings/schema";

/** The field that tags set by hand go to where the feed has none. */
export const TAGS_FIELD: Field = { key: "tags", label: "Tags", type: "list", role: "tags", unit: null, perOption: false, shown: true };

/** Whether what was set by hand changes values, not only the strength. */
function setsValues({ set, addTags, removeTags }: ProductSettings): boolean {
  return addTags.length > 0 || removeTags.length > 0 || Object.keys(set).length > 0;
}

/** An index with the values that were set by hand laid over the feed's, remembered for the next settings. */
interface LaidIndex {
  base: Index;
  products: Settings["products"];
  index: Index;
}

/**
 * Lays the values set by hand over the feed's. What was laid before is taken over, so that one more value costs one
 * product's words; where less is set now than differs from before, as after an undo, the feed's index is the shorter way.
 */
export function layHandSet(base: Index, products: Settings["products"], previous: LaidIndex | null): Index {
  const old = previous?.base === base ? previous : null;
  const differing = old ? idsThatDiffer(old.products, products) : [];
  const laid = Object.keys(products).filter((id) => setsValues(lookUp(products, id)));
  return old && differing.length <= laid.length
    ? lay(base, old.index, old.products, products, differing)
    : lay(base, base, {}, products, laid);
}

function idsThatDiffer(before: Settings["products"], after: Settings["products"]): string[] {
  return [...new Set([...Object.keys(before), ...Object.keys(after)])].filter((id) => lookUp(before, id) !== lookUp(after, id));
}

/** @param ids those that may have other values than in `from`, which has what `before` sets. */
function lay(base: Index, from: Index, before: Settings["products"], products: Settings["products"], ids: readonly string[]): Index {
  const changes: Change[] = [];
  const needsTags =
    Object.values(products).some(({ addTags }) => addTags.length > 0) && !from.fields.some((field) => field.role === "tags");
  const wide = needsTags && fieldNumber(from, TAGS_FIELD.key) < 0 ? withField(from, TAGS_FIELD) : from;
  const numbers = productNumbers(base, ids);
  for (const [i, id] of ids.entries()) {
    const own = lookUp(products, id);
    const wasSet = lookUp(before, id) !== undefined && setsValues(lookUp(before, id));
    if (numbers[i] < 0 || (!(own && setsValues(own)) && !wasSet)) continue;
    const product = productAt(base, numbers[i]);
    changes.push({ put: own ? withHandSet(product, own, wide.fields) : product, ...(wasSet ? {} : { before: product }) });
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
    else setOwn(values, key, value);
    options = options.map((option) => ({
      ...option,
      values: Object.fromEntries(Object.entries(option.values).filter(([name]) => name !== key)),
    }));
  }
  const tags = fields.find((field) => field.role === "tags")?.key;
  if (tags && (own.addTags.length > 0 || own.removeTags.length > 0)) {
    const present = Array.isArray(lookUp(values, tags)) ? (lookUp(values, tags) as string[]) : [];
    const next = [...new Set([...present, ...own.addTags])].filter((tag) => !own.removeTags.includes(tag));
    if (next.length > 0) setOwn(values, tags, next);
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
