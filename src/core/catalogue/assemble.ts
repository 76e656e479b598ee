import { type ColumnMapping, fieldsOf, isRow, type Mapping, type Row } from "./mapping";
import type { Field, Option, Product, Values } from "./types";
import { readValue } from "./values";

/** Something in the feed that could not be taken as it was. */
export interface Problem {
  /** Line of the feed, from 1; 0 for the feed as a whole. */
  line: number;
  field: string;
  message: string;
}

export interface Assembled {
  fields: Field[];
  products: Product[];
  problems: Problem[];
  problemCount: number;
}

const MOST_PROBLEMS = 1000;

/** Turns rows into products: one row each, options nested in it or as rows of their own that name their parent. */
export class Assembler {
  private readonly products = new Map<string, Product>();
  private readonly orphans = new Map<string, { line: number; option: Option }[]>();
  private readonly perOption = new Set<string>();
  private readonly problems: Problem[] = [];
  private readonly columns: [string, ColumnMapping][];
  private problemCount = 0;

  constructor(private readonly mapping: Mapping) {
    this.columns = Object.entries(mapping);
  }

  add(row: Row, line: number): void {
    const id = this.idOf(row, line);
    if (id === null) return;
    const parent = this.parentOf(row);
    const values = this.readFields(row, line);
    if (parent !== null && parent !== id) {
      this.addOption(parent, { id, values }, line);
      return;
    }
    if (this.products.has(id)) this.report(line, "id", `The id “${id}” stands on more than one line; the last one counts.`);
    this.products.set(id, { id, values, options: this.nestedOptions(row, id, line) });
  }

  report(line: number, field: string, message: string): void {
    this.problemCount++;
    if (this.problems.length < MOST_PROBLEMS) this.problems.push({ line, field, message });
  }

  finish(): Assembled {
    for (const [parent, options] of this.orphans) {
      // Options whose parent has no line of its own form a product together.
      const product = this.products.get(parent) ?? { id: parent, values: { ...options[0].option.values }, options: [] };
      this.products.set(parent, product);
      for (const { option } of options) product.options.push(option);
    }
    const products = [...this.products.values()];
    for (const product of products)
      for (const option of product.options)
        for (const key of Object.keys(option.values)) {
          if (option.values[key] !== undefined && JSON.stringify(option.values[key]) !== JSON.stringify(product.values[key]))
            this.perOption.add(key);
        }
    return { fields: fieldsOf(this.mapping, this.perOption), products, problems: this.problems, problemCount: this.problemCount };
  }

  private idOf(row: Row, line: number): string | null {
    const column = this.columns.find(([, entry]) => entry.use === "id")?.[0];
    const raw = column === undefined ? undefined : row[column];
    const id = raw === undefined || raw === null || typeof raw === "object" ? "" : String(raw).trim();
    if (id === "" || id.length > 120) {
      this.report(
        line,
        column ?? "id",
        id === "" ? "The line has no id; it was skipped." : "The id is longer than 120 characters; the line was skipped.",
      );
      return null;
    }
    return id;
  }

  private parentOf(row: Row): string | null {
    const column = this.columns.find(([, entry]) => entry.use === "parent")?.[0];
    const raw = column === undefined ? null : row[column];
    return raw === null || raw === undefined || raw === "" ? null : String(raw).trim();
  }

  private readFields(row: Row, line: number): Values {
    const values: Values = {};
    for (const [column, entry] of this.columns) {
      if (entry.use !== "field" && !(entry.use === "id" && entry.role === "articleNumber")) continue;
      const reading = readValue(row[column], entry);
      if ("problem" in reading) this.report(line, column, reading.problem);
      else if (reading.value !== null) values[entry.key] = reading.value;
    }
    return values;
  }

  private nestedOptions(row: Row, parent: string, line: number): Option[] {
    const column = this.columns.find(([, entry]) => entry.use === "options")?.[0];
    const raw = column === undefined ? undefined : row[column];
    if (!Array.isArray(raw)) return [];
    return raw.filter(isRow).map((option, i) => {
      const idColumn = this.columns.find(([, entry]) => entry.use === "id")?.[0] ?? "id";
      const id = String(option[idColumn] ?? `${parent}-${i + 1}`);
      return { id, values: this.readFields(option, line) };
    });
  }

  private addOption(parent: string, option: Option, line: number): void {
    const waiting = this.orphans.get(parent);
    if (waiting) waiting.push({ line, option });
    else this.orphans.set(parent, [{ line, option }]);
  }
}
