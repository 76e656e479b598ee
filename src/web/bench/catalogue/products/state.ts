import type { Values } from "@core/catalogue/types";
import type { Condition } from "@core/settings/condition";
import { call } from "@ui/http";
import { create } from "zustand";

export interface Row {
  id: string;
  values: Values;
  options: number;
  /** Fields of which the value was set by hand. */
  byHand: string[];
  boost: number | null;
}

interface TableState {
  search: string;
  condition: Condition | null;
  sort: string | null;
  direction: "asc" | "desc";
  columns: string[] | null;
  /** Rows that are chosen: single ones, or all that were found but some. */
  chosen: { all: boolean; ids: Set<string> };
  total: number;
  /** Rows by their place, as far as they were asked for. */
  rows: Map<number, Row>;
  set: (part: Partial<Pick<TableState, "search" | "condition" | "sort" | "direction" | "columns">>) => void;
  choose: (id: string, isChosen: boolean) => void;
  chooseAll: (all: boolean) => void;
  /** Asks for the rows of a stretch that are not there yet. */
  fetch: (store: string, from: number, to: number) => Promise<void>;
  forget: () => void;
}

const BLOCK = 100;
/** Counts questions: an answer to an older one is thrown away. */
let turn = 0;
const asked = new Set<number>();

const NOBODY = { all: false, ids: new Set<string>() };

export const useTable = create<TableState>()((set, get) => ({
  search: "",
  condition: null,
  sort: null,
  direction: "asc",
  columns: null,
  chosen: NOBODY,
  total: 0,
  rows: new Map(),
  set(part) {
    const keepsRows = Object.keys(part).every((key) => key === "columns");
    if (!keepsRows) get().forget();
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
  async fetch(store, from, to) {
    const { search, condition, sort, direction } = get();
    const current = turn;
    for (let block = Math.floor(from / BLOCK); block <= Math.floor(Math.max(from, to - 1) / BLOCK); block++) {
      if (asked.has(block)) continue;
      asked.add(block);
      const body = { search, condition, sort, direction, offset: block * BLOCK, limit: BLOCK };
      const answer = await call<{ total: number; rows: Row[] }>(`/api/stores/${store}/products/table`, { body }).catch(() => null);
      if (turn !== current) return;
      if (!answer) {
        asked.delete(block);
        return;
      }
      set((state) => {
        const rows = new Map(state.rows);
        answer.rows.forEach((row, i) => {
          rows.set(block * BLOCK + i, row);
        });
        return { rows, total: answer.total };
      });
    }
  },
  forget() {
    turn++;
    asked.clear();
    set({ rows: new Map() });
  },
}));

export function isChosen({ all, ids }: TableState["chosen"], id: string): boolean {
  return ids.has(id) !== all;
}

export function countChosen({ all, ids }: TableState["chosen"], total: number): number {
  return all ? total - ids.size : ids.size;
}
