import { FIELD_ROLES, type Field, type FieldRole } from "../catalogue/types";
import { lookUp, setOwn } from "../records";
import { columnFacts } from "./column-facts";
import { columnOf } from "./column-names";
import { flattenRow, isRow, nestedColumns, type Row } from "./flatten";
import { type DecimalSign, decimalSignOf } from "./numbers";
import { COLUMN_USES, type ColumnUse, claimsOf, nameWords, type Part, ROLE_TYPES, SHARED_ROLES } from "./roles";
import { pathSeparator, proposeShape } from "./shapes";
import type { ValueShape } from "./values";

/** What a column is: the product's id, the id of the product it is an option of, nested options, a field, or nothing. */
export interface ColumnMapping extends ValueShape {
  use: ColumnUse;
  key: string;
  label: string;
  role: FieldRole;
  shown: boolean;
  /** Tells the options of a product apart (size, colour), so that rows that differ in it can be one product. */
  option: boolean;
  /** The feed's own scale of a boost or hidden flag: what means nothing special, and what means most. */
  scale: Scale | null;
  /** Why this is proposed, for people. */
  reason: string;
}

export interface Scale {
  neutral: string | number;
  strongest: string | number;
}

/** What each column of a feed is, by its name. */
export type Mapping = Record<string, ColumnMapping>;

/** Columns that a shop keeps to itself. */
const PRIVATE =
  /\b(?:costs?|margins?|marge|profits?|(?:roh)?gewinn|rohertrag|deckungsbeitrag|purchase|supplier|lieferant|vendor (?:code|id|number)|notes?|notiz(?:en)?|internal|intern(?:e[nrs]?)?|ek|wholesale|warehouse|bin location|lager(?:platz|ort)|hs ?code|tariff (?:code|number)|zolltarif(?:nummer)?)\b|einkauf/i;
/** Columns whose members are attributes of their own: their names say enough without it. */
const HOLDS_ATTRIBUTES =
  /^(?:attributes?|attrs?|specs?|specifications?|properties|features|tech|technical|details?|custom|fields|meta|data|params|parameters|merkmale|eigenschaften)\./i;
const TELLS_OPTIONS = /\b(size|grosse|colou?r|farbe|pot|topf|width|length|capacity|flavou?r|scent|material|style|pack)\b/;

/** Whether a column's nested rows are read as options instead of being flattened. */
export function holdsOptions(column: string): boolean {
  return /^(options|variants|variations|has ?variant)$/i.test(column.trim());
}

/** The sample values of each column, options' rows included. */
export function collectSamples(rows: readonly Row[]): Map<string, unknown[]> {
  const samples = new Map<string, unknown[]>();
  const nested = nestedColumns(rows);
  const how = { isKept: holdsOptions, isUnpacked: (column: string) => nested.has(column) };
  const take = (raw: Row) => {
    for (const [column, value] of Object.entries(flattenRow(raw, how))) {
      const known = samples.get(column);
      if (known) known.push(value);
      else samples.set(column, [value]);
      if (holdsOptions(column) && Array.isArray(value)) for (const option of value) if (isRow(option)) take(option);
    }
  };
  for (const row of rows) take(row);
  return samples;
}

/**
 * Proposes what each column is, from its name and from sample rows. Nested options are read with their product's columns.
 * @param locale language of the catalogue, which tells commas from points where no value does.
 */
export function proposeMapping(rows: readonly Row[], locale = "en"): Mapping {
  const samples = collectSamples(rows);
  const facts = new Map([...samples].map(([column, values]) => [column, columnFacts(values, Math.max(rows.length, values.length))]));
  const parts = assignParts([...facts].map(([column, entry]) => ({ column, claims: claimsOf(column, entry) })));
  const texts = [...facts.values()].flatMap((entry) => (entry.numbers > 0.8 ? entry.texts : []));
  const decimal: DecimalSign | null = decimalSignOf(texts) ?? (/^(de|fr|it|es|nl|pl|pt|sv|da|nb|fi|cs)\b/.test(locale) ? "," : null);

  const mapping: Mapping = {};
  const keys = new Set<string>();
  for (const [column, entry] of facts) {
    const { part, reason } = parts.get(column) ?? { part: null, reason: "" };
    const isUse = part === "id" || part === "parent" || part === "options";
    const role: FieldRole = isUse || part === null ? "attribute" : part;
    const proposed = proposeShape(column, entry, decimal);
    const type = ROLE_TYPES[role] ?? proposed.type;
    const words = nameWords(column);
    setOwn(mapping, column, {
      ...proposed,
      type,
      separator: type === "path" || type === "list" ? (proposed.separator ?? (type === "path" ? pathSeparator(entry.texts) : null)) : null,
      unit: type === "number" && role === "attribute" ? proposed.unit : null,
      use: isUse ? part : "field",
      key: freeKey(column, keys),
      // A unit that is in the name is beside the values from now on.
      label: labelOf(proposed.unit ? withoutBrackets(column) || column : column, role, part),
      role,
      shown: !PRIVATE.test(words) && !NEVER_SHOWN.has(role) && !(role === "attribute" && !isUse && areOwnCodes(words, entry)),
      option: role === "attribute" && part === null && TELLS_OPTIONS.test(words),
      scale: role === "boost" ? boostScale(entry.least, entry.most) : role === "hidden" ? hiddenScale(words, entry.texts) : null,
      // The type comes with the role: what speaks for the role is all there is to say.
      reason: part === null ? proposed.reason : reason,
    });
  }
  return ensureId(mapping, facts);
}

