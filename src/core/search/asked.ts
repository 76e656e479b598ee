import type { Searcher } from "../prepare/searcher";
import type { Place } from "../settings/parts";
import type { Circumstances } from "../shelves/when";
import type { ReadQuery } from "./read-query";
import type { SearchRequest } from "./request";

/** A search as it is asked: of which settings, in which words, where, when and for whom. */
export interface Asked {
  searcher: Searcher;
  query: ReadQuery;
  place: Place;
  category: readonly string[] | null;
  /** The selection that everything is limited to. */
  within: string | null;
  /** Whether the last word may be unfinished, as under the search box. */
  typing: boolean;
  circumstances: Circumstances;
}

/** Values chosen by filter; of a filter of numbers, that something is chosen. */
export function chosenValues({ filters }: Pick<SearchRequest, "filters">): Record<string, readonly string[]> {
  return Object.fromEntries(Object.entries(filters).map(([id, choice]) => [id, "any" in choice ? choice.any : []]));
}
