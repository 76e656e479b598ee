import type { AnswerState } from "@contract/search";
import type { Index } from "@core/index/types";
import type { Searcher } from "@core/prepare/searcher";
import type { Source } from "@core/search/request";
import type { Settings } from "@core/settings/schema";
import type { Database } from "better-sqlite3";
import type { FeedMemory } from "../db/feed-memory";
import type { Job } from "../db/jobs";
import type { ReleaseRow } from "../db/releases";
import type { StoreRow } from "../db/stores";
import type { WeekWork } from "../db/week-work";
import type { Offer } from "../log/offers";
import type { SearchFacts } from "../log/search-facts";
import type { SetAside } from "../log/set-aside";
import type { ShopperLog } from "../log/shopper-log";
import type { LogSnapshot } from "../log/snapshots-table";
import type { Author } from "./authors";

/** A searcher, the release that its settings are of, and the revision of the draft that they stood at. */
export interface Searching {
  searcher: Searcher;
  release: number | null;
  settings: number;
}

/** A store as those see it who only read: all that an answer is worked out of. */
export interface StoreView {
  readonly row: StoreRow;
  readonly index: Index;
  /** Counts changes of the catalogue, single products included. */
  readonly catalogueNumber: number;
  /** Of the draft. */
  readonly revision: number;
  /** Of the draft. */
  readonly settings: Settings;
  /** What shoppers did, as it was last counted. */
  readonly log: LogSnapshot;
  searcher(source: Source): Searching;
  state(settings: number, release: number | null, at: number): AnswerState;
  /** What a fresh import of this catalogue would start from. */
  freshSettings(): Settings;
}

/** All stores, and what is kept beside them, as those see it who only read. */
export interface EngineView {
  store(id: string): StoreView;
  authors: { of(store: string, part: string): Record<string, Author> };
  shoppers: Pick<ShopperLog, "remember" | "offered">;
  events: { keepDays(store: string): number };
  offers: { all(store: string): Offer[] };
  releases: { all(store: string): ReleaseRow[] };
  /** Imports that came to their end. */
  imports: { all(store: string): Pick<Job, "id" | "createdAt" | "problemCount">[] };
  weekWork: Pick<WeekWork, "all">;
  /** Reads what shoppers did as it was counted; null where nothing was counted yet. */
  demand<T>(store: string, read: (db: Database) => T): T | null;
  searchFacts(store: string, query: string): SearchFacts;
  setAside: { all(store: string): SetAside[] };
  tables: { feeds: { of(store: string): FeedMemory } };
}
