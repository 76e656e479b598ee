import { isOfFeed } from "../../catalogue/types";
import { barEdges } from "../../filters/bars";
import { type FieldFacts, fieldFacts } from "../../index/facts";
import { countStrings, stringsOf } from "../../index/strings";
import type { Index } from "../../index/types";
import { counted } from "../../progress";
import { lookUp } from "../../records";
import { fieldsOfLook, lookOfPage } from "../../settings/page/look";
import { sortChoices } from "../../settings/page/sort";
import { fieldsOfFilter } from "../../settings/read-filter";
import type { Settings } from "../../settings/schema";
import { finish } from "../../steps";

/** A bar of a field's distribution: a value or a span of numbers, and how many products have it. */
export interface Bar {
  label: string;
  count: number;
}

/** Where the settings use a field. */
export const FIELD_USES = ["searchable", "filter", "tie-breaker", "condition", "card", "order"] as const;
export type FieldUse = (typeof FIELD_USES)[number];

interface FieldWarning {
  kind: "sparse" | "bare-number" | "same-as" | "drowns" | "unseen" | "one-value" | "all-different";
  message: string;
}

/** A page of facts about one field. */
export interface FieldReport extends FieldFacts {
  bars: Bar[];
  /** Values beyond the bars. */
  otherValues: number;
  uses: FieldUse[];
  warnings: FieldWarning[];
}

const MOST_BARS = 12;
/** A field filled for fewer products than this is too thin for a filter. */
const SPARSE = 0.15;

/** All that is to be said of the fields of a catalogue. */
export const reportFields = (index: Index, settings: Settings): FieldReport[] => finish(reportFieldsInSteps(index, settings));

/** The same in steps. */
export function* reportFieldsInSteps(index: Index, settings: Settings): Generator<unknown, FieldReport[]> {
  const facts = fieldFacts(index);
  yield;
  const signatures: (string | null)[] = [];
  for (const f of facts.keys()) {
    signatures.push(signatureOf(index, f));
    yield;
  }
  const title = facts.find((field) => field.role === "title");
  const reports: FieldReport[] = [];
  for (const [f, [field, progress]] of [...counted(facts, "fields")].entries()) {
    if (!isOfFeed(field)) continue;
    const uses = usesOf(field, settings, facts);
    const twin = signatures[f] === null ? undefined : facts[signatures.indexOf(signatures[f])];
    const warnings = warningsFor(field, uses, settings, title, twin && twin.key !== field.key ? twin : undefined);
    reports.push({ ...field, ...distribution(index, f), uses, warnings });
    yield progress;
  }
  return reports;
}

function usesOf({ key, role }: FieldFacts, settings: Settings, fields: readonly FieldFacts[]): FieldUse[] {
  const { attributes, filters, ranking, page } = settings;
  const uses: FieldUse[] = [];
  if (lookUp(attributes, key)?.searchable) uses.push("searchable");
  if (Object.values(filters).some((filter) => filter.on && fieldsOfFilter(filter).includes(key))) uses.push("filter");
  if (Object.values(ranking.ties).some((tie) => tie.field === key)) uses.push("tie-breaker");
  if (sortChoices(page.sorts, fields, "").some(({ field }) => field === key)) uses.push("order");
  const onCards = fieldsOfLook(lookOfPage(page));
  if (role === "title" || onCards.includes(key) || onCards.includes(`:${role}`)) uses.push("card");
  const ofPage = [...Object.values(page.cards), ...Object.values(page.badges)].map(({ condition }) => condition);
  const conditions = JSON.stringify([settings.selections, settings.boosts, settings.hides, ofPage]);
  if (conditions.includes(`"field":${JSON.stringify(key)}`)) uses.push("condition");
  return uses;
}

