import { keysOf } from "../catalogue/text-of";
import { type Bits, emptyBits, fullBits, intersect, invert, setBit, unite } from "../index/bits";
import { rowsOf } from "../index/columns";
import { fieldNumber, productAt } from "../index/read";
import { stringsOf } from "../index/strings";
import type { Column, Index } from "../index/types";
import { lookUp } from "../records";
import type { Condition, FieldTest } from "../settings/condition";
import type { Settings } from "../settings/schema";
import { derivedColumn } from "./sorts";

export const DAY = 86_400_000;
/** Selections within one another that are followed; new ones cannot be made of so many. */
const MOST_WITHIN = 40;

/** What meets a condition: products, or options, where all that is asked must be met by one and the same. */
type Rows = "products" | "options";

/** The products and the options that meet a condition. A product with options meets a test when one of its options does. */
export class Conditions {
  private readonly memory = new Map<string, Bits>();
  private readonly ofSelections = new Map<string, Bits>();
  /** The first place of the trail that something below led back to, -1 for one beyond its end. */
  private cut = Number.POSITIVE_INFINITY;

  constructor(
    private readonly index: Index,
    private readonly selections: Settings["selections"],
  ) {}

  /** @param at a moment of the day (UTC) that `newerThanDays` counts from, in milliseconds since 1970. */
  products(condition: Condition, at: number): Bits {
    return this.meeting("products", condition, at);
  }

  /** By option; what options do not carry themselves is their product's. */
  options(condition: Condition, at: number): Bits {
    return this.meeting("options", condition, at);
  }

  private meeting(rows: Rows, condition: Condition, at: number): Bits {
    const key = rows + JSON.stringify(condition) + (dependsOnTime(condition, this.selections) ? `@${Math.floor(at / DAY)}` : "");
    let bits = this.memory.get(key);
    if (!bits) {
      bits = this.evaluate(rows, condition, at, []);
      this.memory.set(key, bits);
    }
    return bits;
  }

  private evaluate(rows: Rows, condition: Condition, at: number, trail: readonly string[]): Bits {
    const size = this.index[rows];
    if ("all" in condition) {
      return condition.all.reduce((bits, part) => intersect(bits, this.evaluate(rows, part, at, trail)), fullBits(size));
    }
    if ("any" in condition) {
      return condition.any.reduce((bits, part) => unite(bits, this.evaluate(rows, part, at, trail)), emptyBits(size));
    }
    if ("not" in condition) return invert(this.evaluate(rows, condition.not, at, trail), size);
    if ("selection" in condition) return this.selected(rows, condition.selection, at, trail);
    return this.test(rows, condition, at);
  }

  /** What is in a selection, worked out once, however often others name it. */
  private selected(rows: Rows, id: string, at: number, trail: readonly string[]): Bits {
    // A selection that is gone, or that leads back to itself, means no product: nothing is lost silently.
    if (!Object.hasOwn(this.selections, id)) return emptyBits(this.index[rows]);
    const place = trail.indexOf(id);
    if (place >= 0 || trail.length >= MOST_WITHIN) {
      this.cut = Math.min(this.cut, place);
      return emptyBits(this.index[rows]);
    }
    const key = `${rows} ${id}@${Math.floor(at / DAY)}`;
    const known = this.ofSelections.get(key);
    if (known) return known;
    const before = this.cut;
    this.cut = Number.POSITIVE_INFINITY;
    const bits = this.evaluate(rows, lookUp(this.selections, id).condition, at, [...trail, id]);
    // What was left out since it leads back to one of those above is left out in this place alone.
    const isWhole = this.cut >= trail.length;
    if (isWhole) this.ofSelections.set(key, bits);
    this.cut = isWhole ? before : Math.min(this.cut, before);
    return bits;
  }

