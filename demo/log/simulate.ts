import type { LoggedEvent, Shown } from "../../src/core/log/events";
import { Random } from "../random";
import type { Need } from "./needs";
import { misspell } from "./words";

/** The simulated shopper. Every number is a guess at how people shop; together they make a log that hangs together. */
const MODEL = {
  weeks: 8,
  visits: 40_000,
  /** Share of queries with a slip of the hand. */
  slips: 0.11,
  /** Falls off with each word that is less usual: how likely the first, second … way to put a need is. */
  usual: 0.58,
  /** Chance that the result at place p is looked at: 1 ÷ (1 + p × this), p from 0. */
  fatigue: 0.15,
  /** Chance to click what is looked at, by how well it serves: not, would do, what was meant. */
  click: [0.006, 0.12, 0.24],
  /** A sold-out product is clicked this much less. */
  soldOut: 0.5,
  /** After a good click: chance to put it in the basket, and then to order. */
  basket: 0.3,
  order: 0.55,
  /** Chance to look at a further result after a click. */
  goesOn: 0.35,
  /** Chance to try other words when nothing was good, each time. */
  patience: [0.62, 0.4, 0.2],
  /** Chance to narrow many results by a filter; each further filter of the list is thought of this much less. */
  narrows: 0.35,
  many: 16,
  farther: 0.62,
  /** Chance to look for a second thing in the same visit. */
  secondNeed: 0.22,
  /** The rest are tablets. */
  phones: 0.55,
  desktops: 0.37,
  /** Sunday first. */
  weekdays: [1.35, 0.85, 0.85, 0.9, 0.95, 1.0, 1.3],
  hours: [1, 0.5, 0.3, 0.2, 0.2, 0.5, 1.5, 3, 4, 5, 6, 6, 6, 5, 5, 5, 5, 6, 8, 10, 10, 8, 5, 2.5],
} as const;

const DAY = 86_400_000;

/** What the shop answers at a moment; in the eight recent weeks the same query always gets the same answer. */
export type Ask = (query: string, at: number) => Answered;

/** Which visits are simulated, where they are not those of the recent weeks. */
export interface Visits {
  count: number;
  /** Days before today of the first and the last ones. */
  days: { first: number; last: number };
  /** Of the numbers of visits. */
  prefix: string;
  /** How busy a day is, 0 to 1. @param at in ms. */
  busy: (at: number) => number;
  /** Whether what was typed wrongly is taken as it is, or typed right. */
  mayBeSlip: (query: string) => boolean;
  /** Told each search with what was meant by it, which the log does not have; for measuring. */
  saw: (search: Searched) => void;
}

export interface Searched {
  query: string;
  need: Need;
  shown: readonly string[];
  soldOut: ReadonlySet<string>;
  at: number;
}

const RECENT: Visits = {
  count: MODEL.visits,
  days: { first: MODEL.weeks * 7, last: 0 },
  prefix: "v",
  busy: () => 1,
  mayBeSlip: () => true,
  saw: () => undefined,
};

export interface Answered extends Shown {
  soldOut: ReadonlySet<string>;
  /** What a product costs. */
  priceOf?: (product: string) => number;
  /** Products that are bought so much more often than usual. */
  wanted?: { products: ReadonlySet<string>; times: number };
  /** The filters beside the results, in their order, each with what is left by one of its values, chosen by a number from 0 to 1. */
  filters?: readonly { name: string; narrow: (lot: number) => Shown }[];
}

/** A search with what was meant by it, which only the simulator knows. */
export interface Meant {
  query: string;
  need: Need;
  isMisspelt: boolean;
}

/** Visits that end before a moment, those of eight weeks where no others are asked for, in the order of time. The same seed gives the same log. */
export function simulate(needs: readonly Need[], ask: Ask, until: number, seed = 1917, visits: Partial<Visits> = {}): LoggedEvent[] {
  const random = new Random(seed);
  const events: LoggedEvent[] = [];
  const pick = weighted(needs, random);
  const all = { ...RECENT, ...visits };
  for (let v = 0; v < all.count; v++) {
    const start = momentOf(until, random, all);
    const visit = new Visit(v, start, random, ask, events, all);
    const month = new Date(start).getUTCMonth() + 1;
    visit.lookFor(pick(month));
    if (random.chance(MODEL.secondNeed)) visit.lookFor(pick(month));
  }
  return events.sort((a, b) => (a.at < b.at ? -1 : a.at > b.at ? 1 : 0));
}

