import { fieldNumber } from "../index/read";
import { countStrings, findKey } from "../index/strings";
import type { Column, Index } from "../index/types";
import type { Searcher } from "../prepare/searcher";
import type { FilterChoice } from "../search/request";
import { inRankOrder } from "../settings/ranked";
import type { Filter, Settings } from "../settings/schema";
import { prepareSlots, type Slots } from "./slots";

/** A filter with its column. */
export interface PreparedFilter {
  id: string;
  filter: Filter;
  field: number;
  column: Column;
  /** What shoppers choose among where values are grouped; null where each value stands for itself. */
  slots: Slots | null;
}

/** The filters that are on and have a field, in the order shoppers see. */
export function prepareFilters(index: Index, settings: Settings): PreparedFilter[] {
  return inRankOrder(settings.filters).flatMap(([id, filter]) => {
    const field = fieldNumber(index, filter.from[0].field);
    if (!filter.on || field < 0) return [];
    const column = index.columns[field];
    const slots = column.kind === "keys" ? prepareSlots(index.fields[field].key, column, settings, index.locale) : null;
    return [{ id, filter, field, column, slots }];
  });
}

/** A shopper's choice in one filter, as a test of rows of its column. */
export interface Selection {
  prepared: PreparedFilter;
  /** 1 for each of the column's keys that is chosen; for a range null. */
  wanted: Uint8Array | null;
  /** What was chosen, by slot; the same as the ordinals where values are not grouped. */
  chosen: Set<number>;
  min: number | null;
  max: number | null;
  /** Whether a row of the column meets the selection. */
  meets: (row: number) => boolean;
}

/** Turns a request's filters into selections. What is unknown is listed, not an error: shared addresses outlive settings. */
export function readSelections(
  prepared: readonly PreparedFilter[],
  choices: Readonly<Record<string, FilterChoice>>,
): { selections: Selection[]; ignored: string[] } {
  const selections: Selection[] = [];
  const ignored: string[] = [];
  for (const [id, choice] of Object.entries(choices)) {
    const filter = prepared.find((entry) => entry.id === id);
    if (!filter) {
      ignored.push(id);
    } else if ("any" in choice) {
      if (filter.column.kind !== "keys") {
        ignored.push(id);
        continue;
      }
      const { slots, column } = filter;
      const chosen = new Set<number>();
      for (const value of choice.any) {
        const slot = slots ? (slots.byValue.get(value) ?? -1) : findKey(column.keys, value);
        if (slot < 0) ignored.push(`${id}: ${value}`);
        else chosen.add(slot);
      }
      const wanted = new Uint8Array(countStrings(column.keys));
      for (const slot of chosen) for (const ordinal of slots ? slots.entries[slot].ordinals : [slot]) wanted[ordinal] = 1;
      if (chosen.size > 0) selections.push(selectionOf({ prepared: filter, wanted, chosen, min: null, max: null }));
    } else if (filter.column.kind !== "numbers") {
      ignored.push(id);
    } else if (choice.min != null || choice.max != null) {
      selections.push(selectionOf({ prepared: filter, wanted: null, chosen: new Set(), min: choice.min ?? null, max: choice.max ?? null }));
    }
  }
  return { selections, ignored };
}

function selectionOf(choice: Omit<Selection, "meets">): Selection {
  return { ...choice, meets: rowTest(choice) };
}

function rowTest({ prepared: { column }, wanted, min, max }: Omit<Selection, "meets">): (row: number) => boolean {
  if (column.kind === "numbers") {
    const { numbers } = column;
    const [least, most] = [min ?? -Infinity, max ?? Infinity];
    return (row) => numbers[row] >= least && numbers[row] <= most;
  }
  const { starts, ordinals } = column;
  return (row) => {
    const end = starts[row + 1];
    for (let i = starts[row]; i < end; i++) if (wanted?.[ordinals[i]] === 1) return true;
    return false;
  };
}

const memory = new WeakMap<Settings["filters"], { index: Index; groups: Settings["groups"]; filters: PreparedFilter[] }>();

/** The prepared filters of a searcher, made once for each state of the settings. */
export function filtersOf(searcher: Searcher): PreparedFilter[] {
  const { index, settings } = searcher;
  const known = memory.get(settings.filters);
  if (known && known.index === index && known.groups === settings.groups) return known.filters;
  const filters = prepareFilters(index, settings);
  memory.set(settings.filters, { index, groups: settings.groups, filters });
  return filters;
}
