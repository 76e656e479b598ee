import type { Field, FieldRole, Option, Product, Value, Values } from "../catalogue/types";
import { lookUp, setOwn } from "../records";
import { firstOf } from "./column-facts";
import { type Flattening, flattenRow, isRow, type Row } from "./flatten";
import { type ColumnMapping, fieldsOf, holdsOptions, isField, type Mapping } from "./mapping";
import { parseAmount } from "./numbers";
import { type FeedProblem, ProblemList } from "./problems";
import { readStockState } from "./stock-state";
import { readValue, say } from "./values";

export interface Assembled {
  fields: Field[];
  products: Product[];
  problems: ProblemList;
}

const MOST_PROBLEMS = 1000;
const LONGEST_ID = 120;
/** A boost of the feed at its strongest raises a product's score by this factor. */
const STRONGEST_BOOST = 3;

/** Turns rows into products: one row each, options nested in it or as rows of their own that name their parent. */
export class Assembler {
  readonly problems: ProblemList;
  private readonly products = new Map<string, Product>();
  private readonly lines = new Map<string, number>();
  private readonly orphans = new Map<string, { line: number; option: Option }[]>();
  private readonly fields: [string, ColumnMapping][];
  private readonly idColumn: string | null;
  private readonly parentColumn: string | null;
  private readonly optionColumns: string[];
  private readonly flattening: Flattening;

  constructor(
    private readonly mapping: Mapping,
    each?: (problem: FeedProblem) => void,
  ) {
    this.problems = new ProblemList(MOST_PROBLEMS, each);
    const columns = Object.entries(mapping);
    const columnWith = (use: ColumnMapping["use"]) => columns.find(([, entry]) => entry.use === use)?.[0] ?? null;
    this.fields = columns.filter(([, entry]) => isField(entry));
    this.idColumn = columnWith("id");
    this.parentColumn = columnWith("parent");
    this.optionColumns = columns.flatMap(([column, entry]) => (entry.use === "options" ? [column] : []));
    // A column that the mapping names is read as it is; one whose members it names instead is unpacked.
    this.flattening = { isKept: holdsOptions, isUnpacked: (column) => !Object.hasOwn(mapping, column) };
  }

  add(raw: Row, line: number): void {
    const row = flattenRow(raw, this.flattening);
    const id = this.idOf(row, line);
    if (id === null) return;
    const parent = textOf(this.parentColumn === null ? null : lookUp(row, this.parentColumn));
    const values = this.readFields(row, line);
    if (parent !== "" && parent !== id) {
      const waiting = this.orphans.get(parent);
      if (waiting) waiting.push({ line, option: { id, values } });
      else this.orphans.set(parent, [{ line, option: { id, values } }]);
      return;
    }
    const options = this.nestedOptions(row, id, line);
    const first = this.lines.get(id);
    if (first !== undefined)
      this.problems.add({
        line,
        field: this.idColumn ?? "",
        kind: "id-twice",
        message: `The id “${id}” is on line ${first} too; the later line counts.`,
        done: "taken as it is",
      });
    this.lines.set(id, line);
    this.products.set(id, { id, values, options });
  }

  finish(): Assembled {
    for (const [parent, options] of this.orphans) {
      // Options whose parent has no line of its own form a product together.
      const product = this.products.get(parent) ?? { id: parent, values: { ...options[0].option.values }, options: [] };
      this.products.set(parent, product);
      for (const { option } of options) product.options.push(option);
    }
    const products = [...this.products.values()];
    const isShared = sharedKeys(fieldsOf(this.mapping, new Set()));
    for (const product of products) shareWithOptions(product, isShared);
    this.reportSharedNumbers(products);
    return { fields: fieldsOf(this.mapping, fieldsPerOption(products)), products, problems: this.problems };
  }

  private idOf(row: Row, line: number): string | null {
    // A feed without ids numbers its products by their lines.
    if (this.idColumn === null) return `line-${line}`;
    const id = textOf(lookUp(row, this.idColumn));
    if (id !== "" && id.length <= LONGEST_ID) return id;
    const message = id === "" ? "The line has no id." : `The id is longer than ${LONGEST_ID} characters.`;
    this.problems.add({ line, field: this.idColumn, kind: "no-id", message, done: "line skipped" });
    return null;
  }

  private readFields(row: Row, line: number): Values {
    const values: Values = {};
    for (const [column, entry] of this.fields) {
      const raw = lookUp(row, column);
      if (raw === undefined || raw === null || raw === "") continue;
      const reading = entry.scale || SPECIAL.has(entry.role) ? readSpecial(raw, entry) : readValue(raw, entry);
      if (reading.problem) this.problems.add({ line, field: column, ...reading.problem });
      // Several columns may fill one field: the first that has something does.
      if (reading.value !== null && lookUp(values, entry.key) === undefined) setOwn(values, entry.key, reading.value);
    }
    return values;
  }

  private nestedOptions(row: Row, parent: string, line: number): Option[] {
    const raw = this.optionColumns.map((column) => lookUp(row, column)).find(Array.isArray);
    if (!raw) return [];
    return raw.filter(isRow).map((nested, i) => {
      const option = flattenRow(nested, this.flattening);
      const id = textOf(lookUp(option, this.idColumn ?? "id")).slice(0, LONGEST_ID) || `${parent}-${i + 1}`;
      return { id, values: this.readFields(option, line) };
    });
  }

