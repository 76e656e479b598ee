import { PATH_SEPARATOR } from "../catalogue/text-of";
import { type Bits, countBits, listBits } from "../index/bits";
import { stringsOf } from "../index/strings";
import type { Searcher } from "../prepare/searcher";
import type { Filter } from "../settings/filter";
import { labelIn } from "../settings/ranked";
import { USUAL_FIRST } from "../settings/usual-first";
import type { FilterAnswer, FilterValue } from "./answer-shape";
import { countFilters } from "./count";
import { countIntervals } from "./count-numbers";
import type { FilterCounts } from "./counts";
import { nameOfInterval, readInterval } from "./intervals";
import { Narrowing } from "./narrow";
import { compareValues } from "./order";
import type { PreparedFilter, Selection } from "./prepare";
import { availabilityLabel, IN_STOCK_NAME } from "./sources";
import { UNPRICED } from "./unpriced";
import { filledShare, isMeantFor, type Spot } from "./where";

const MOST_VALUES = 250;

export interface Asking extends Spot {
  /** Filters that may be told of, in the order shoppers see. */
  filters: readonly PreparedFilter[];
  selections: readonly Selection[];
  base: Bits;
  /** The products of the base set, for whoever has them listed. */
  inBase?: Uint32Array;
  language: string;
}

/** The filters as a shopper gets them: those that are meant for the place and could narrow the base set, and those with a selection. */
export function answerFilters(searcher: Searcher, asking: Asking): FilterAnswer[] {
  const { selections, base, inBase = listBits(base) } = asking;
  const isChosen = (prepared: PreparedFilter) => selections.some((selection) => selection.prepared === prepared);
  const offered = asking.filters.filter((prepared) => {
    if (isChosen(prepared)) return true;
    const { filter } = prepared;
    return (
      isMeantFor(filter, asking, searcher.stem) &&
      (filter.where.share === 0 || filledShare(searcher.index, prepared, inBase) >= filter.where.share)
    );
  });
  return countFilters(searcher.index, offered, selections, base, inBase).flatMap((counts): FilterAnswer[] => {
    const selection = selections.find((entry) => entry.prepared === counts.prepared) ?? null;
    if (!counts.narrows && !selection) return [];
    const head = headOf(searcher, counts.prepared, asking.language);
    const { column, inSteps } = counts.prepared;
    if (column.kind === "numbers" && !inSteps) return [{ ...head, ...rangeAnswer(counts, selection, asking.language) }];
    const { values, isOffered } = inSteps
      ? stepValues(searcher, counts, selection, selections, base, inBase, asking.language)
      : keyValues(searcher, counts, selection, asking, inBase.length);
    return isOffered || selection ? [{ ...head, values }] : [];
  });
}

/** What of a filter is told besides its values; what is as usual is left out. */
function headOf({ index }: Searcher, { id, filter, field }: PreparedFilter, language: string) {
  const { shown, numbers } = filter;
  const source = index.fields[field];
  const help = labelIn(shown.help, language, "");
  return {
    id,
    label: labelIn(filter.label, language, source?.label ?? id),
    display: filter.display,
    ...(help ? { help } : {}),
    ...(numbers.unit ? { unit: numbers.unit } : {}),
    ...(shown.open ? {} : { folded: true }),
    ...(shown.counts ? {} : { uncounted: true }),
    ...(shown.all ? { all: true } : {}),
    ...(shown.first === USUAL_FIRST ? {} : { first: shown.first }),
  };
}

function rangeAnswer({ prepared, range, beyond, bars, unpriced }: FilterCounts, selection: Selection | null, language: string) {
  const isUnpriced = selection?.unpriced ?? false;
  return {
    range,
    ...(beyond.below || beyond.above ? { beyond } : {}),
    selected: selection && (selection.steps.size > 0 || !isUnpriced) ? endsOf(selection) : null,
    bars,
    ...(prepared.unpriced && (unpriced > 0 || isUnpriced)
      ? { none: { value: UNPRICED, label: labelIn(prepared.unpriced, language, UNPRICED), count: unpriced, selected: isUnpriced } }
      : {}),
  };
}

