import { keysOf, numberOf } from "../catalogue/text-of";
import type { Field, Product, Value } from "../catalogue/types";
import { lookUp } from "../records";
import { Growing } from "./grow";
import { numberColumn } from "./numbers";
import { packStrings, sortTexts } from "./strings";
import type { Column, KeyColumn } from "./types";

/** The value of a field for one option: its own, else its product's. */
export function optionValue(field: Field, product: Product, option: number): Value | undefined {
  const own = lookUp(product.options[option]?.values, field.key);
  return own ?? lookUp(product.values, field.key);
}

/** Lays out one field for filtering and sorting. */
export function buildColumn(field: Field, products: readonly Product[]): Column {
  const { perOption } = field;
  if (field.type === "number" || field.type === "date") {
    const numbers = new Float64Array(products.reduce((rows, product) => rows + (perOption ? Math.max(1, product.options.length) : 1), 0));
    let row = 0;
    for (const product of products) {
      if (!perOption) numbers[row++] = numberOf(field, lookUp(product.values, field.key));
      else visitRows(field, product, (value) => (numbers[row++] = numberOf(field, value)));
    }
    return { ...numberColumn(numbers), perOption };
  }
  const packer = new KeyPacker();
  for (const product of products) {
    if (!perOption) packer.addValue(field, lookUp(product.values, field.key));
    else visitRows(field, product, (value) => packer.addValue(field, value));
  }
  return { ...packer.finish(), perOption };
}

/** The values of a field in the rows of a product: one, or one for each of its options. */
export function rowsOf(field: Field, product: Product): (Value | undefined)[] {
  const rows: (Value | undefined)[] = [];
  visitRows(field, product, (value) => rows.push(value));
  return rows;
}

function visitRows(field: Field, product: Product, visit: (value: Value | undefined) => void): void {
  const options = field.perOption ? product.options.length : 0;
  if (options === 0) visit(lookUp(product.values, field.key));
  for (let option = 0; option < options; option++) visit(optionValue(field, product, option));
}

/** The keys of a value in its column. Long texts have none: they are neither filtered nor sorted. */
export function columnKeys(field: Field, value: Value | undefined): string[] {
  return field.role === "description" ? [] : keysOf(field, value);
}

/** Types whose plain texts are their own keys. */
const PLAIN_TYPES = new Set<Field["type"]>(["text", "keyword", "colour", "list"]);

/** Collects the keys of rows and lays them out by code point. */
class KeyPacker {
  private readonly places = new Map<string, number>();
  private readonly starts = new Growing();
  private readonly met = new Growing();

  constructor() {
    this.starts.push(0);
  }

  addValue(field: Field, value: Value | undefined): void {
    // Most values are one word, which needs no list.
    if (typeof value === "string" && field.role !== "description" && PLAIN_TYPES.has(field.type)) this.meet(value);
    else for (const key of columnKeys(field, value)) this.meet(key);
    this.starts.push(this.met.length);
  }

  private meet(key: string): void {
    let place = this.places.get(key);
    if (place === undefined) {
      place = this.places.size;
      this.places.set(key, place);
    }
    this.met.push(place);
  }

  finish(): KeyColumn {
    const distinct = sortTexts([...this.places.keys()]);
    const ordinalOf = new Uint32Array(distinct.length);
    distinct.forEach((key, ordinal) => {
      ordinalOf[this.places.get(key) ?? 0] = ordinal;
    });
    const ordinals = this.met.take();
    for (let i = 0; i < ordinals.length; i++) ordinals[i] = ordinalOf[ordinals[i]];
    return { kind: "keys", keys: packStrings(distinct), starts: this.starts.take(), ordinals };
  }
}