  private reportSharedNumbers(products: readonly Product[]): void {
    for (const [column, entry] of this.fields) {
      if (entry.role !== "articleNumber") continue;
      const owners = new Map<string, string>();
      for (const product of products) {
        for (const values of [product.values, ...product.options.map((option) => option.values)]) {
          const number = lookUp(values, entry.key);
          if (typeof number !== "string") continue;
          const owner = owners.get(number);
          if (owner === undefined) owners.set(number, product.id);
          else if (owner !== product.id)
            this.problems.add({
              line: this.lines.get(product.id) ?? 0,
              field: column,
              kind: "number-twice",
              message: `${say(number)} is the number of ${say(owner)} too; a search for it finds both.`,
              done: "taken as it is",
            });
        }
      }
    }
  }
}

/** Turns rows that are all at hand into products. @param firstLine line of the first row. */
export function assembleRows(rows: readonly Row[], mapping: Mapping, firstLine = 1): Assembled {
  const assembler = new Assembler(mapping);
  rows.forEach((row, i) => {
    assembler.add(row, firstLine + i);
  });
  return assembler.finish();
}

function textOf(raw: unknown): string {
  return raw === undefined || raw === null || typeof raw === "object" ? "" : String(raw).trim();
}

const SPECIAL: ReadonlySet<FieldRole> = new Set<FieldRole>(["stockState", "picture", "link"]);

function firstAddress(raw: unknown): unknown {
  const first = firstOf(raw);
  return typeof first === "string" && /^\S+[,|]\s?(?:https?:)?\/\S+$/.test(first) ? first.split(/[,|]/)[0] : first;
}

/** Boosts, hidden flags and stock states are brought to one scale. */
function readSpecial(raw: unknown, entry: ColumnMapping): ReturnType<typeof readValue> {
  if (entry.role === "stockState") return readStockState(raw);
  // Of several pictures or addresses the first is the product's.
  if (entry.role === "picture" || entry.role === "link") return readValue(firstAddress(raw), entry);
  const { scale } = entry;
  if (!scale) return readValue(raw, entry);
  if (entry.role === "hidden") {
    const text = String(raw).trim().toLowerCase();
    if (text === String(scale.strongest).toLowerCase()) return { value: true };
    if (text === String(scale.neutral).toLowerCase()) return { value: false };
    const plain = readValue(raw, entry);
    const isInverse = typeof scale.strongest === "string" && /^(no|n|0|false|nein|hidden)$/i.test(scale.strongest);
    return typeof plain.value === "boolean" && isInverse ? { value: !plain.value } : plain;
  }
  const amount = typeof raw === "number" ? raw : parseAmount(String(raw), entry.decimal)?.number;
  if (amount === undefined || !Number.isFinite(amount)) return readValue(raw, { ...entry, unit: null });
  const span = Number(scale.strongest) - Number(scale.neutral);
  if (span === 0) return { value: 1 };
  const factor = STRONGEST_BOOST ** ((amount - Number(scale.neutral)) / span);
  return { value: Number(Math.min(100, Math.max(0.01, factor)).toPrecision(6)) };
}

/** What a product takes from its options where it has none itself. */
const SHARED_ROLES: ReadonlySet<FieldRole> = new Set<FieldRole>(["title", "description", "brand", "category", "picture", "link"]);

/**
 * Options take what they lack from their product, and the product what it lacks from its options: what they all have,
 * and texts and pictures even where only some have them. What no option has differently is kept by the product alone.
 */
export function shareWithOptions(product: Product, isShared: (key: string) => boolean): void {
  for (const option of product.options) {
    for (const [key, value] of Object.entries(option.values)) {
      if (lookUp(product.values, key) !== undefined) continue;
      if (isShared(key) || product.options.every((other) => lookUp(other.values, key) !== undefined)) setOwn(product.values, key, value);
    }
  }
  for (const key of new Set(product.options.flatMap((option) => Object.keys(option.values)))) {
    const value = lookUp(product.values, key);
    if (value === undefined || !isSharedByAll(product, key, value)) continue;
    for (const option of product.options) delete option.values[key];
  }
}

export function sharedKeys(fields: readonly Field[]): (key: string) => boolean {
  const keys = new Set(fields.filter((field) => SHARED_ROLES.has(field.role)).map((field) => field.key));
  return (key) => keys.has(key);
}

/** A value that every option has alike says nothing about any of them. */
function isSharedByAll(product: Product, key: string, value: Value): boolean {
  return product.options.every((option) => lookUp(option.values, key) === undefined || isSame(lookUp(option.values, key), value));
}

function isSame(a: Value | undefined, b: Value | undefined): boolean {
  return a === b || (typeof a === "object" && JSON.stringify(a) === JSON.stringify(b));
}

/** The fields that some option has for itself. */
export function fieldsPerOption(products: readonly Product[]): Set<string> {
  const keys = new Set<string>();
  for (const product of products) for (const option of product.options) for (const key in option.values) keys.add(key);
  return keys;
}
