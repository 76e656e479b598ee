import { setOwn } from "@core/records";
import type { Filter } from "@core/settings/filter";
import { add, change, freeId, remove } from "@core/settings/patch";
import { rankAt, ranksBehind } from "@core/settings/rank";
import { useBench } from "../state/bench";

/** What is done to the filters of the draft. */

export function changeFilter(id: string, part: Partial<Filter>): void {
  void useBench.getState().edit(change(["filters", id], part));
}

export function removeFilter(id: string): void {
  void useBench.getState().edit([remove(["filters", id])]);
}

/** Adds filters behind those that are there, in one edit. @returns the id of the first. */
export function addFilters(made: readonly { id: string; filter: Filter }[]): string {
  const { open, edit } = useBench.getState();
  const filters = open?.settings.filters ?? {};
  const ranks = ranksBehind(filters, made.length);
  const taken: Record<string, unknown> = { ...filters };
  const ids = made.map(({ id: wanted }) => {
    const id = freeId(taken, wanted);
    setOwn(taken, id, true);
    return id;
  });
  void edit(made.map(({ filter }, i) => add(["filters", ids[i]], { ...filter, rank: ranks[i] })));
  return ids[0] ?? "";
}

/** Puts a filter at a place among all. */
export function moveFilter(id: string, place: number): void {
  changeFilter(id, { rank: rankAt(useBench.getState().open?.settings.filters ?? {}, id, place) });
}
