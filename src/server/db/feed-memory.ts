import type { GroupingWay } from "@core/feed/group-options";
import type { Mapping } from "@core/feed/mapping";
import type { Database } from "better-sqlite3";
import { readKeptJson } from "./kept-json";

/** What is remembered of a store's feeds for the next import. */
export interface FeedMemory {
  /** How each column was read last. */
  columns: Mapping;
  /** How options are found among products with lines of their own. */
  grouping: GroupingWay[];
  /** Groups that are no options of one product after all. */
  apart: string[];
  /** Duplicates that were merged: ids that are one product, the first of them its id. */
  merged: string[][];
  /** Duplicates that are to stay two products, as keys of their ids. */
  keptApart: string[];
  /** Shares, 0 to 1: a replace that removes more waits for a yes; more bad lines stop the import. */
  mostRemoved: number;
  mostBad: number;
}

const NOTHING_REMEMBERED: FeedMemory = {
  columns: {},
  grouping: [],
  apart: [],
  merged: [],
  keptApart: [],
  mostRemoved: 0.3,
  mostBad: 0.5,
};

export function feedMemoryTable(db: Database) {
  const one = db.prepare<[string], { memory: string }>("SELECT memory FROM feed_memory WHERE store = ?");
  const put = db.prepare(
    "INSERT INTO feed_memory (store, memory) VALUES (?, ?) ON CONFLICT (store) DO UPDATE SET memory = excluded.memory",
  );
  const read = (store: string): FeedMemory => {
    const row = one.get(store);
    return { ...NOTHING_REMEMBERED, ...readKeptJson<Partial<FeedMemory>>(row?.memory ?? null, {}) };
  };
  return {
    of: read,
    change(store: string, part: Partial<FeedMemory>): FeedMemory {
      const next = { ...read(store), ...part };
      put.run(store, JSON.stringify(next));
      return next;
    },
  };
}
