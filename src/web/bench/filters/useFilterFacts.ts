import type { FilterLook } from "@core/measure/filter-look";
import type { FilterWorth } from "@core/measure/filter-worth";
import type { FilterProposal } from "@core/propose/filters";
import type { Filter } from "@core/settings/filter";
import { call } from "@ui/http";
import { useEffect, useState } from "react";
import { useAnswer } from "../pieces/useAnswer";
import { useOpen } from "../state/bench";
import { useWindow } from "../state/window";

export interface FilterFacts {
  searches: number;
  filters: Record<string, FilterWorth>;
  /** Share of the log's searches in which it was used; empty where the log says nothing of filters. */
  used: Record<string, number>;
  alike: [string, string][];
  proposals: FilterProposal[];
}

/** What the draft's filters do for the searches of the log, and which others would serve. */
export const useFilterFacts = () => useAnswer<FilterFacts>("filters/facts");

/** What a filter's sources hold, in the catalogue and in the search of the window; the last answer stays while the next is on its way. */
export function useLook(filter: Filter | null): FilterLook | null {
  const { store, revision } = useOpen("store", "revision");
  const query = useWindow((state) => state.address.query);
  const category = useWindow((state) => state.address.category);
  const [look, setLook] = useState<FilterLook | null>(null);
  const key = JSON.stringify([filter, query, category]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: the key stands for what is asked, the revision for groups and selections
  useEffect(() => {
    if (!filter) return;
    const controller = new AbortController();
    call<FilterLook>(`/api/stores/${encodeURIComponent(store.id)}/filters/look`, {
      body: { filter, query, category },
      signal: controller.signal,
    }).then(setLook, () => undefined);
    return () => controller.abort();
  }, [store.id, revision, key]);
  return look;
}