/** Queries with their meaning, for measuring: as many as asked for, without any shop. */
export function sampleMeant(needs: readonly Need[], count: number, month: number, seed: number): Meant[] {
  const random = new Random(seed);
  const pick = weighted(needs, random);
  return Array.from({ length: count }, () => {
    const need = pick(month);
    const words = wordsFor(need, 0, random);
    const query = slip(words, random);
    return { query, need, isMisspelt: query !== words };
  });
}

class Visit {
  private at: number;
  private readonly visit: string;
  private searches = 0;
  /** Draws what was added to the model later, so that all else stays as it was. */
  private readonly aside: Random;
  private readonly device: NonNullable<LoggedEvent["device"]>;

  constructor(
    number: number,
    start: number,
    private readonly random: Random,
    private readonly ask: Ask,
    private readonly events: LoggedEvent[],
    private readonly of: Visits,
  ) {
    this.at = start;
    this.visit = `${of.prefix}${number.toString(36)}`;
    this.aside = new Random(number + 1);
    const lot = new Random(number + 7_919).next();
    this.device = lot < MODEL.phones ? "phone" : lot < MODEL.phones + MODEL.desktops ? "desktop" : "tablet";
  }

  lookFor(need: Need): void {
    const tried = new Set<string>();
    const words = wordsFor(need, 0, this.random);
    const typed = slip(words, this.random);
    let query = this.of.mayBeSlip(typed) ? typed : words;
    for (let attempt = 0; ; attempt++) {
      tried.add(query);
      if (this.search(query, need)) return;
      const patience = MODEL.patience[attempt];
      if (patience === undefined || !this.random.chance(patience)) return;
      query = nextWords(need, tried, attempt + 1, this.random);
      this.pass(6, 25);
    }
  }

  /** @returns whether something good was found. */
  private search(query: string, need: Need): boolean {
    const { soldOut, filters = [], priceOf = () => 0, wanted, ...shown } = this.ask(query, this.at);
    const searchId = `${this.visit}-${this.searches++}`;
    this.log({ kind: "search", searchId, query, ...shown });
    this.of.saw({ query, need, shown: shown.shown, soldOut, at: this.at });
    let isGlad = false;
    for (const [place, product] of shown.shown.entries()) {
      if (!this.random.chance(1 / (1 + place * MODEL.fatigue))) continue;
      this.pass(1, 4);
      const grade = need.serves.get(product) ?? 0;
      if (!this.random.chance(MODEL.click[grade] * (soldOut.has(product) ? MODEL.soldOut : 1))) continue;
      this.log({ kind: "click", searchId, query, product, position: place + 1 });
      this.pass(8, 70);
      if (grade > 0 && !soldOut.has(product)) {
        isGlad = true;
        const more = wanted?.products.has(product) ? wanted.times : 1;
        if (this.random.chance(MODEL.basket * more)) this.buy({ searchId, query, product, position: place + 1, value: priceOf(product) });
      }
      if (!this.random.chance(MODEL.goesOn)) break;
    }
    if (shown.total >= MODEL.many) this.narrow(query, filters);
    return isGlad;
  }

  /** Takes one of the filters to what was found; the first ones are seen more often. */
  private narrow(query: string, filters: NonNullable<Answered["filters"]>): void {
    if (filters.length === 0 || !this.aside.chance(MODEL.narrows)) return;
    let place = 0;
    while (place < filters.length - 1 && this.aside.chance(MODEL.farther)) place++;
    const { name, narrow } = filters[place];
    const { rules, ...shown } = narrow(this.aside.next());
    this.log({ kind: "search", searchId: `${this.visit}-${this.searches++}`, query, ...shown, rules: [...rules, name] });
  }

  private buy(what: Pick<LoggedEvent, "searchId" | "query" | "product" | "position" | "value">): void {
    this.log({ kind: "basket", ...what });
    if (!this.random.chance(MODEL.order)) return;
    this.pass(40, 300);
    this.log({ kind: "order", ...what });
  }

