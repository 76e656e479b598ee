import type { Condition } from "@core/settings/condition";
import { create } from "zustand";

/** What is looked for in the table of products, and which of them are chosen. */
interface TableState {
  search: string;
  condition: Condition | null;
  sort: string | null;
  direction: "asc" | "desc";
  columns: string[] | null;
  /** Rows that are chosen: single ones, or all that were found but some. */
  chosen: { all: boolean; ids: Set<string> };
  set: (part: Partial<Pick<TableState, "search" | "condition" | "sort" | "direction" | "columns">>) => void;
  choose: (id: string, isChosen: boolean) => void;
  chooseAll: (all: boolean) => void;
}

const NOBODY = { all: false, ids: new Set<string>() };

export const useTable = create<TableState>()((set, get) => ({
  search: "",
  condition: null,
  sort: null,
  direction: "asc",
  columns: null,
  chosen: NOBODY,
  set(part) {
    const keepsChoice = part.search === undefined && part.condition === undefined;
    set({ ...part, ...(keepsChoice ? {} : { chosen: NOBODY }) });
  },
  choose(id, isChosen) {
    const { all, ids } = get().chosen;
    const next = new Set(ids);
    // Where all are chosen, the ids are those that are not.
    if (isChosen === all) next.delete(id);
    else next.add(id);
    set({ chosen: { all, ids: next } });
  },
  chooseAll: (all) => set({ chosen: { all, ids: new Set() } }),
}));

export function isChosen({ all, ids }: TableState["chosen"], id: string): boolean {
  return ids.has(id) !== all;
}

export function countChosen({ all, ids }: TableState["chosen"], total: number): number {
  return all ? total - ids.size : ids.size;
}
