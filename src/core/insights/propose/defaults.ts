import { generateNKeysBetween } from "fractional-indexing";
import type { Field, FieldRole } from "../../catalogue/types";
import { suitableDisplays } from "../../filters/displays";
import { countStrings } from "../../index/strings";
import type { Index } from "../../index/types";
import { Filter } from "../../settings/filter";
import { Settings } from "../../settings/schema";
import { sentenceFormOf } from "../../settings/sentence-form";

const WEIGHTS: Partial<Record<FieldRole, number>> = { title: 8, articleNumber: 10, brand: 4, category: 4, tags: 3, description: 1 };

/** The set-up a fresh catalogue starts from: a good search and sensible filters with nothing decided by hand. */
export function defaultSettings(index: Index): Settings {
  const fields = index.fields;
  const attributes = Object.fromEntries(fields.map((field) => [field.key, defaultAttribute(field, index)]));
  return Settings.parse({
    attributes,
    sentences: Object.fromEntries(fields.flatMap((field) => (sentenceFormOf(field) ? [[field.key, sentenceFormOf(field)]] : []))),
    filters: defaultFilters(index),
    ranking: { tieWidth: 5, ties: defaultTies(fields) },
  });
}

function defaultAttribute(field: Field, index: Index) {
  const weight = WEIGHTS[field.role] ?? (field.type === "text" ? 4 : 2);
  const isWords = ["text", "keyword", "colour", "list", "path"].includes(field.type);
  const isMeasured = field.type === "number" && field.unit !== null && field.role === "attribute";
  const searchable =
    field.shown && (isWords || isMeasured) && !["picture", "link", "currency", "stockState", "saleDates"].includes(field.role);
  const isLong = (index.averageLengths[fields(index, field.key)] ?? 0) > 20;
  return {
    searchable,
    weight: searchable ? weight : 1,
    early: field.role === "title",
    length: isLong ? ("lot" as const) : ("some" as const),
    whole: field.role === "articleNumber",
  };
}

function fields(index: Index, key: string): number {
  return index.fields.findIndex((field) => field.key === key);
}

function defaultTies(all: readonly Field[]) {
  const sold = all.find((field) => field.role === "sold");
  return sold ? { t1: { field: sold.key, direction: "desc" as const, rank: "a0" } } : {};
}

const MOST_FILTERS = 12;
/** Roles that make no filter shoppers would use. */
export const NEVER_FILTER: FieldRole[] = [
  "title",
  "description",
  "articleNumber",
  "picture",
  "link",
  "sold",
  "ratingCount",
  "salePrice",
  "saleFrom",
  "saleUntil",
  "saleDates",
  "listPrice",
  "stock",
  "tags",
  "currency",
  "boost",
  "hidden",
];

function defaultFilters(index: Index): Record<string, Filter> {
  const proposals = index.fields
    .map((field, f) => ({ field, score: filterWorth(index, f) }))
    .filter(({ field, score }) => score > 0 && field.shown && !NEVER_FILTER.includes(field.role))
    .sort((a, b) => b.score - a.score)
    .slice(0, MOST_FILTERS);
  const ranks = generateNKeysBetween(null, null, proposals.length);
  return Object.fromEntries(proposals.map(({ field }, i) => [field.key, defaultFilter(index, field, ranks[i])]));
}

/** A filter from a field, with the control and the order that suit it. */
export function defaultFilter(index: Index, field: Field, rank: string): Filter {
  return Filter.parse({
    from: [{ field: field.key }],
    // Called as its field is, until somebody names it.
    label: {},
    display: displayFor(field, index),
    order: field.unit || field.perOption ? "natural" : "count",
    numbers: field.role === "rating" ? { edges: [1, 2, 3, 4] } : {},
    rank,
  });
}

/** How well a field would serve as a filter: category and price first, then by the share of products that fill it. */
function filterWorth(index: Index, f: number): number {
  const field = index.fields[f];
  if (field.role === "category") return 3;
  if (field.role === "price") return 2.9;
  const column = index.columns[f];
  if (column.kind === "numbers") {
    const filled = column.numbers.reduce((count, number) => (Number.isNaN(number) ? count : count + 1), 0) / column.numbers.length;
    // A bare number says little to shoppers: it needs to be there for many products at least.
    const isBare = field.role === "attribute" && field.unit === null;
    return field.type === "date" || filled < (isBare ? 0.5 : 0.1) ? 0 : filled * (isBare ? 0.5 : 1);
  }
  const distinct = countStrings(column.keys);
  if (distinct < 2 || distinct > 200 || (field.type === "text" && distinct > 40)) return 0;
  let filled = 0;
  for (let row = 0; row + 1 < column.starts.length; row++) if (column.starts[row + 1] > column.starts[row]) filled++;
  const coverage = filled / (column.starts.length - 1);
  return coverage < 0.08 ? 0 : coverage + (field.role === "brand" ? 0.2 : 0);
}

/** Sizes and other options stand as buttons where they suit; all else has its best control. */
function displayFor(field: Field, index: Index): Filter["display"] {
  const column = index.columns[fields(index, field.key)];
  const displays = suitableDisplays(field, column.kind === "keys" ? countStrings(column.keys) : 0);
  return field.perOption && displays[0] === "ticks" && displays.includes("buttons") ? "buttons" : displays[0];
}