  private log(event: Omit<LoggedEvent, "visit" | "at">): void {
    this.events.push({ visit: this.visit, at: new Date(this.at).toISOString(), device: this.device, language: "en", ...event });
  }

  private pass(least: number, most: number): void {
    this.at += this.random.whole(least, most) * 1000;
  }
}

/** Orders that the simulated shopper makes after a search on the average, by what it shows. */
export function expectedOrders({ need, shown, soldOut }: Pick<Searched, "need" | "shown" | "soldOut">): number {
  let [goesOn, orders] = [1, 0];
  for (const [place, product] of shown.entries()) {
    const grade = need.serves.get(product) ?? 0;
    const click = (MODEL.click[grade] * (soldOut.has(product) ? MODEL.soldOut : 1)) / (1 + place * MODEL.fatigue);
    if (grade > 0 && !soldOut.has(product)) orders += goesOn * click * MODEL.basket * MODEL.order;
    goesOn *= 1 - click * (1 - MODEL.goesOn);
  }
  return orders;
}

/** The best answer to a need: what was meant, then what would do, as far as it can be had. */
export const bestFor = ({ serves }: Need, soldOut: ReadonlySet<string>, most: number): string[] =>
  [...serves]
    .filter(([id]) => !soldOut.has(id))
    .sort(([, a], [, b]) => b - a)
    .slice(0, most)
    .map(([id]) => id);

/** One of the ways to put a need, the usual ones more often. */
function wordsFor({ words }: Need, from: number, random: Random): string {
  for (let i = from; i < words.length - 1; i++) if (random.chance(MODEL.usual)) return words[i];
  return words[words.length - 1];
}

/** After a failure: words not tried yet; when there are none, the right spelling, or one word less. */
function nextWords(need: Need, tried: ReadonlySet<string>, attempt: number, random: Random): string {
  const fresh = need.words.filter((words) => !tried.has(words));
  if (fresh.length > 0) return fresh[0];
  const shorter = wordsFor(need, 0, random).split(" ");
  return shorter.length > 1 ? shorter.slice(attempt % 2, shorter.length - 1 + (attempt % 2)).join(" ") : need.words[0];
}

function slip(query: string, random: Random): string {
  if (!random.chance(MODEL.slips)) return query;
  const words = query.split(" ");
  const longest = words.reduce((best, word, i) => (word.length > words[best].length ? i : best), 0);
  words[longest] = misspell(words[longest], random);
  return words.join(" ");
}

/** Draws needs by their weight in a month. */
function weighted(needs: readonly Need[], random: Random): (month: number) => Need {
  const sums = new Map<number, Float64Array>();
  const sumsOf = (month: number) => {
    const known = sums.get(month);
    if (known) return known;
    let sum = 0;
    const made = Float64Array.from(needs, (need) => {
      sum += need.weight(month);
      return sum;
    });
    sums.set(month, made);
    return made;
  };
  return (month) => {
    const table = sumsOf(month);
    return needs[placeIn(table, random.next() * table[table.length - 1])];
  };
}

function momentOf(until: number, random: Random, { days: { first, last }, busy }: Visits): number {
  const end = new Date(until);
  const today = Date.UTC(end.getUTCFullYear(), end.getUTCMonth(), end.getUTCDate());
  for (;;) {
    const day = today - random.whole(last, first) * DAY;
    if (!random.chance((MODEL.weekdays[new Date(day).getUTCDay()] / 1.35) * busy(day))) continue;
    const hour = placeIn(cumulative(MODEL.hours), random.next() * MODEL.hours.reduce((sum, share) => sum + share, 0));
    const at = day + hour * 3_600_000 + random.whole(0, 3_599_000);
    if (at < until - 1_800_000) return at;
  }
}

function cumulative(shares: readonly number[]): Float64Array {
  let sum = 0;
  return Float64Array.from(shares, (share) => {
    sum += share;
    return sum;
  });
}

/** First place of an ascending table that is beyond a number. */
function placeIn(table: Float64Array, number: number): number {
  let from = 0;
  let to = table.length - 1;
  while (from < to) {
    const middle = (from + to) >> 1;
    if (table[middle] > number) to = middle;
    else from = middle + 1;
  }
  return from;
}