/** The ends of what is chosen. Steps may have been chosen in an address from a time when the filter offered them: it is said from where to where. */
function endsOf({ min, max, steps }: Selection): { min: number | null; max: number | null } {
  const intervals = [...steps].flatMap((name) => readInterval(name) ?? []);
  if (intervals.length === 0) return { min, max };
  const isOpen = (end: "from" | "to") => intervals.some((interval) => interval[end] === null);
  return {
    min: isOpen("from") ? null : Math.min(...intervals.map(({ from }) => from ?? 0)),
    max: isOpen("to") ? null : Math.max(...intervals.map(({ to }) => to ?? 0)),
  };
}

interface Offered {
  values: FilterValue[];
  /** Whether they could narrow the base set. */
  isOffered: boolean;
}

/** Steps with products; a chosen one is listed even where there are none, or where others are offered now. */
function stepValues(
  { index }: Searcher,
  { prepared, steps, narrows, unpriced }: FilterCounts,
  selection: Selection | null,
  selections: readonly Selection[],
  base: Bits,
  inBase: Uint32Array,
  language: string,
): Offered {
  const chosen = new Set(selection?.steps);
  const known = new Set(steps.map(nameOfInterval));
  const { column, filter } = prepared;
  const others = [...chosen].filter((name) => !known.has(name)).flatMap((name) => readInterval(name) ?? []);
  let extra: typeof steps = [];
  if (others.length > 0 && column.kind === "numbers") {
    const rest = new Narrowing(
      index,
      selections.filter((entry) => entry !== selection),
    );
    const among = rest.selections.length === 0 ? inBase : listBits(rest.products(base));
    const counts = countIntervals(index, column, others, rest, among);
    extra = others.map((interval, i) => ({ ...interval, count: counts[i] }));
  }
  // A range that was chosen, by an address from another time or by a program, is told as what it is.
  if (selection && chosen.size === 0 && !selection.unpriced) {
    const range = { from: selection.min, to: selection.max };
    chosen.add(nameOfInterval(range));
    extra = [{ ...range, count: countBits(new Narrowing(index, selections).products(base)) }];
  }
  const values = [...steps, ...extra].flatMap(({ from, to, count }): FilterValue[] => {
    const value = nameOfInterval({ from, to });
    const selected = chosen.has(value);
    if (count === 0 && !selected && filter.shown.empty === "hidden") return [];
    return [{ value, label: value, count, selected, from, to }];
  });
  if (prepared.unpriced && (unpriced > 0 || selection?.unpriced)) {
    const label = labelIn(prepared.unpriced, language, UNPRICED);
    values.push({ value: UNPRICED, label, count: unpriced, selected: selection?.unpriced ?? false });
  }
  return { values, isOffered: narrows };
}

/** Where in a category tree one is: the place chosen in the filter, else the category that is being browsed. */
function placeOf(
  { prepared: { column } }: FilterCounts,
  selection: Selection | null,
  category: readonly string[] | null,
): readonly string[] {
  const chosen = selection?.wanted?.indexOf(1) ?? -1;
  if (chosen < 0 || column.kind !== "keys") return category ?? [];
  return stringsOf(column.keys)[chosen].split(PATH_SEPARATOR);
}

