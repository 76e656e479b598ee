import { lookUp, setOwn } from "../records";
import { tokenise } from "../text/tokens";
import { isNarrowed, type LoggedEvent } from "./events";
import { TogetherTally } from "./together";

/** What shoppers asked in a period, by query. */
export interface LogStats {
  /** First and last moment, ISO 8601; empty for an empty log. */
  from: string;
  until: string;
  searches: number;
  visits: number;
  /** Searches after which something was clicked. */
  clicked: number;
  /** Most asked first, then by alphabet. */
  queries: QueryStats[];
  /** What was tried next, and clicked, after a search without a click: most often first. */
  followed: { from: string; to: string; times: number }[];
  /** By id: the searches that a rule took part in, those of them that led to a click, and when it did last. */
  rules: Record<string, { acted: number; clicked: number; lastAt?: string }>;
  /** By id, the products that were bought or clicked most. */
  products: Record<string, ProductStats>;
  /** By id, the products that were bought in the same visits, the closest first. */
  together: Record<string, string[]>;
}

interface ProductStats {
  clicks: number;
  baskets: number;
  orders: number;
  /** How often shoppers went on from it to one beside it. */
  led?: number;
  /** Clicks of the last seven days. */
  week?: number;
}

export interface QueryStats {
  /** The query as its words, lower case. */
  text: string;
  asked: number;
  /** Of these, in the last seven days. */
  lastWeek: number;
  visits: number;
  /** Searches of it after which something was clicked, put in the basket, ordered. */
  clicked: number;
  baskets: number;
  orders: number;
  /** How many products it found, and what came of it, the last time. */
  found: number;
  outcome: string;
  lastAt: string;
  /** Mean place of its clicks, from 1; 0 without a click. */
  meanPlace: number;
  /** The products clicked most, at most eight. */
  products: { id: string; clicks: number }[];
  /** When it was first asked. */
  firstAt?: string;
  /** What was searched next in the same visit where nothing was clicked, most often first. */
  next?: { text: string; times: number }[];
}

export const MOST_QUERIES = 20_000;
const MOST_PRODUCTS = 5_000;
const MOST_FOLLOWED = 3_000;
const MOST_CLICKED = 8;
const MOST_NEXT = 5;
const WEEK = 7 * 86_400_000;

/** Queries that differ in case, signs and spaces alone are one. */
export function queryKey(text: string): string {
  return tokenise(text)
    .map((token) => token.surface)
    .join(" ");
}

interface Tally extends Omit<QueryStats, "products" | "visits" | "meanPlace" | "next"> {
  visitors: Set<string>;
  places: number;
  clicks: number;
  products: Map<string, number>;
  next: Map<string, number>;
}

/** Counts a log, event by event in the order of time. */
export class LogTally {
  private from = "";
  private until = "";
  private searches = 0;
  private readonly visits = new Set<string>();
  private readonly queries = new Map<string, Tally>();
  private readonly rules: LogStats["rules"] = {};
  private readonly products = new Map<string, ProductStats>();
  private readonly together = new TogetherTally();
  /** Searches whose clicks may still come, by their id; `counted` says what was counted for them already. */
  private readonly open = new Map<string, { key: string; rules: string[]; counted: Set<string> }>();
  private clicked = 0;
  /** The last search of each visit, and the one before it. */
  private readonly lastOf = new Map<string, { key: string; hasClick: boolean; before: string | null }>();
  private readonly followed = new Map<string, number>();
  private readonly lastWeekFrom: number;

  /** @param until end of the period, from which the last week is counted. */
  constructor(until: string) {
    this.lastWeekFrom = Date.parse(until) - WEEK;
  }

  add(event: LoggedEvent): void {
    this.from ||= event.at;
    this.until = event.at;
    this.visits.add(event.visit);
    if (event.kind === "search") this.addSearch(event);
    else this.addDeed(event);
  }

  private addSearch(event: LoggedEvent): void {
    const key = queryKey(event.query ?? "");
    if (key === "") return;
    const tally = this.tallyOf(key);
    const rules = event.rules ?? [];
    const last = this.lastOf.get(event.visit);
    // Ticking a filter asks nothing new.
    if (last?.key !== key || !isNarrowed(rules)) {
      this.searches++;
      tally.asked++;
      if (Date.parse(event.at) >= this.lastWeekFrom) tally.lastWeek++;
    }
    tally.visitors.add(event.visit);
    tally.firstAt ||= event.at;
    tally.found = event.total ?? tally.found;
    tally.outcome = event.outcome ?? tally.outcome;
    tally.lastAt = event.at;
    for (const rule of rules) {
      if (!lookUp(this.rules, rule)) setOwn(this.rules, rule, { acted: 0, clicked: 0 });
      lookUp(this.rules, rule).acted++;
      lookUp(this.rules, rule).lastAt = event.at;
    }
    const before = last && !last.hasClick && last.key !== key ? last.key : null;
    const tallyBefore = before === null ? undefined : this.queries.get(before);
    tallyBefore?.next.set(key, (tallyBefore.next.get(key) ?? 0) + 1);
    this.lastOf.set(event.visit, { key, hasClick: false, before });
    if (event.searchId) this.open.set(event.searchId, { key, rules, counted: new Set() });
  }