function warningsFor(
  field: FieldFacts,
  uses: readonly FieldUse[],
  settings: Settings,
  title: FieldFacts | undefined,
  twin: FieldFacts | undefined,
): FieldWarning[] {
  const warnings: FieldWarning[] = [];
  const warn = (kind: FieldWarning["kind"], message: string) => warnings.push({ kind, message });
  const isAttribute = field.role === "attribute";
  if (field.coverage > 0 && field.coverage < SPARSE && isAttribute)
    warn("sparse", `Filled for ${percent(field.coverage)} of products: a filter on it would hide the others.`);
  if (isAttribute && field.type === "number" && !field.unit && !lookUp(settings.sentences, field.key))
    warn(
      "bare-number",
      `A bare number: shoppers search “${field.samples[0] ?? 9} cm”, not “${field.samples[0] ?? 9}”. Give it a unit or a sentence form.`,
    );
  if (twin) warn("same-as", `Holds the same values as “${twin.label}”.`);
  if (uses.includes("searchable") && title && field.averageLength > 40 && field.averageLength > title.averageLength * 8)
    if ((lookUp(settings.attributes, field.key)?.weight ?? 0) * 2 >= (lookUp(settings.attributes, title.key)?.weight ?? 0))
      warn("drowns", `${Math.round(field.averageLength)} words on average: at this weight it drowns the title.`);
  if (uses.includes("searchable") && !field.shown) warn("unseen", "Searchable but never shown: shoppers cannot see why it matched.");
  if (isAttribute && field.distinct === 1 && field.coverage > 0 && field.type !== "flag")
    warn("one-value", "One value only: it tells no products apart.");
  if (uses.includes("filter") && field.type !== "number" && field.distinct > 1000)
    warn("all-different", `${field.distinct} different values: too many for a filter.`);
  return warnings;
}

function percent(share: number): string {
  return `${Math.max(1, Math.round(share * 100))} %`;
}

function distribution(index: Index, f: number): { bars: Bar[]; otherValues: number } {
  const column = index.columns[f];
  if (column.kind === "numbers") return { bars: numberBars(column.numbers, index.fields[f].type === "date"), otherValues: 0 };
  const counts = new Uint32Array(countStrings(column.keys));
  for (const ordinal of column.ordinals) counts[ordinal]++;
  if (counts.length === 0 || (counts.length > 200 && counts.every((count) => count <= 1))) return { bars: [], otherValues: 0 };
  const keys = stringsOf(column.keys);
  const order = [...counts.keys()].sort((a, b) => counts[b] - counts[a] || a - b).slice(0, MOST_BARS);
  return {
    bars: order.map((ordinal) => ({ label: keys[ordinal], count: counts[ordinal] })),
    otherValues: Math.max(0, counts.length - MOST_BARS),
  };
}

function numberBars(numbers: Float64Array, isDate: boolean): Bar[] {
  let least = Infinity;
  let most = -Infinity;
  for (const number of numbers) {
    if (number < least) least = number;
    if (number > most) most = number;
  }
  if (!Number.isFinite(least)) return [];
  const bounds = isDate
    ? Array.from({ length: MOST_BARS + 1 }, (_, i) => least + ((most - least || 1) * i) / MOST_BARS)
    : barEdges(least, bulkOf(numbers), most);
  const counts = new Uint32Array(bounds.length - 1);
  for (const number of numbers) {
    if (Number.isNaN(number)) continue;
    let bar = bounds.findIndex((bound, i) => i > 0 && number < bound) - 1;
    if (bar < 0) bar = counts.length - 1;
    counts[bar]++;
  }
  const label = (value: number) => (isDate ? new Date(value).toISOString().slice(0, 7) : String(Number(value.toPrecision(6))));
  return [...counts].map((count, i) => ({ label: isDate ? label(bounds[i]) : `${label(bounds[i])} – ${label(bounds[i + 1])}`, count }));
}

/** The number below which nearly all lie. */
function bulkOf(numbers: Float64Array): number {
  const filled = numbers.filter((number) => !Number.isNaN(number)).sort();
  return filled[Math.floor((filled.length - 1) * 0.97)] ?? Number.NaN;
}

/** A short name of all that a column holds; equal for columns that hold the same. Null for one that holds nothing. */
function signatureOf(index: Index, f: number): string | null {
  const column = index.columns[f];
  let hash = 0;
  let filled = 0;
  const add = (row: number, text: string) => {
    filled++;
    for (let i = 0; i < text.length; i++) hash = (Math.imul(hash, 31) + text.charCodeAt(i)) | 0;
    hash = (Math.imul(hash, 31) + row) | 0;
  };
  if (column.kind === "numbers") {
    column.numbers.forEach((number, row) => {
      if (!Number.isNaN(number)) add(row, String(number));
    });
  } else {
    const keys = stringsOf(column.keys);
    for (let row = 0; row + 1 < column.starts.length; row++)
      for (let i = column.starts[row]; i < column.starts[row + 1]; i++) add(row, keys[column.ordinals[i]]);
  }
  return filled < 3 ? null : `${column.kind} ${filled} ${hash}`;
}
