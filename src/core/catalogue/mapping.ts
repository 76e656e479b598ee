import { FIELD_ROLES, type Field, type FieldRole, type FieldType } from "./types";
import { parseNumber, type ValueShape } from "./values";

/** A row as CSV or JSON give it, by column name. */
export type Row = Record<string, unknown>;

/** What a column is: the product's id, the id of the product it is an option of, nested options, a field, or nothing. */
export interface ColumnMapping extends ValueShape {
  use: "id" | "parent" | "options" | "skip" | "field";
  key: string;
  label: string;
  role: FieldRole;
  shown: boolean;
}
export type Mapping = Record<string, ColumnMapping>;

const USE_NAMES: [ColumnMapping["use"], RegExp][] = [
  ["id", /^(id|product[-_ ]?id|item[-_ ]?id|handle|key)$/i],
  ["parent", /^(parent|parent[-_ ]?(id|product)|item[-_ ]?group[-_ ]?id|master[-_ ]?id)$/i],
  ["options", /^(options|variants|variations)$/i],
];

const ROLE_NAMES: [FieldRole, RegExp][] = [
  ["title", /^(title|name|product[-_ ]?(title|name)|bezeichnung|titel)$/i],
  ["description", /^(description|desc|long[-_ ]?description|text|body|beschreibung)$/i],
  ["brand", /^(brand|maker|manufacturer|vendor|marke|hersteller)$/i],
  ["category", /^(categor(y|ies)([-_ ]?path)?|product[-_ ]?type|kategorie|department)$/i],
  ["tags", /^(tags?|keywords|labels)$/i],
  ["salePrice", /^(sale[-_ ]?price|offer[-_ ]?price|special[-_ ]?price|angebotspreis)$/i],
  ["price", /^(price|unit[-_ ]?price|preis)$/i],
  ["picture", /^(picture|image([-_ ]?(url|link|src))?|photo|bild)$/i],
  ["link", /^(link|url|address|permalink)$/i],
  ["articleNumber", /^(sku|article([-_ ]?(no|number))?|mpn|gtin|ean|barcode|art(ikel)?[-_ ]?(nr|nummer)|item[-_ ]?(no|number))$/i],
  ["stock", /^(stock([-_ ]?(level|qty|quantity))?|quantity|inventory|bestand)$/i],
  ["ratingCount", /^(rating[-_ ]?count|reviews?([-_ ]?count)?|number[-_ ]?of[-_ ]?(ratings|reviews))$/i],
  ["rating", /^(rating|average[-_ ]?rating|stars|bewertung)$/i],
  ["sold", /^(sold|sales|units[-_ ]?sold|verkauft)$/i],
  ["added", /^(added([-_ ]?(on|at))?|created([-_ ]?(on|at))?|new[-_ ]?since|date[-_ ]?added)$/i],
];

const ROLE_TYPES: Partial<Record<FieldRole, FieldType>> = {
  title: "text",
  description: "text",
  brand: "keyword",
  category: "path",
  tags: "list",
  price: "number",
  salePrice: "number",
  picture: "keyword",
  link: "keyword",
  articleNumber: "keyword",
  stock: "number",
  rating: "number",
  ratingCount: "number",
  sold: "number",
  added: "date",
};

/** Columns that a shop keeps to itself. */
const PRIVATE = /\b(cost|margin|purchase|supplier|notes?|internal|einkauf)\b/i;

/** Proposes what each column is, from its name and from sample rows. Nested options are read with their product's columns. */
export function proposeMapping(rows: readonly Row[]): Mapping {
  const samples = new Map<string, unknown[]>();
  const take = (row: Row) => {
    for (const [column, value] of Object.entries(row)) {
      const known = samples.get(column);
      if (known) known.push(value);
      else samples.set(column, [value]);
      if (columnUse(column) === "options" && Array.isArray(value)) for (const option of value) if (isRow(option)) take(option);
    }
  };
  for (const row of rows) take(row);
  const taken = new Set<string>();
  const mapping: Mapping = {};
  for (const [column, values] of samples) mapping[column] = proposeColumn(column, values, taken);
  return ensureId(mapping);
}

export function isRow(value: unknown): value is Row {
  return typeof value === "object" && value !== null && !Array.isArray(value);
}

function columnUse(column: string): ColumnMapping["use"] | null {
  return USE_NAMES.find(([, pattern]) => pattern.test(column.trim()))?.[0] ?? null;
}

function proposeColumn(column: string, values: readonly unknown[], taken: Set<string>): ColumnMapping {
  const base = { key: keyOf(column), label: labelOf(column), unit: null, separator: null, shown: !PRIVATE.test(column) };
  const use = columnUse(column);
  if (use && !taken.has(use)) {
    taken.add(use);
    return { ...base, use, role: "attribute", type: "keyword" };
  }
  const role = ROLE_NAMES.find(([, pattern]) => pattern.test(column.trim()))?.[0] ?? "attribute";
  const isFree = role === "articleNumber" || !taken.has(role);
  const own = isFree ? role : "attribute";
  if (own === "articleNumber" && /^sku$/i.test(column.trim())) base.label = "Article number";
  if (own !== "attribute") taken.add(own);
  const type = ROLE_TYPES[own];
  const shape = type ? { ...proposeShape(values), type } : proposeShape(values);
  if (shape.type === "path" || shape.type === "list") shape.separator ??= guessSeparator(values, shape.type === "path");
  if (own === "price" || own === "salePrice") shape.unit = null;
  const hidden = own === "sold" || own === "stock" ? { shown: true } : {};
  return { ...base, ...shape, ...hidden, use: "field", role: own };
}

