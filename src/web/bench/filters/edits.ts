import type { Filter } from "@core/settings/filter";
import { rankAt, ranksBehind } from "@core/settings/rank";
import { freeId, pointerKey } from "@core/shelves/edit";
import { useBench } from "../state/bench";

/** What is done to the filters of the draft. */

export function changeFilter(id: string, part: Partial<Filter>): void {
  const path = `/filters/${pointerKey(id)}`;
  void useBench.getState().edit(Object.entries(part).map(([key, value]) => ({ op: "replace", path: `${path}/${key}`, value })));
}

export function removeFilter(id: string): void {
  void useBench.getState().edit([{ op: "remove", path: `/filters/${pointerKey(id)}` }]);
}

/** Adds filters behind those that are there, in one edit. @returns the id of the first. */
export function addFilters(made: readonly { id: string; filter: Filter }[]): string {
  const { open, edit } = useBench.getState();
  const filters = open?.settings.filters ?? {};
  const ranks = ranksBehind(filters, made.length);
  const taken: Record<string, unknown> = { ...filters };
  const operations = made.map(({ id: wanted, filter }, i) => {
    const id = freeId(taken, wanted);
    taken[id] = true;
    return { id, op: "add" as const, path: `/filters/${pointerKey(id)}`, value: { ...filter, rank: ranks[i] } };
  });
  void edit(operations.map(({ op, path, value }) => ({ op, path, value })));
  return operations[0]?.id ?? "";
}

/** Puts a filter at a place among all. */
export function moveFilter(id: string, place: number): void {
  changeFilter(id, { rank: rankAt(useBench.getState().open?.settings.filters ?? {}, id, place) });
}