/** Codes in a column that is called so are the shop's own: shoppers know article numbers and models, and the codes of colours. */
function areOwnCodes(words: string, { codes, numbers }: ReturnType<typeof columnFacts>): boolean {
  return (
    /\b(?:codes?|keys?|ids?|refs?|schlussel|kennung)$/.test(words) &&
    !/\b(?:colou?r|farb\w*|ral|model|modell)\b/.test(words) &&
    codes + numbers > 0.9
  );
}

/** Gives each part to the column with the strongest claim on it. */
function assignParts(columns: readonly { column: string; claims: ReturnType<typeof claimsOf> }[]) {
  const all = columns.flatMap(({ column, claims }, order) => [...claims].map(([part, claim]) => ({ column, part, order, ...claim })));
  all.sort((a, b) => b.strength - a.strength || a.order - b.order);
  const given = new Map<string, { part: Part; reason: string }>();
  const taken = new Set<Part>();
  for (const { column, part, reason } of all) {
    if (given.has(column) || (taken.has(part) && !SHARED_ROLES.has(part))) continue;
    given.set(column, { part, reason });
    taken.add(part);
  }
  return given;
}

/** Without a column of ids the first article number that differs on every line tells products apart, else any such column. */
function ensureId(mapping: Mapping, facts: ReadonlyMap<string, ReturnType<typeof columnFacts>>): Mapping {
  if (Object.values(mapping).some((entry) => entry.use === "id")) return mapping;
  const tellsApart = ([column]: [string, ColumnMapping]) => {
    const entry = facts.get(column);
    return entry !== undefined && entry.fill > 0.99 && entry.distinct === entry.values.length && entry.words < 2 && entry.addresses < 0.5;
  };
  const candidates = Object.entries(mapping).filter(tellsApart);
  const found =
    candidates.find(([, entry]) => entry.role === "articleNumber") ?? candidates.find(([column]) => (facts.get(column)?.codes ?? 0) > 0.9);
  if (!found) return mapping;
  const [column, own] = found;
  return { ...mapping, [column]: { ...own, use: "id", reason: `${own.reason}. Differs on every line, so it tells products apart` } };
}

/** A column name as a key: lower case, words joined by hyphens. */
export function keyOf(column: string): string {
  const key = column
    .normalize("NFKC")
    .replace(/([a-z])([A-Z])/g, "$1-$2")
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, "-")
    .replace(/^-|-$/g, "")
    .slice(0, 100);
  return key || "column";
}

function freeKey(column: string, taken: Set<string>): string {
  const base = keyOf(column);
  let key = base;
  for (let n = 2; taken.has(key); n++) key = `${base}-${n}`;
  taken.add(key);
  return key;
}

/** Roles that say how a product is to be treated, which is nothing for shoppers to read. */
const NEVER_SHOWN: ReadonlySet<FieldRole> = new Set<FieldRole>(["boost", "hidden", "saleFrom", "saleUntil", "saleDates"]);

function labelOf(column: string, role: FieldRole, part: Part | null): string {
  if (role === "articleNumber" && /^sku$/i.test(column.trim())) return "Article number";
  const nested = part === null && HOLDS_ATTRIBUTES.test(column) ? column.slice(column.lastIndexOf(".") + 1) : column;
  const words = keyOf(nested === "" ? column : nested).replace(/-/g, " ");
  return words.charAt(0).toUpperCase() + words.slice(1);
}

function boostScale(least: number, most: number): Scale {
  const strongest = Number.isFinite(most) ? most : 10;
  return { neutral: least < 0 ? 0 : Number.isFinite(least) && least <= 1 && most > 1 ? 1 : 0, strongest: strongest > 1 ? strongest : 10 };
}