/** Without a column of ids the first article number, else the first column, tells products apart. */
function ensureId(mapping: Mapping): Mapping {
  const entries = Object.entries(mapping);
  if (entries.length === 0 || entries.some(([, column]) => column.use === "id")) return mapping;
  const [column, own] = entries.find(([, entry]) => entry.role === "articleNumber") ?? entries[0];
  return { ...mapping, [column]: { ...own, use: "id" } };
}

/** A column name as a key: lower case, words joined by hyphens. */
export function keyOf(column: string): string {
  const key = column
    .normalize("NFKC")
    .replace(/([a-z])([A-Z])/g, "$1-$2")
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, "-")
    .replace(/^-+|-+$/g, "");
  return key || "column";
}

function labelOf(column: string): string {
  const words = keyOf(column).replace(/-/g, " ");
  return words.charAt(0).toUpperCase() + words.slice(1);
}

const MOSTLY = 0.9;

/** The type that nearly all samples have. */
function proposeShape(values: readonly unknown[]): ValueShape {
  const filled = values.filter((value) => value !== null && value !== undefined && value !== "");
  const share = (test: (value: unknown) => boolean) => (filled.length === 0 ? 0 : filled.filter(test).length / filled.length);
  const text: ValueShape = { type: "text", unit: null, separator: null };
  if (filled.length === 0) return { ...text, type: "keyword" };
  if (share((value) => Array.isArray(value) && value.some(Array.isArray)) > 0) return { ...text, type: "path" };
  if (share(Array.isArray) > 0.5) return { ...text, type: "list" };
  if (share((value) => typeof value === "boolean" || /^(yes|no|true|false|ja|nein)$/i.test(String(value).trim())) >= MOSTLY)
    return { ...text, type: "flag" };
  const numbers = filled.map((value) => (typeof value === "number" ? { number: value, unit: null } : parseNumber(String(value))));
  if (numbers.filter(Boolean).length / filled.length >= MOSTLY) return proposeNumber(numbers, text);
  if (share((value) => /^\d{4}-\d{2}-\d{2}(T|$)/.test(String(value).trim())) >= MOSTLY) return { ...text, type: "date" };
  const separator = guessSeparator(filled, false);
  if (separator && share((value) => String(value).includes(separator)) > 0.15 && separator !== ">")
    return { ...text, type: "list", separator };
  const words = filled.reduce((sum: number, value) => sum + String(value).split(/\s+/).length, 0) / filled.length;
  return { ...text, type: words > 6 ? "text" : "keyword" };
}

function proposeNumber(numbers: readonly ({ number: number; unit: string | null } | null)[], text: ValueShape): ValueShape {
  const units = new Set(numbers.flatMap((entry) => (entry ? [entry.unit] : [])));
  if (units.size === 1) return { ...text, type: "number", unit: [...units][0] };
  return units.size === 2 && units.has(null)
    ? { ...text, type: "number", unit: [...units].find((unit) => unit !== null) ?? null }
    : { ...text, type: "keyword" };
}

function guessSeparator(values: readonly unknown[], isPath: boolean): string | null {
  const texts = values.filter((value): value is string => typeof value === "string");
  const candidates = isPath ? ["›", ">", "/", "|"] : ["|", ";"];
  return candidates.find((separator) => texts.some((text) => text.includes(separator))) ?? null;
}

/**
 * Lays a caller's wishes over a proposal: from column to a role, to "id", "parent", "options" or "skip", or to the key
 * of a field of its own.
 */
export function applyWishes(mapping: Mapping, wishes: Readonly<Record<string, string>>): Mapping {
  const result = { ...mapping };
  for (const [column, wish] of Object.entries(wishes)) {
    const own = result[column];
    if (!own) continue;
    if (wish === "id" || wish === "parent" || wish === "options" || wish === "skip") {
      if (wish === "id")
        for (const [other, entry] of Object.entries(result)) if (entry.use === "id") result[other] = { ...entry, use: "field" };
      result[column] = { ...own, use: wish };
    } else if ((FIELD_ROLES as readonly string[]).includes(wish)) {
      const role = wish as FieldRole;
      result[column] = { ...own, use: "field", role, type: ROLE_TYPES[role] ?? own.type };
    } else {
      result[column] = { ...own, use: "field", role: "attribute", key: keyOf(wish), label: labelOf(wish) };
    }
  }
  return result;
}

/** Lets columns fill the fields that are there already: a title stays the title, whatever its column is called this time. */
export function alignWith(mapping: Mapping, fields: readonly Field[]): Mapping {
  const keys = new Map(
    fields.filter((field) => field.role !== "attribute" && field.role !== "articleNumber").map((field) => [field.role, field]),
  );
  return Object.fromEntries(
    Object.entries(mapping).map(([column, entry]) => {
      const field = entry.use === "field" ? keys.get(entry.role) : undefined;
      return [column, field ? { ...entry, key: field.key, label: field.label } : entry];
    }),
  );
}

const ROLE_ORDER: readonly FieldRole[] = [
  "title",
  "brand",
  "category",
  "articleNumber",
  "tags",
  "attribute",
  "description",
  "price",
  "salePrice",
  "stock",
  "rating",
  "ratingCount",
  "sold",
  "added",
  "picture",
  "link",
];

/** The fields of a mapping, in catalogue order: what names a product first, long texts and figures last. */
export function fieldsOf(mapping: Mapping, perOption: ReadonlySet<string>): Field[] {
  const fields = new Map<string, Field>();
  for (const { use, key, label, type, role, unit, shown } of Object.values(mapping)) {
    if (use === "field" && !fields.has(key)) fields.set(key, { key, label, type, role, unit, shown, perOption: perOption.has(key) });
  }
  return [...fields.values()].sort((a, b) => ROLE_ORDER.indexOf(a.role) - ROLE_ORDER.indexOf(b.role));
}