function keyValues(
  { index }: Searcher,
  counts: FilterCounts,
  selection: Selection | null,
  { category, language }: Asking,
  products: number,
): Offered {
  const { column, filter, slots, field } = counts.prepared;
  if (column.kind !== "keys") return { values: [], isOffered: false };
  const isPath = index.fields[field]?.type === "path" && filter.from.length === 1;
  const path = isPath ? placeOf(counts, selection, category) : null;
  const isTree = path !== null && filter.display === "tree";
  const keys = stringsOf(column.keys);
  const nameOf = (slot: number) => slots?.entries[slot].value ?? keys[slot];
  const yes = filter.display === "yes-no" ? yesOf(nameOf, counts.counts.length, index.fields[field]?.type === "flag") : null;
  const listed = (slot: number) => {
    if (yes !== null && slot !== yes) return false;
    if (slots?.entries[slot].isHidden) return false;
    return path === null || isOfLevels(nameOf(slot).split(PATH_SEPARATOR), path, filter.levels, isTree);
  };
  const found: (FilterValue & { rank: string | null })[] = [];
  let inBase: Uint32Array | null = null;
  const isGrey = filter.shown.empty === "grey";
  for (let slot = 0; slot < counts.counts.length; slot++) {
    const count = counts.counts[slot];
    const selected = selection?.chosen.has(slot) ?? false;
    if (!selected && !listed(slot)) continue;
    if (count === 0 && !selected) {
      if (!isGrey) continue;
      inBase ??= counts.inBase();
      if (inBase[slot] === 0) continue;
    }
    const entry = slots?.entries[slot];
    const value = nameOf(slot);
    const labels = path ? value.split(PATH_SEPARATOR) : [value];
    const plain = availabilityLabel(labels[labels.length - 1], filter, language);
    found.push({
      value,
      label: entry?.label ? labelIn(entry.label, language, plain) : plain,
      count,
      selected,
      ...(entry?.colour ? { colour: entry.colour } : {}),
      ...(entry?.picture ? { picture: entry.picture } : {}),
      ...(isTree ? { depth: labels.length - filter.levels.first } : {}),
      rank: entry?.rank ?? null,
    });
  }
  found.sort(isTree ? compareInTree : compareValues(filter.order));
  return {
    values: found.filter((value, i) => i < MOST_VALUES || value.selected).map(({ rank: _rank, ...value }) => value),
    isOffered: narrowsListed(counts, listed, yes !== null || path !== null || slots !== null, products),
  };
}

/** Whether a choice leaves fewer of the base set: it holds two of the values that are listed, or one that not every product has. */
function narrowsListed(counts: FilterCounts, listed: (slot: number) => boolean, isPicked: boolean, products: number): boolean {
  if (!isPicked) return counts.narrows;
  const inBase = counts.inBase();
  let found = 0;
  for (let slot = 0; slot < inBase.length; slot++) {
    if (inBase[slot] === 0 || !listed(slot)) continue;
    if (inBase[slot] < products || ++found > 1) return true;
  }
  return false;
}

/** What a control of yes or no stands for: "Yes" of such a field, "In stock" of the availability, else what comes first; -1 without one. */
function yesOf(nameOf: (slot: number) => string, slots: number, isFlag: boolean): number {
  for (const name of ["Yes", IN_STOCK_NAME]) for (let slot = 0; slot < slots; slot++) if (nameOf(slot) === name) return slot;
  return isFlag ? -1 : 0;
}

/**
 * Whether a place in a category tree is offered. In a tree that is open along a path: its top, and what is next to each place
 * on the path. In a list: what is next below the path. Levels above the first one are passed over, none below the last is shown.
 */
function isOfLevels(labels: readonly string[], path: readonly string[], { first, last }: Filter["levels"], isTree: boolean): boolean {
  if (labels.length < first || (last !== null && labels.length > last)) return false;
  if (!isTree) return labels.length === Math.max(path.length + 1, first) && path.every((label, i) => labels[i] === label);
  return labels.slice(0, -1).every((label, i) => path[i] === label || (i < first - 1 && path[i] === undefined));
}

/** Each place before what is in it, alphabetically. */
function compareInTree(a: FilterValue, b: FilterValue): number {
  const [x, y] = [a.value.split(PATH_SEPARATOR), b.value.split(PATH_SEPARATOR)];
  for (let i = 0; i < Math.min(x.length, y.length); i++) if (x[i] !== y[i]) return x[i] < y[i] ? -1 : 1;
  return x.length - y.length;
}
