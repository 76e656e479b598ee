import type { Judgment, LoggedSearch } from "@contract/log";
import { ask } from "@ui/http";
import { create } from "zustand";
import { partsOf } from "./parts";
import { asPerson } from "./person";

/** A search of the log, as far as the window says it. */
export interface AskedSearch extends Pick<LoggedSearch, "text" | "asked" | "lastWeek" | "clicked" | "found" | "meanPlace"> {
  /** How many of its results were judged good and bad, itself among them; of those that were judged. */
  judged?: { good: number; bad: number; by: string };
}

export type WalkList = "asked" | "lastWeek" | "missed" | "tried" | "judged" | "demand";

interface WalkState {
  store: string | null;
  list: WalkList;
  searches: AskedSearch[];
  place: number;
  /** Judgments of the search in the window, by product. */
  judgments: ReadonlyMap<string, Judgment["verdict"]>;
  isJudging: boolean;
  load: (store: string, list: Exclude<WalkList, "demand">) => Promise<void>;
  /** Steps through the searches of a table of Demand from now on. */
  take: (store: string, searches: AskedSearch[], place: number) => void;
  /** Goes on by some searches; gives the one to try, null where there is none. */
  step: (by: number) => string | null;
  set: (part: Partial<Pick<WalkState, "isJudging" | "place">>) => void;
  readJudgments: (store: string, query: string) => Promise<void>;
  judge: (store: string, query: string, product: string, verdict: Judgment["verdict"] | null) => Promise<void>;
}

const MOST = 200;
const MOST_TRIED = 40;
const triedKey = (store: string) => `clever-shelf.tried.${store}`;

/** What somebody tried here, the last one first. */
export function triedIn(store: string): string[] {
  try {
    return JSON.parse(localStorage.getItem(triedKey(store)) ?? "[]") as string[];
  } catch {
    return [];
  }
}

/** Keeps a search that somebody looked at, for stepping through them later. */
export function rememberTried(store: string, query: string): void {
  const text = query.trim();
  if (text === "") return;
  localStorage.setItem(triedKey(store), JSON.stringify([text, ...triedIn(store).filter((entry) => entry !== text)].slice(0, MOST_TRIED)));
}

const byProduct = (judgments: Judgment[]) => new Map(judgments.map(({ product, verdict }) => [product, verdict]));

const NOT_COUNTED = { asked: 0, lastWeek: 0, clicked: 0, found: 0, meanPlace: 0 };

/** The searches that were judged, the last one first. */
export function judgedSearches(judgments: readonly Judgment[]): AskedSearch[] {
  const searches = new Map<string, AskedSearch & { judged: { good: number; bad: number; by: string } }>();
  for (const { query, verdict, by } of judgments.toSorted((a, b) => (a.at < b.at ? 1 : -1))) {
    const search = searches.get(query) ?? { text: query, ...NOT_COUNTED, judged: { good: 0, bad: 0, by } };
    search.judged[verdict]++;
    searches.set(query, search);
  }
  return [...searches.values()];
}

/** The search whose judgments are wanted. */
let judged = "";

/** Stepping through the searches that shoppers make, and judging what they find. */
export const useWalk = create<WalkState>()((set, get) => ({
  store: null,
  list: "asked",
  searches: [],
  place: -1,
  judgments: new Map(),
  isJudging: false,
  async load(store, list) {
    set({ store, list, place: -1 });
    if (list === "tried") return set({ searches: triedIn(store).map((text) => ({ text, ...NOT_COUNTED })) });
    if (list === "judged") {
      const judgments = await ask("GET /api/stores/{store}/judgments", { params: { store }, query: {} }).catch(() => []);
      if (get().store === store && get().list === list) set({ searches: judgedSearches(judgments) });
      return;
    }
    const answer = await ask("GET /api/stores/{store}/log/queries", { params: { store }, query: { order: list, limit: MOST } }).catch(
      () => null,
    );
    if (get().store === store && get().list === list) set({ searches: answer?.queries ?? [] });
  },
  take: (store, searches, place) => set({ store, list: "demand", searches, place }),
  step(by) {
    const { searches, place } = get();
    if (searches.length === 0) return null;
    const next = Math.min(searches.length - 1, Math.max(0, place + by));
    set({ place: next });
    return searches[next].text;
  },
  set,
  async readJudgments(store, query) {
    set({ judgments: new Map() });
    judged = query;
    if (query.trim() === "") return;
    const judgments = await ask("GET /api/stores/{store}/judgments", { params: { store }, query: { query } }).catch(() => []);
    // The window may show another search by now.
    if (judged === query) set({ judgments: byProduct(judgments) });
  },
  async judge(store, query, product, verdict) {
    const judgments = await ask("PUT /api/stores/{store}/judgments", {
      params: { store },
      body: { query, product, verdict },
      headers: asPerson(),
    });
    if (judged === query) set({ judgments: byProduct(judgments) });
    // The list of what was judged has another entry now; whoever steps through it stays where they are.
    const { list, place } = get();
    if (list !== "judged") return;
    await get().load(store, list);
    set({ place });
  },
}));

export const useWalkParts = partsOf(useWalk);