  private test(rows: Rows, test: FieldTest, at: number): Bits {
    const { index } = this;
    const f = fieldNumber(index, test.field);
    if (index.fields[f]?.role === "description") return this.ofProducts(rows, this.longTextTest(test, f));
    const column = index.columns[f] ?? derivedColumn(index, test.field);
    if (!column) return test.empty === true ? fullBits(index[rows]) : emptyBits(index[rows]);
    const holds = column.kind === "numbers" ? numberTest(test, column.numbers, at) : keyTest(test, column);
    if (!column.perOption) return this.ofProducts(rows, holds);
    const bits = emptyBits(index[rows]);
    for (let option = 0; option < index.options; option++)
      if (holds(option)) setBit(bits, rows === "options" ? option : index.optionProducts[option]);
    return bits;
  }

  /** The products that a test holds for, or all their options. */
  private ofProducts(rows: Rows, holds: (product: number) => boolean): Bits {
    const { products, optionStarts } = this.index;
    const bits = emptyBits(this.index[rows]);
    for (let product = 0; product < products; product++) {
      if (!holds(product)) continue;
      if (rows === "products") setBit(bits, product);
      else for (let option = optionStarts[product]; option < optionStarts[product + 1]; option++) setBit(bits, option);
    }
    return bits;
  }

  /** Long texts have no column: whether they are filled is known from their lengths, all else is read in the products themselves. */
  private longTextTest(test: FieldTest, f: number): (product: number) => boolean {
    const { products, lengths, fields } = this.index;
    if (test.empty !== undefined) return (product) => (lengths[f * products + product] === 0) === test.empty;
    const holds = textTest(test);
    return (product) => rowsOf(fields[f], productAt(this.index, product)).some((value) => keysOf(fields[f], value).some(holds));
  }
}

function numberTest(test: FieldTest, numbers: Float64Array, at: number): (row: number) => boolean {
  if (test.empty !== undefined) return (row) => Number.isNaN(numbers[row]) === test.empty;
  if (test.between) {
    const [from, to] = test.between;
    return (row) => numbers[row] >= (from ?? -Infinity) && numbers[row] <= (to ?? Infinity);
  }
  if (test.newerThanDays !== undefined) {
    // Whole days, so that an answer does not depend on the hour at which it was first asked for.
    const today = Math.floor(at / DAY) * DAY;
    const oldest = today - test.newerThanDays * DAY;
    return (row) => numbers[row] >= oldest && numbers[row] < today + DAY;
  }
  const wanted = (test.oneOf ?? [test.is]).map((value) =>
    typeof value === "string" && Number.isNaN(Number(value)) ? Date.parse(value) : Number(value),
  );
  return (row) => wanted.includes(numbers[row]);
}

function keyTest(test: FieldTest, column: Column & { kind: "keys" }): (row: number) => boolean {
  const { starts, ordinals } = column;
  if (test.empty !== undefined) return (row) => (starts[row + 1] === starts[row]) === test.empty;
  const holdsKey = textTest(test);
  const wanted = Uint8Array.from(stringsOf(column.keys), (key) => (holdsKey(key) ? 1 : 0));
  return (row) => {
    for (let i = starts[row]; i < starts[row + 1]; i++) if (wanted[ordinals[i]]) return true;
    return false;
  };
}

function textTest(test: FieldTest): (key: string) => boolean {
  if (test.contains !== undefined) {
    const part = test.contains.toLowerCase();
    return (key) => key.toLowerCase().includes(part);
  }
  if (test.startsWith !== undefined) {
    const start = test.startsWith.toLowerCase();
    return (key) => key.toLowerCase().startsWith(start);
  }
  const wanted = new Set(
    (test.oneOf ?? [test.is]).map((value) => (value === true ? "yes" : value === false ? "no" : String(value).toLowerCase())),
  );
  return (key) => wanted.has(key.toLowerCase());
}

function dependsOnTime(condition: Condition, selections: Settings["selections"]): boolean {
  const open = [condition];
  const seen = new Set<string>();
  for (let next = open.pop(); next; next = open.pop()) {
    if ("all" in next) open.push(...next.all);
    else if ("any" in next) open.push(...next.any);
    else if ("not" in next) open.push(next.not);
    else if ("selection" in next) {
      if (!seen.has(next.selection) && Object.hasOwn(selections, next.selection)) open.push(lookUp(selections, next.selection).condition);
      seen.add(next.selection);
    } else if (next.newerThanDays !== undefined) return true;
  }
  return false;
}
