import { prepareFilters } from "../../filters/prepare";
import { countStrings, stringsOf } from "../../index/strings";
import type { Index } from "../../index/types";
import type { Searcher } from "../../prepare/searcher";
import { DISCOUNT } from "../../prepare/sorts";
import { lookUp } from "../../records";
import { Filter } from "../../settings/filter";
import { AVAILABILITY, fieldsOfFilter } from "../../settings/read-filter";
import { type FilterWorth, measureFilters } from "../measure/filter-worth";
import type { AskedQuery } from "../measure/trial";
import { defaultFilter, NEVER_FILTER } from "./defaults";

/** A filter that could be added as it stands, with what it would do for the searches of the log. */
export interface FilterProposal extends FilterWorth {
  id: string;
  filter: Filter;
  /** Values it would offer; null for numbers. */
  values: number | null;
}

/** A prefix is a family of tags from this many values on. */
const FAMILY = 2;
const MOST_CANDIDATES = 60;

/** Filters that the draft has not, the most useful first. The generator pauses after each search. */
export function* proposeFilters(searcher: Searcher, searches: readonly AskedQuery[], at: number): Generator<unknown, FilterProposal[]> {
  const candidates = candidatesOf(searcher.index, searcher.settings.filters);
  const prepared = prepareFilters({ ...searcher, settings: { ...searcher.settings, filters: candidates } }, at);
  const worths = yield* measureFilters(searcher, prepared, searches, at);
  return prepared
    .map(({ id, filter, column, slots }, i) => ({
      id,
      filter,
      values: column.kind === "numbers" ? null : (slots?.entries.length ?? countStrings(column.keys)),
      ...worths[i],
    }))
    .filter(({ worth }) => worth > 0)
    .sort((a, b) => b.worth - a.worth);
}

/** What could become a filter and is none yet. */
function candidatesOf(index: Index, filters: Record<string, Filter>): Record<string, Filter> {
  const used = new Set(Object.values(filters).flatMap(fieldsOfFilter));
  const language = index.locale.split("-")[0];
  const made: [string, Filter][] = index.fields
    .filter((field) => field.shown && field.type !== "date" && !NEVER_FILTER.includes(field.role) && !used.has(field.key))
    .map((field) => [field.key, defaultFilter(index, field, "a")]);
  const add = (id: string, field: string, label: Record<string, string>, more: object) => {
    if (used.has(field)) return;
    made.push([id, Filter.parse({ from: [{ field }], label: { [language]: lookUp(label, language) ?? label.en }, rank: "a", ...more })]);
  };
  add("availability", AVAILABILITY, { en: "Availability", de: "Verfügbarkeit" }, { display: "ticks" });
  add("discount", DISCOUNT, { en: "Reduced", de: "Reduziert" }, { display: "steps", numbers: { edges: [10, 20, 30, 50], unit: "%" } });
  for (const { field, prefix } of tagFamilies(index)) {
    const name = prefix.slice(0, -1);
    const label = name.charAt(0).toUpperCase() + name.slice(1);
    const from = [{ field, prefix }];
    if (!JSON.stringify(Object.values(filters).map((filter) => filter.from)).includes(JSON.stringify(from[0])))
      made.push([`${field}-${name}`, Filter.parse({ from, label: { [language]: label }, display: "ticks", rank: "a" })]);
  }
  return Object.fromEntries(made.slice(0, MOST_CANDIDATES));
}

/** Beginnings that several tags share, up to a colon or an equals sign: "light:full", "light:part". */
export function tagFamilies({ fields, columns }: Index): { field: string; prefix: string; values: number }[] {
  return fields.flatMap((field, f) => {
    const column = columns[f];
    if (column.kind !== "keys" || (field.role !== "tags" && field.type !== "list")) return [];
    const counts = new Map<string, number>();
    for (const value of stringsOf(column.keys)) {
      const prefix = /^[\p{L}\p{N} _-]{1,40}[:=]/u.exec(value)?.[0];
      if (prefix && value.length > prefix.length) counts.set(prefix, (counts.get(prefix) ?? 0) + 1);
    }
    return [...counts].filter(([, values]) => values >= FAMILY).map(([prefix, values]) => ({ field: field.key, prefix, values }));
  });
}
