import { PATH_SEPARATOR } from "../catalogue/text-of";
import type { Bits } from "../index/bits";
import { stringsOf } from "../index/strings";
import type { Searcher } from "../prepare/searcher";
import type { FilterAnswer, FilterValue } from "../search/request";
import { labelIn } from "../settings/ranked";
import { countFilters } from "./count";
import type { FilterCounts } from "./counts";
import { filtersOf, type Selection } from "./prepare";

const MOST_VALUES = 250;
const natural = new Intl.Collator("en", { numeric: true }).compare;

/** The filters as a shopper gets them: those that could narrow the base set, and those with a selection. */
export function answerFilters(
  searcher: Searcher,
  selections: readonly Selection[],
  base: Bits,
  language: string,
  category: readonly string[] | null,
  inBase?: Uint32Array,
): FilterAnswer[] {
  const counted = countFilters(searcher.index, filtersOf(searcher), selections, base, inBase);
  return counted.flatMap((counts): FilterAnswer[] => {
    const selection = selections.find((entry) => entry.prepared === counts.prepared) ?? null;
    if (!counts.narrows && !selection) return [];
    const { id, filter } = counts.prepared;
    const field = searcher.index.fields[counts.prepared.field];
    const head = { id, label: labelIn(filter.label, language, field.label), display: filter.display };
    if (counts.prepared.column.kind === "numbers") return [{ ...head, ...rangeAnswer(counts, selection) }];
    const path = field.type === "path" && !counts.prepared.slots ? placeOf(counts, selection, category) : null;
    const values = valueAnswers(counts, selection, path, language);
    return values.length < 2 && !selection ? [] : [{ ...head, values }];
  });
}

function rangeAnswer({ range, bars }: FilterCounts, selection: Selection | null) {
  return { range, selected: selection ? { min: selection.min, max: selection.max } : null, bars };
}

/** Where in a category tree one is: the place chosen in the filter, else the category that is being browsed. */
function placeOf(counts: FilterCounts, selection: Selection | null, category: readonly string[] | null): readonly string[] {
  const { column } = counts.prepared;
  const chosen = selection?.wanted?.indexOf(1) ?? -1;
  if (chosen < 0 || column.kind !== "keys") return category ?? [];
  return stringsOf(column.keys)[chosen].split(PATH_SEPARATOR);
}

/** @param path for a category tree: the labels of the place one is in; only the levels next to it are listed. */
function valueAnswers(counts: FilterCounts, selection: Selection | null, path: readonly string[] | null, language: string) {
  const { column, filter, slots } = counts.prepared;
  if (column.kind !== "keys") return [];
  const keys = stringsOf(column.keys);
  const values: FilterValue[] = [];
  for (let slot = 0; slot < counts.counts.length; slot++) {
    const selected = selection?.chosen.has(slot) ?? false;
    const group = slots?.entries[slot];
    const value = group?.value ?? keys[slot];
    if (counts.counts[slot] === 0 && !selected) continue;
    if (path && !selected && !isListed(value, path)) continue;
    const plain = path ? (value.split(PATH_SEPARATOR).at(-1) ?? value) : value;
    const label = group?.label ? labelIn(group.label, language, plain) : plain;
    values.push({ value, label, count: counts.counts[slot], selected, ...(group?.colour ? { colour: group.colour } : {}) });
  }
  values.sort((a, b) => {
    if (filter.order === "count") return b.count - a.count || natural(a.label, b.label);
    return filter.order === "natural" ? compareSizes(a.label, b.label) || natural(a.label, b.label) : natural(a.label, b.label);
  });
  return cutValues(values);
}

function cutValues<T extends { selected: boolean }>(values: T[]): T[] {
  return values.filter((value, i) => i < MOST_VALUES || value.selected);
}

function isListed(key: string, path: readonly string[]): boolean {
  const labels = key.split(PATH_SEPARATOR);
  return labels.length === path.length + 1 && path.every((label, i) => labels[i] === label);
}

const SIZES = ["xxs", "xs", "s", "m", "l", "xl", "xxl", "xxxl"];
const UNIT_ORDER = ["mm", "cm", "ml", "g", "m", "l", "litre", "litres", "kg"];

/** Sizes as people order them: letters S to XL; numbers by unit, then amount ("9 cm" before "2 litres"). */
function compareSizes(a: string, b: string): number {
  const [sizeA, sizeB] = [SIZES.indexOf(a.toLowerCase()), SIZES.indexOf(b.toLowerCase())];
  if (sizeA >= 0 && sizeB >= 0) return sizeA - sizeB;
  const [amountA, amountB] = [readAmount(a), readAmount(b)];
  if (!amountA || !amountB) return 0;
  return amountA.unit - amountB.unit || amountA.amount - amountB.amount;
}

function readAmount(text: string): { amount: number; unit: number } | null {
  const match = /^(\d+(?:[.,]\d+)?)\s*([\p{L}]+)/u.exec(text);
  if (!match) return null;
  return { amount: Number(match[1].replace(",", ".")), unit: UNIT_ORDER.indexOf(match[2].toLowerCase()) };
}