  private addDeed({ kind, searchId, product, position, visit, beside, at }: LoggedEvent): void {
    const last = this.lastOf.get(visit);
    if (kind === "click" && last && !last.hasClick) {
      last.hasClick = true;
      if (last.before !== null) {
        const pair = `${last.before}\n${last.key}`;
        this.followed.set(pair, (this.followed.get(pair) ?? 0) + 1);
      }
    }
    if (kind === "click" && beside) {
      const from = this.sumsOf(beside);
      from.led = (from.led ?? 0) + 1;
    }
    if (kind === "order" && product) this.together.add(visit, product);
    if (product) {
      const sums = this.sumsOf(product);
      if (kind === "click") {
        sums.clicks++;
        if (Date.parse(at) >= this.lastWeekFrom) sums.week = (sums.week ?? 0) + 1;
      }
      if (kind === "basket") sums.baskets++;
      if (kind === "order") sums.orders++;
    }
    const search = searchId ? this.open.get(searchId) : undefined;
    const tally = search && this.queries.get(search.key);
    if (!search || !tally) return;
    if (kind === "click") {
      if (product) tally.products.set(product, (tally.products.get(product) ?? 0) + 1);
      if (position) {
        tally.places += position;
        tally.clicks++;
      }
    }
    if (search.counted.has(kind)) return;
    search.counted.add(kind);
    if (kind === "click") {
      this.clicked++;
      tally.clicked++;
      for (const rule of search.rules) lookUp(this.rules, rule).clicked++;
    }
    if (kind === "basket") tally.baskets++;
    if (kind === "order") tally.orders++;
  }

  private sumsOf(product: string): ProductStats {
    const known = this.products.get(product) ?? { clicks: 0, baskets: 0, orders: 0 };
    this.products.set(product, known);
    return known;
  }

  private tallyOf(text: string): Tally {
    const known = this.queries.get(text);
    if (known) return known;
    const counts = { asked: 0, lastWeek: 0, clicked: 0, baskets: 0, orders: 0, found: 0, places: 0, clicks: 0 };
    const tally: Tally = {
      text,
      products: new Map(),
      next: new Map(),
      ...counts,
      outcome: "",
      firstAt: "",
      lastAt: "",
      visitors: new Set<string>(),
    };
    this.queries.set(text, tally);
    return tally;
  }

  result(): LogStats {
    const queries = [...this.queries.values()]
      .sort((a, b) => b.asked - a.asked || (a.text < b.text ? -1 : 1))
      .slice(0, MOST_QUERIES)
      .map(
        ({ visitors, places, clicks, products, next, ...counts }): QueryStats => ({
          ...counts,
          visits: visitors.size,
          meanPlace: clicks === 0 ? 0 : places / clicks,
          products: [...products]
            .sort(([idA, a], [idB, b]) => b - a || (idA < idB ? -1 : 1))
            .slice(0, MOST_CLICKED)
            .map(([id, times]) => ({ id, clicks: times })),
          ...(next.size > 0 ? { next: mostOf(next) } : {}),
        }),
      );
    const products = [...this.products]
      .sort(([idA, a], [idB, b]) => b.orders - a.orders || b.clicks - a.clicks || (idA < idB ? -1 : 1))
      .slice(0, MOST_PRODUCTS);
    const followed = [...this.followed]
      .filter(([, times]) => times > 1)
      .sort(([a, timesA], [b, timesB]) => timesB - timesA || (a < b ? -1 : 1))
      .slice(0, MOST_FOLLOWED)
      .map(([pair, times]) => ({ from: pair.split("\n")[0], to: pair.split("\n")[1], times }));
    return {
      from: this.from,
      until: this.until,
      searches: this.searches,
      visits: this.visits.size,
      clicked: this.clicked,
      queries,
      followed,
      rules: this.rules,
      products: Object.fromEntries(products),
      together: this.together.result(),
    };
  }
}

function mostOf(next: ReadonlyMap<string, number>): { text: string; times: number }[] {
  return [...next]
    .sort(([a, timesA], [b, timesB]) => timesB - timesA || (a < b ? -1 : 1))
    .slice(0, MOST_NEXT)
    .map(([text, times]) => ({ text, times }));
}

export const NO_STATS: LogStats = {
  from: "",
  until: "",
  searches: 0,
  visits: 0,
  clicked: 0,
  queries: [],
  followed: [],
  rules: {},
  products: {},
  together: {},
};
