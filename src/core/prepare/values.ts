import { isColourName, lookOfColour, type Perceived, perceived } from "../catalogue/colours";
import { PATH_SEPARATOR } from "../catalogue/text-of";
import { emptyBits, listBits, setBit } from "../index/bits";
import { fieldNumber } from "../index/read";
import { rowsByKey } from "../index/rows";
import { findKey, stringsOf } from "../index/strings";
import type { Index, KeyColumn } from "../index/types";
import { lookUp } from "../records";
import { fieldsOfFilter } from "../settings/read-filter";
import type { Settings } from "../settings/schema";
import { foldedFunctionWords } from "../text/function-words";
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
  /** Stems of words beside it that say nothing more: the field's own label ("clay soil"), or that it suits ("bee friendly"). */
  beside: ReadonlySet<string>;
}

export interface PreparedValues {
  /** One table for each field that has values, and one for the groups. */
  tables: PhraseTable<NamedValue>[];
  /** Values of other fields that shoppers see: known for the words beside them alone. */
  others: PhraseTable<NamedValue>[];
  /** Categories by the last part of their paths, whether there is a filter of them or not. */
  categories: PhraseTable<NamedValue> | null;
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

/** The values and value groups of the fields that filters and groups name, and those of options: what shoppers can choose they can also type. */
export function prepareValues(index: Index, settings: Settings, stem: Stem): PreparedValues {
  const groups = Object.entries(settings.groups).filter(([, group]) => group.on);
  const filtered = Object.values(settings.filters).flatMap((filter) => (filter.on ? fieldsOfFilter(filter) : []));
  const chosen = new Set([...filtered, ...groups.map(([, group]) => group.field)]);
  const keys = new Set([...chosen, ...optionFields(index)]);
  const tables: PreparedValues["tables"] = flagTables(index, stem);
  const colours: PreparedValues["colours"] = [];
  for (const key of keys) {
    const field = fieldNumber(index, key);
    const column = index.columns[field];
    if (column?.kind !== "keys" || index.fields[field].type === "flag" || column.keys.offsets.length - 1 > MOST_VALUES) continue;
    tables.push(tableOf(index, field, column, stem));
    const { type } = index.fields[field];
    if (chosen.has(key) && (type === "colour" || (type === "list" && isOfColours(column))))
      colours.push({ field, isSure: type === "colour", looks: looksOf(column) });
  }
  const ofGroups = new PhraseTable<NamedValue>();
  for (const [id, group] of groups) {
    const field = fieldNumber(index, group.field);
    const column = index.columns[field];
    if (column?.kind !== "keys") continue;
    const ordinals = ordinalsOfGroup(column, group);
    for (const label of new Set(Object.values(group.label)))
      ofGroups.add(id, phraseForms(label, stem).stems, { field, label, ordinals, group: id, beside: besideOf(index, field, stem) });
  }
  ofGroups.sort();
  if (!ofGroups.isEmpty) tables.push(ofGroups);
  const category = index.fields.findIndex(({ role }) => role === "category");
  const ofCategories = category < 0 ? null : index.columns[category];
  return {
    tables: tables.filter((table) => !table.isEmpty),
    others: otherTables(index, keys, stem),
    categories: ofCategories?.kind === "keys" ? tableOf(index, category, ofCategories, stem) : null,
    longest: LONGEST_NAME,
    colours,
  };
}

/** More values than this are no list that one chooses from. */
const MOST_CHOSEN_FROM = 200;

/** Fields in which a product's options differ, such as sizes: shoppers choose by their values on every product's page. */
export function optionFields({ fields, columns }: Pick<Index, "fields" | "columns">): string[] {
  return fields.flatMap(({ key, type, role, shown, perOption }, field) => {
    const column = columns[field];
    const isChosen = perOption && shown && role === "attribute" && (type === "keyword" || type === "list" || type === "colour");
    return isChosen && column.kind === "keys" && column.keys.offsets.length - 1 <= MOST_CHOSEN_FROM ? [key] : [];
  });
}

function otherTables(index: Index, known: ReadonlySet<string>, stem: Stem): PhraseTable<NamedValue>[] {
  return index.fields.flatMap(({ key, type, role, shown }, field) => {
    const column = index.columns[field];
    const isList = shown && role === "attribute" && (type === "list" || type === "keyword" || type === "colour") && !known.has(key);
    if (!isList || column.kind !== "keys" || column.keys.offsets.length - 1 > MOST_CHOSEN_FROM) return [];
    return [tableOf(index, field, column, stem)];
  });
}

/** Words that say of a thing no more than that it suits, by language: "bee friendly", "good for bees". */
const SUITING: Record<string, string> = {
  en: "friendly good suitable suited ideal perfect loving great",
  de: "freundlich gut geeignet ideal passend liebend",
};

function suitingStems(locale: string, stem: Stem): string[] {
  return (lookUp(SUITING, locale.toLowerCase().split("-")[0]) ?? "").split(" ").filter(Boolean).map(stem);
}

/** Stems that may stand beside a value of a field without saying more. */
function besideOf({ fields, locale }: Index, field: number, stem: Stem): ReadonlySet<string> {
  return new Set([...phraseForms(fields[field].label, stem).stems, ...suitingStems(locale, stem)]);
}

/** Yes/no fields are named by their labels: whole, and by what is left of them without small words ("Good for bees" → bees). */
function flagTables(index: Index, stem: Stem): PhraseTable<NamedValue>[] {
  const small = foldedFunctionWords(index.locale);
  const suiting = new Set(suitingStems(index.locale, stem));
  return index.fields.flatMap(({ type, shown, label }, field) => {
    const column = index.columns[field];
    const yes = type === "flag" && shown && column.kind === "keys" ? findKey(column.keys, "Yes") : -1;
    if (yes < 0) return [];
    const { words, stems } = phraseForms(label, stem);
    const left = stems.filter((own, i) => !small.has(words[i]) && !suiting.has(own));
    const table = new PhraseTable<NamedValue>();
    const named = { field, label, ordinals: [yes], group: null, beside: besideOf(index, field, stem) };
    for (const name of new Set([stems.join(" "), left.join(" ")])) table.add(label, name.split(" ").filter(Boolean), named);
    table.sort();
    return [table];
  });
}

/** The values of a group that the catalogue holds, one that is called like the group among them. */
export function ordinalsOfGroup(column: KeyColumn, { values, label }: Settings["groups"][string]): number[] {
  const names = new Set([...values, ...Object.values(label)]);
  return [...names].map((value) => findKey(column.keys, value)).filter((ordinal) => ordinal >= 0);
}

const memory = new WeakMap<KeyColumn, { stem: Stem; table: PhraseTable<NamedValue> }>();

/** Made once for each state of a column, since it depends on no setting. */
function tableOf(index: Index, field: number, column: KeyColumn, stem: Stem): PhraseTable<NamedValue> {
  const { type } = index.fields[field];
  const beside = besideOf(index, field, stem);
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
  for (const [name, { forms, label, ordinals }] of byName) table.add(name, forms.stems, { field, label, ordinals, group: null, beside });
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
