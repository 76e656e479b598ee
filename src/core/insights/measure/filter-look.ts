import { answerFilters } from "../../filters/answer";
import { countFilters } from "../../filters/count";
import { populationOf } from "../../filters/count-population";
import { prepareFilters } from "../../filters/prepare";
import { spreadOf } from "../../filters/spread";
import { filledShare, isMeantFor } from "../../filters/where";
import { type Bits, fullBits, listBits } from "../../index/bits";
import { stringsOf } from "../../index/strings";
import type { Searcher } from "../../prepare/searcher";
import { stemsOfText } from "../../prepare/shelves";
import { requestOf } from "../../search/request";
import { search } from "../../search/search";
import { type Filter, FilterWhere } from "../../settings/filter";
import { labelIn } from "../../settings/ranked";

/** What a filter's sources hold, for whoever sets it up. */
export interface FilterLook {
  /** Share of the catalogue's products, and of the results of the search at hand, that have a value. */
  filled: number;
  filledHere: number;
  /** Results of the search at hand. */
  results: number;
  /** Values before anything is done to them by hand, those with most products first; empty for numbers. */
  values: LookedValue[];
  /** What is offered after all is done to values by hand, hidden ones too, by the name that requests use. */
  offered: Record<string, { count: number; here: number }>;
  /** Values beyond those that are listed. */
  more: number;
  numbers: { least: number; most: number; distinct: number; bars: { from: number; to: number; count: number }[] } | null;
  /** Why shoppers of the search at hand do not see it; null when they do. */
  absence: "no-source" | "elsewhere" | "other-search" | "too-few" | "narrows-nothing" | null;
}

interface LookedValue {
  value: string;
  /** The group's name, where values of a group are together. */
  group: string | null;
  colour: string | null;
  count: number;
  here: number;
}

const MOST_VALUES = 2000;

/** Looks at a filter as it would be, whether or not it is in the settings. */
export function lookAtFilter(
  searcher: Searcher,
  filter: Filter,
  request: { query: string; category: string[] | null },
  at: number,
): FilterLook {
  const { index } = searcher;
  const bare = { ...filter, on: true, values: {}, replaces: false };
  const [prepared] = prepareFilters({ ...searcher, settings: { ...searcher.settings, filters: { looked: bare } } }, at);
  const base = baseOf(searcher, request, at);
  const inBase = listBits(base);
  const nothing: FilterLook = {
    filled: 0,
    filledHere: 0,
    results: inBase.length,
    values: [],
    offered: {},
    more: 0,
    numbers: null,
    absence: "no-source",
  };
  if (!prepared) return nothing;
  const everything = fullBits(index.products);
  const whole = listBits(everything);
  const [all] = countFilters(index, [prepared], [], everything, whole);
  const [here] = countFilters(index, [prepared], [], base, inBase);
  const filledHere = filledShare(index, prepared, inBase);
  const spot = { category: request.category, stems: stemsOfText(request.query, searcher.stem) };
  const anySearch = { ...filter, where: { ...filter.where, searches: [] } };
  const absence: FilterLook["absence"] = !isMeantFor(anySearch, spot, searcher.stem)
    ? "elsewhere"
    : !isMeantFor(filter, spot, searcher.stem)
      ? "other-search"
      : filledHere < filter.where.share
        ? "too-few"
        : !isTold(searcher, filter, base, at)
          ? "narrows-nothing"
          : null;
  const found = { ...nothing, filled: filledShare(index, prepared, whole), filledHere, absence };
  const { column, slots } = prepared;
  if (column.kind === "numbers") {
    const spread = spreadOf(index, column, populationOf(index, everything, whole));
    // Thresholds by hand are drawn over how the numbers lie, and change nothing of it.
    const plain = { ...prepared.filter, numbers: { edges: null, least: null, most: null, unit: null } };
    const [asBars] = countFilters(index, [{ ...prepared, filter: plain, inSteps: false }], [], everything, whole);
    const filled = spread.some((count) => count > 0);
    const numbers = filled
      ? {
          least: column.distinct[0],
          most: column.distinct[column.distinct.length - 1],
          distinct: column.distinct.length,
          bars: asBars.bars,
        }
      : null;
    return { ...found, numbers };
  }
  const keys = stringsOf(column.keys);
  const order = [...all.counts.keys()].sort((a, b) => all.counts[b] - all.counts[a] || a - b);
  const values = order.slice(0, MOST_VALUES).map((slot): LookedValue => {
    const entry = slots?.entries[slot];
    return {
      value: entry?.value ?? keys[slot],
      group: entry?.label ? labelIn(entry.label, index.locale, entry.value) : null,
      colour: entry?.colour ?? null,
      count: all.counts[slot],
      here: here.counts[slot],
    };
  });
  const offered = Object.keys(filter.values).length > 0 ? offeredBy(searcher, { ...bare, values: filter.values }, base, at) : {};
  return { ...found, values, offered, more: order.length - values.length };
}

/** Whether shoppers get it where it is meant for their place, with all that was done to its values by hand. */
function isTold(searcher: Searcher, filter: Filter, base: Bits, at: number): boolean {
  const told = { ...filter, on: true, replaces: false, where: FilterWhere.parse({ share: 0 }) };
  const filters = prepareFilters({ ...searcher, settings: { ...searcher.settings, filters: { looked: told } } }, at);
  return answerFilters(searcher, { filters, selections: [], base, language: searcher.index.locale, category: null, stems: [] }).length > 0;
}

function offeredBy(searcher: Searcher, filter: Filter, base: Bits, at: number): FilterLook["offered"] {
  const { index } = searcher;
  const [prepared] = prepareFilters({ ...searcher, settings: { ...searcher.settings, filters: { looked: filter } } }, at);
  const [all] = countFilters(index, [prepared], [], fullBits(index.products));
  const [here] = countFilters(index, [prepared], [], base);
  const entries = prepared.slots?.entries ?? [];
  return Object.fromEntries(entries.map(({ value }, slot) => [value, { count: all.counts[slot], here: here.counts[slot] }]));
}

/** The products of a search, before any filter. */
export function baseOf(searcher: Searcher, { query, category }: { query: string; category: string[] | null }, at: number): Bits {
  let base: Bits = new Uint32Array(0);
  const request = requestOf({ query, category, placement: query ? "results" : "category", limit: 0, fields: [] });
  search(searcher, request, {
    at,
    visible: () => false,
    counts: false,
    onBase(bits) {
      base = bits.slice();
    },
  });
  return base;
}