/** A flag that names what is seen is the other way round from one that names what is not. */
function hiddenScale(words: string, texts: readonly string[]): Scale {
  const isInverse = /visib|active|aktiv|enabled|published|sichtbar/.test(words);
  const distinct = [...new Set(texts.map((text) => text.toLowerCase()))];
  const off = distinct.find((text) => /^(no|n|0|false|nein|hidden|inactive|disabled|unpublished|draft|archived|off|none)/.test(text));
  const on = distinct.find((text) => text !== off);
  return isInverse ? { neutral: on ?? "yes", strongest: off ?? "no" } : { neutral: off ?? "no", strongest: on ?? "yes" };
}

/** What a caller wants of a column: the name of a role, a use, a field of its own; or any members of its mapping. */
export type Wish = string | Partial<Omit<ColumnMapping, "reason">>;

/** Lays a caller's wishes over a proposal. Columns that the feed does not have are left out. */
export function applyWishes(mapping: Mapping, wishes: Readonly<Record<string, Wish>>): Mapping {
  const result = { ...mapping };
  for (const [column, wish] of Object.entries(wishes)) {
    const own = lookUp(result, column);
    if (!own) continue;
    const next: ColumnMapping = typeof wish === "string" ? namedWish(own, wish) : { ...own, ...wish };
    if (next.use === "id" && own.use !== "id")
      for (const [other, entry] of Object.entries(result)) if (entry.use === "id") setOwn(result, other, { ...entry, use: "field" });
    setOwn(result, column, { ...next, reason: "Set by hand" });
  }
  return result;
}

function namedWish(own: ColumnMapping, wish: string): ColumnMapping {
  if ((COLUMN_USES as readonly string[]).includes(wish) && wish !== "field") return { ...own, use: wish as ColumnUse, role: "attribute" };
  if ((FIELD_ROLES as readonly string[]).includes(wish)) {
    const role = wish as FieldRole;
    const type = ROLE_TYPES[role] ?? own.type;
    return { ...own, use: "field", role, type, separator: type === "path" ? (own.separator ?? ">") : own.separator };
  }
  return { ...own, use: "field", role: "attribute", key: keyOf(wish), label: labelOf(wish, "attribute", null) };
}

/**
 * Lets columns fill the fields that are there already: a column called like a field is that field with its type, and a
 * title stays the title, whatever its column is called this time.
 */
export function alignWith(mapping: Mapping, fields: readonly Field[]): Mapping {
  const byKey = new Map(fields.map((field) => [field.key, field]));
  const byColumn = new Map(fields.map((field) => [columnOf(field), field]));
  const byRole = new Map(fields.filter(({ role }) => role !== "attribute" && role !== "articleNumber").map((field) => [field.role, field]));
  const filled = new Set<string>();
  return Object.fromEntries(
    Object.entries(mapping).map(([column, entry]) => {
      const same = byColumn.get(column) ?? byKey.get(entry.key);
      const field = same ?? (entry.use === "field" ? byRole.get(entry.role) : undefined);
      if (!field || filled.has(field.key) || entry.use === "parent" || entry.use === "options") return [column, entry];
      filled.add(field.key);
      const { key, label, shown } = field;
      if (!same) return [column, { ...entry, key, label, shown }];
      const { type, role, unit } = field;
      return [column, { ...entry, key, label, shown, type, role, unit, reason: `${entry.reason}. Fills the field “${label}”` }];
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
  "saleFrom",
  "saleUntil",
  "saleDates",
  "listPrice",
  "currency",
  "stock",
  "stockState",
  "rating",
  "ratingCount",
  "sold",
  "added",
  "boost",
  "hidden",
  "picture",
  "link",
];

/** The fields of a mapping, in catalogue order: what names a product first, long texts and figures last. */
export function fieldsOf(mapping: Mapping, perOption: ReadonlySet<string>): Field[] {
  const fields = new Map<string, Field>();
  for (const entry of Object.values(mapping)) {
    const { key, label, type, role, unit, shown } = entry;
    if (isField(entry) && !fields.has(key)) fields.set(key, { key, label, type, role, unit, shown, perOption: perOption.has(key) });
  }
  return [...fields.values()].sort((a, b) => ROLE_ORDER.indexOf(a.role) - ROLE_ORDER.indexOf(b.role));
}

/** Whether a column fills a field: an article number does so even where it serves as the id. */
export function isField(entry: ColumnMapping): boolean {
  return entry.use === "field" || (entry.use === "id" && entry.role === "articleNumber");
}

/** A column's name without what stands in brackets at its end, as units do: "Height (cm)". */
function withoutBrackets(column: string): string {
  const name = column.trimEnd();
  const from = Math.max(name.lastIndexOf("("), name.lastIndexOf("["));
  return from >= 0 && /^.[^)\]]*[)\]]$/s.test(name.slice(from)) ? name.slice(0, from).trimEnd() : column;
}
