import { type DemandSearch, searchesIn, standardOf } from "./searches";

/** What is worth doing this week: one list over all areas, by what it may bring. */

export const WORK_KINDS = [
  "no-results",
  "not-clicked",
  "far-down",
  "sold-out",
  "conflicts",
  "proposals",
  "review-due",
  "ended",
  "feed-problems",
] as const;
export type WorkKind = (typeof WORK_KINDS)[number];

export interface WorkItem {
  /** The same as long as it is about the same. */
  id: string;
  kind: WorkKind;
  /** A search, a name of a rule; empty where it is about many. */
  about: string;
  /** Of the search: how often it was asked, and clicked; of others how many there are. */
  cases: number;
  clicked: number;
  /** Orders that it may bring in 28 days, by the estimate of its kind; 0 where nothing can be said. */
  orders: number;
  /** In hundredths, at the mean value of an order; 0 where nothing can be said. */
  revenue: number;
  /** Part of the settings and the entry of it, where it is about one. */
  entry: { part: string; id: string } | null;
}

/** Less than this is no work of a week, in orders. */
const LEAST = 0.5;
/** Of each kind at most. */
const MOST = 25;
const DAYS = 28;

/** Orders that well answered searches bring: how many for each time one is asked, and what one is worth in hundredths. */
export interface OrderValue {
  rate: number;
  value: number;
}

export function orderValue(searches: readonly DemandSearch[]): OrderValue {
  let [revenue, ordered] = [0, 0];
  for (const { now } of searches) {
    revenue += now.revenue;
    ordered += now.ordered;
  }
  return { rate: standardOf(searches).rate, value: ordered === 0 ? 0 : revenue / ordered };
}

/**
 * Searches that lose orders, each named by what is the matter with it. What it may bring are the orders that it loses (`lostOrders`); of one
 * whose clicks are far down, those of the shoppers who do not get that far: by the share that the position bias takes.
 * @param days length of the period that was counted. @param rateAt how often a position is clicked.
 */
export function workOfSearches(searches: readonly DemandSearch[], days: number, rateAt: (position: number) => number): WorkItem[] {
  const { rate, value } = orderValue(searches);
  const scale = DAYS / days;
  const item = (kind: WorkKind, { text, now }: DemandSearch, orders: number): WorkItem => {
    const brings = orders * scale;
    return {
      id: `${kind} ${text}`,
      kind,
      about: text,
      cases: now.asked,
      clicked: now.clicked,
      orders: brings,
      revenue: Math.round(brings * value),
      entry: null,
    };
  };
  const lost = (search: DemandSearch) => search.lost;
  const farther = ({ now }: DemandSearch) => {
    const at = now.positions / Math.max(1, now.clicks);
    const share = rateAt(1) === 0 ? 0 : 1 - rateAt(at) / rateAt(1);
    return Math.max(0, now.asked - now.clicked) * rate * share * share;
  };
  const kinds: [WorkKind, DemandSearch[], (search: DemandSearch) => number][] = [
    ["no-results", searchesIn("noResults", searches), lost],
    ["not-clicked", searchesIn("unclicked", searches), lost],
    ["far-down", searchesIn("far", searches), farther],
  ];
  const named = new Set<string>();
  return kinds.flatMap(([kind, found, orders]) => {
    const items = found
      .filter(({ text }) => !named.has(text))
      .map((search) => item(kind, search, orders(search)))
      .filter((entry) => entry.orders >= LEAST)
      .sort(byWorth)
      .slice(0, MOST);
    for (const { about } of items) named.add(about);
    return items;
  });
}

/** A search of which some of the first products cannot be bought. */
export interface SoldOutTop {
  text: string;
  asked: number;
  clicked: number;
  /** Positions that are sold out, from 1. */
  positions: number[];
}

/** What sold-out products on top keep from being ordered: the share of clicks that their positions have, at the store's rate. */
export function workOfSoldOut(
  tops: readonly SoldOutTop[],
  days: number,
  rateAt: (position: number) => number,
  { rate, value }: OrderValue,
): WorkItem[] {
  const all = Array.from({ length: PAGE }, (_, i) => rateAt(i + 1)).reduce((sum, share) => sum + share, 0);
  return tops
    .map(({ text, asked, clicked, positions }): WorkItem => {
      const share = all === 0 ? 0 : positions.reduce((sum, position) => sum + rateAt(position), 0) / all;
      const orders = (asked * rate * share * DAYS) / days;
      return {
        id: `sold-out ${text}`,
        kind: "sold-out",
        about: text,
        cases: asked,
        clicked,
        orders,
        revenue: Math.round(orders * value),
        entry: null,
      };
    })
    .filter(({ orders }) => orders >= LEAST)
    .sort(byWorth)
    .slice(0, MOST);
}

const PAGE = 24;

/** What may bring most comes first; what nothing can be said of last, in the order of the kinds. */
export const byWorth = (a: WorkItem, b: WorkItem): number =>
  b.orders - a.orders || WORK_KINDS.indexOf(a.kind) - WORK_KINDS.indexOf(b.kind) || (a.id < b.id ? -1 : 1);
