import type { DemandSearch } from "@core/demand/searches";
import { byWorth, orderValue, type SoldOutTop, type WorkItem, type WorkKind, workOfSearches, workOfSoldOut } from "@core/demand/work";
import { productNumber } from "@core/index/read";
import { counted } from "@core/progress";
import { requestOf } from "@core/search/request";
import { search } from "@core/search/search";
import type { EngineView, StoreView } from "../engine/view";
import { memoizeByRevision } from "../log/memoize";
import { conflictsOf } from "../log/overview";
import { proposalsOf } from "../words/proposals";
import { resultOf } from "../yielding";
import { searchesAndRates } from "./figures";

/** This week's work of a store, out of all that is known of it. */

/** The last four weeks that were counted. */
export const WORK_DAYS = 28;
const MOST_LOOKED = 120;
const FIRST_ROW = 4;

interface Counted {
  searches: DemandSearch[];
  rateAt: (position: number) => number;
}

/** The work that follows from searches, and from the settings and the catalogue; without what became of it. */
export async function workOf(engine: EngineView, store: StoreView, today: number): Promise<WorkItem[]> {
  const counted = engine.demand(store.row.id, (db) => searchesAndRates(db, WORK_DAYS, today));
  return [...(counted ? await workOfDemand(store, counted) : []), ...(await workOfRules(store)), ...workOfFeed(engine, store)].sort(
    byWorth,
  );
}

async function workOfDemand(store: StoreView, { searches, rateAt }: Counted): Promise<WorkItem[]> {
  const items = workOfSearches(searches, WORK_DAYS, rateAt);
  const named = new Set(items.map(({ about }) => about));
  const asked = searches.filter(({ text }) => !named.has(text)).sort((a, b) => b.now.asked - a.now.asked);
  const tops = await resultOf(soldOutTops(store, asked.slice(0, MOST_LOOKED)));
  return [...items, ...workOfSoldOut(tops, WORK_DAYS, rateAt, orderValue(searches))];
}

/** Searches whose first products are sold out in what is live. */
function* soldOutTops(store: StoreView, searches: readonly DemandSearch[]): Generator<unknown, SoldOutTop[]> {
  const { searcher } = store.searcher("live");
  const tops: SoldOutTop[] = [];
  for (const [{ text, now }, progress] of counted(searches, "searches")) {
    const request = requestOf({ query: text, limit: FIRST_ROW, fields: [], pages: { limit: 0 } });
    const { hits } = search(searcher, request, { at: Date.now(), visible: () => false, counts: false });
    const positions = hits.flatMap(({ id, position }) =>
      searcher.stock.soldOut[productNumber(searcher.index, id)] === 1 ? [position] : [],
    );
    if (positions.length > 0) tops.push({ text, asked: now.asked, clicked: now.clicked, positions });
    yield progress;
  }
  return tops;
}

const item = (kind: WorkKind, more: Partial<WorkItem> = {}): WorkItem => ({
  id: `${kind}${more.entry ? ` ${more.entry.part}/${more.entry.id}` : ""}`,
  ...{ kind, about: "", cases: 0, clicked: 0, orders: 0, revenue: 0, entry: null },
  ...more,
});

const rulesWork = memoizeByRevision(async (store: StoreView): Promise<WorkItem[]> => {
  const [conflicts, proposals] = [await conflictsOf(store), await proposalsOf(store)];
  return [
    ...(conflicts.length > 0 ? [item("conflicts", { cases: conflicts.length })] : []),
    ...(proposals.length > 0 ? [item("proposals", { cases: proposals.length })] : []),
  ];
});

/** Rules that conflict, are proposed, are due for a review, or ended and are still there. */
async function workOfRules(store: StoreView): Promise<WorkItem[]> {
  const today = new Date().toISOString();
  const { shelves, hides, boosts } = store.settings;
  const dated = Object.entries({ shelves, hides, boosts }).flatMap(([part, entries]) =>
    Object.entries(entries).flatMap(([id, { name, on, review, until }]) => {
      const entry = { part, id };
      if (on && until !== null && until < today) return [item("ended", { about: name, entry })];
      return on && review !== null && review <= today.slice(0, review.length) ? [item("review-due", { about: name, entry })] : [];
    }),
  );
  return [...(await rulesWork(store)), ...dated];
}

/** What the last import could not read. */
function workOfFeed(engine: EngineView, { row }: StoreView): WorkItem[] {
  const [last] = engine.imports.all(row.id);
  return last && last.problemCount > 0 ? [item("feed-problems", { cases: last.problemCount })] : [];
}
