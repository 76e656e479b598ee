import type { Searcher } from "../../prepare/searcher";
import { requestOf, type SearchFound } from "../../search/request";
import { search } from "../../search/search";

/** A query of the log with how often it was asked. */
export interface AskedQuery {
  text: string;
  asked: number;
}

/** What a search comes to in one state of the settings. */
interface SearchOutcome {
  outcome: SearchFound["outcome"];
  total: number;
  /** Ids of the first page, in their order. */
  first: string[];
}

/** How a change of settings alters a search. */
export interface SearchChange extends AskedQuery {
  before: SearchOutcome;
  after: SearchOutcome;
  /** Products of the first page that move. */
  moved: number;
}

const PAGE = 24;
const nothing = () => false;

export function outcomeOf(searcher: Searcher, query: string, at: number): SearchOutcome {
  const { outcome, total, hits } = search(searcher, requestOf({ query, limit: PAGE, fields: [] }), { at, visible: nothing });
  return { outcome, total, first: hits.map(({ id }) => id) };
}

/**
 * Tries searches in two states of the settings, one at a time.
 * @returns for each search how it changes, or null where it stays as it is: the same total and the same first page.
 */
export function* tryChange(before: Searcher, after: Searcher, queries: Iterable<AskedQuery>, at: number): Generator<SearchChange | null> {
  for (const { text, asked } of queries) {
    const [old, now] = [outcomeOf(before, text, at), outcomeOf(after, text, at)];
    const places = Math.max(old.first.length, now.first.length);
    let moved = 0;
    for (let place = 0; place < places; place++) if (old.first[place] !== now.first[place]) moved++;
    yield moved === 0 && old.total === now.total && old.outcome === now.outcome ? null : { text, asked, before: old, after: now, moved };
  }
}
