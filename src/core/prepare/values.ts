import { isColourName, lookOfColour, type Perceived, perceived } from "../catalogue/colours";
import { PATH_SEPARATOR } from "../catalogue/text-of";
import type { Field } from "../catalogue/types";
import { emptyBits, listBits, setBit } from "../index/bits";
import { fieldNumber } from "../index/read";
import { rowsByKey } from "../index/rows";
import { findKey, stringsOf } from "../index/strings";
import type { Index, KeyColumn } from "../index/types";
import { fieldsOfFilter } from "../settings/read-filter";
import type { Settings } from "../settings/schema";
import type { Stem } from "../text/stem";
import { type PhraseForms, PhraseTable, phraseForms } from "./phrases";

/** What a word or phrase names in a field that shoppers can filter by: a value, or a group of values. */
export interface NamedValue {
  field: number;
  /** As it is shown. */
  label: string;
  /** Places in the keys of the field's column. */
  ordinals: number[];
  /** Id of the group; null for a plain value. */
  group: string | null;
}

export interface PreparedValues {
  /** One table for each field that has values, and one for the groups. */
  tables: PhraseTable<NamedValue>[];
  /** Longest name, in words. */
  longest: number;
  /**
   * Fields whose values are colours, for names of colours that the catalogue does not hold; lists of values of which nearly all are
   * colours among them, which is not sure.
   */
  colours: { field: number; isSure: boolean; looks: ({ ordinal: number } & Perceived)[] }[];
}

/** Fields with more values than this hold texts rather than names of things. */
const MOST_VALUES = 20_000;
const LONGEST_NAME = 6;
/** A list of values is one of colours where it has as many and nearly all of them name nothing but a colour. */
const LEAST_COLOURS = 3;
const NEARLY_ALL = 0.9;

/** The values and value groups of the fields that filters and groups name: what shoppers can filter by they can also type. */
export function prepareValues(index: Index, settings: Settings, stem: Stem): PreparedValues {
  const groups = Object.entries(settings.groups).filter(([, group]) => group.on);
  const filtered = Object.values(settings.filters).flatMap((filter) => (filter.on ? fieldsOfFilter(filter) : []));
  const keys = new Set([...filtered, ...groups.map(([, group]) => group.field)]);
  const tables: PreparedValues["tables"] = [];
  const colours: PreparedValues["colours"] = [];
  for (const key of keys) {
    const field = fieldNumber(index, key);
    const column = index.columns[field];
    if (column?.kind !== "keys" || index.fields[field].type === "flag" || column.keys.offsets.length - 1 > MOST_VALUES) continue;
    tables.push(tableOf(index.fields[field], field, column, stem));
    const { type } = index.fields[field];
    if (type === "colour" || (type === "list" && isOfColours(column)))
      colours.push({ field, isSure: type === "colour", looks: looksOf(column) });
  }
  const ofGroups = new PhraseTable<NamedValue>();
  for (const [id, group] of groups) {
    const field = fieldNumber(index, group.field);
    const column = index.columns[field];
    if (column?.kind !== "keys") continue;
    const ordinals = ordinalsOfGroup(column, group);
    for (const label of new Set(Object.values(group.label)))
      ofGroups.add(id, phraseForms(label, stem).stems, { field, label, ordinals, group: id });
  }
  ofGroups.sort();
  if (!ofGroups.isEmpty) tables.push(ofGroups);
  return { tables: tables.filter((table) => !table.isEmpty), longest: LONGEST_NAME, colours };
}

/** The values of a group that the catalogue holds, one that is called like the group among them. */
export function ordinalsOfGroup(column: KeyColumn, { values, label }: Settings["groups"][string]): number[] {
  const names = new Set([...values, ...Object.values(label)]);
  return [...names].map((value) => findKey(column.keys, value)).filter((ordinal) => ordinal >= 0);
}

const memory = new WeakMap<KeyColumn, { stem: Stem; table: PhraseTable<NamedValue> }>();

/** Made once for each state of a column, since it depends on no setting. */
function tableOf({ type }: Field, field: number, column: KeyColumn, stem: Stem): PhraseTable<NamedValue> {
  const known = memory.get(column);
  if (known?.stem === stem) return known.table;
  const byName = new Map<string, { forms: PhraseForms; label: string; ordinals: number[] }>();
  stringsOf(column.keys).forEach((key, ordinal) => {
    const label = type === "path" ? (key.split(PATH_SEPARATOR).at(-1) ?? key) : key;
    const forms = phraseForms(label, stem);
    if (forms.words.length === 0 || forms.words.length > LONGEST_NAME) return;
    const name = forms.stems.join(" ");
    const entry = byName.get(name);
    if (entry) entry.ordinals.push(ordinal);
    else byName.set(name, { forms, label, ordinals: [ordinal] });
  });
  const table = new PhraseTable<NamedValue>();
  for (const [name, { forms, label, ordinals }] of byName) table.add(name, forms.stems, { field, label, ordinals, group: null });
  table.sort();
  memory.set(column, { stem, table });
  return table;
}

/** The products that have one of some values in a field, ascending. */
export function productsWithValue(index: Index, { field, ordinals }: Pick<NamedValue, "field" | "ordinals">): Uint32Array {
  const column = index.columns[field];
  if (column.kind !== "keys") return new Uint32Array(0);
  const { starts, rows } = rowsByKey(column);
  if (ordinals.length === 1 && !column.perOption) return rows.subarray(starts[ordinals[0]], starts[ordinals[0] + 1]);
  const bits = emptyBits(index.products);
  for (const ordinal of ordinals)
    for (let i = starts[ordinal]; i < starts[ordinal + 1]; i++) setBit(bits, column.perOption ? index.optionProducts[rows[i]] : rows[i]);
  return listBits(bits);
}

const ofColours = new WeakMap<KeyColumn, boolean>();

/** Whether the values of a list are colours. */
export function areColours(values: readonly string[]): boolean {
  return values.length >= LEAST_COLOURS && values.filter(isColourName).length >= NEARLY_ALL * values.length;
}

function isOfColours(column: KeyColumn): boolean {
  const known = ofColours.get(column);
  if (known !== undefined) return known;
  const is = areColours(stringsOf(column.keys));
  ofColours.set(column, is);
  return is;
}

function looksOf(column: KeyColumn): PreparedValues["colours"][number]["looks"] {
  return stringsOf(column.keys).flatMap((key, ordinal) => {
    const look = lookOfColour(key);
    return look ? [{ ordinal, ...perceived(look) }] : [];
  });
}
