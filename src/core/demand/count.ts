import { isNarrowed, type LoggedEvent } from "../log/events";
import { queryKey } from "../log/tally";
import { mondayOf } from "./days";
import { Additions } from "./tables";

/** Counting of what shoppers did, event by event in the order in which they were written, in portions that add up. */

/** An event with its number in the log; numbers rise in the order of writing. */
export interface NumberedEvent extends LoggedEvent {
  number: number;
}

/** A search whose clicks and orders may still come. */
export interface OpenSearch {
  /** Number of its event. */
  number: number;
  at: number;
  day: number;
  segment: number;
  isBot: boolean;
  text: number;
  rules: number[];
  /** What followed it already: `CLICKED`, `BASKETED`, `ORDERED`, `WENT_ON`, added up. */
  outcomes: number;
  /** The search that it narrows, by its id; then what comes of it is counted there. */
  narrows: string | null;
}

export interface OpenVisit {
  number: number;
  day: number;
  segment: number;
  searches: number;
  outcomes: number;
  isBot: boolean;
  /** Its last search that narrows no other, by its id, and what was asked. */
  last: { id: string; text: number } | null;
}

/** What has to be known between portions, kept by whoever counts. */
export interface CountState {
  search(id: string): OpenSearch | null;
  putSearch(id: string, search: OpenSearch): void;
  visit(id: string): OpenVisit | null;
  putVisit(id: string, visit: OpenVisit): void;
  /** Numbers of names. */
  segment(segment: Segment): number;
  /** @param searched the words that were searched instead, where a correction changed them. */
  text(key: string, searched: string): number;
  product(id: string): number;
  rule(id: string): number;
  /** Clicks, baskets and orders of a search that were written before it, in their order; they are given once. */
  takeEarly(searchId: string): NumberedEvent[];
  putEarly(searchId: string, event: NumberedEvent): void;
}

/** Who searched where, as far as it is told. */
export interface Segment {
  isBot: boolean;
  device: string;
  language: string;
  place: string;
}

const CLICKED = 1;
const BASKETED = 2;
const ORDERED = 4;
/** It was not the last thing of its visit. */
const WENT_ON = 8;

/** An order counts for a search that is so old at most, in ms, and no more events before it. */
const LATEST = 30 * 86_400_000;
export const MOST_BETWEEN = 2_000_000;
/** So many searches without a click are no person's. */
const BOT_SEARCHES = 30;
/** Products of a search that were seen at most. */
const MOST_SHOWN = 48;

type FollowUp = "click" | "basket" | "order";
const OUTCOME = { click: CLICKED, basket: BASKETED, order: ORDERED } as const;
const SUM = { click: "clicked", basket: "basketed", order: "ordered" } as const;

interface CountOptions {
  state: CountState;
  /** Day of a moment in ms. */
  dayOf: (at: number) => number;
  /** Money in another one is not counted. */
  currency: string;
}

/** Counts a portion of events. @returns what it adds to the tables. */
export function countDemand(events: Iterable<NumberedEvent>, options: CountOptions): Additions {
  const portion = new Portion(options);
  for (const event of events) portion.count(event);
  portion.addShown();
  return portion.additions;
}

class Portion {
  readonly additions = new Additions();
  /** What searches showed: many show the same on the same day, and are counted together. */
  private readonly shown = new Map<string, { day: number; text: number; products: readonly string[]; times: number }>();

  constructor(private readonly options: CountOptions) {}

  count(event: NumberedEvent): void {
    if (event.kind === "search") this.countSearch(event);
    else if (event.kind in OUTCOME) this.countFollowUp(event, event.kind as FollowUp);
  }

  private countSearch(event: NumberedEvent): void {
    const { state, dayOf } = this.options;
    const key = queryKey(event.query ?? "");
    if (key === "") return;
    const at = Date.parse(event.at);
    const day = dayOf(at);
    const id = event.searchId ?? `event ${event.number}`;
    // The same search told twice is one.
    if (isNear(state.search(id), event)) return;
    const visit = this.visitOf(event);
    const isBot = event.bot === true || visit?.isBot === true || ((visit?.searches ?? 0) >= BOT_SEARCHES && visit?.outcomes === 0);
    const segment = state.segment({
      isBot,
      device: event.device ?? "",
      language: event.language ?? "",
      place: event.place ?? "results",
    });
    const text = state.text(key, event.searched ?? "");
    const rules = (event.rules ?? []).map(state.rule);
    const last = visit?.last ?? null;
    const narrows = last?.text === text && isNarrowed(event.rules ?? []) ? last.id : null;
    const search: OpenSearch = { number: event.number, at, day, segment, isBot, text, rules, outcomes: 0, narrows };
    if (narrows === null) {
      this.sumSearch(search, { asked: 1, left: 1, ...(isNothing(event) ? { noResults: 1 } : {}) });
      if (last !== null) this.searchOn(last, event, text);
    }
    state.putSearch(id, search);
    state.putVisit(event.visit, {
      number: event.number,
      day: visit?.day ?? day,
      segment: visit?.segment ?? segment,
      searches: (visit?.searches ?? 0) + 1,
      outcomes: visit?.outcomes ?? 0,
      isBot,
      last: narrows === null ? { id, text } : last,
    });
    if (visit === null) this.additions.add("visits", [day, segment], { visits: 1 });
    if (!isBot) this.countShown(search, event);
    for (const early of event.searchId ? state.takeEarly(event.searchId) : []) this.countForSearch(early, early.kind as FollowUp);
  }

  /** After a search comes another one. Where nothing was clicked between, what was meant is asked in other words. */
  private searchOn({ id, text }: NonNullable<OpenVisit["last"]>, event: NumberedEvent, next: number): void {
    const before = this.options.state.search(id);
    if (!isNear(before, event)) return;
    const isRefined = text !== next && (before.outcomes & (CLICKED | BASKETED | ORDERED | WENT_ON)) === 0;
    this.goOn(id, before);
    if (!isRefined) return;
    this.sumSearch(before, { refined: 1 });
    if (!before.isBot) this.additions.add("refinements", [text, mondayOf(before.day), next], { times: 1 });
  }

  /** A search was not the last thing of its visit. @returns it as it is known from now on. */
  private goOn(id: string, search: OpenSearch): OpenSearch {
    if ((search.outcomes & WENT_ON) !== 0) return search;
    this.sumSearch(search, { left: -1 });
    const gone = { ...search, outcomes: search.outcomes | WENT_ON };
    this.options.state.putSearch(id, gone);
    return gone;
  }

  private countShown({ day, text, rules }: OpenSearch, { shown = [] }: LoggedEvent): void {
    for (const rule of new Set(rules)) this.additions.add("rules", [day, rule], { asked: 1 });
    if (shown.length === 0) return;
    const key = `${day} ${text} ${shown.join(" ")}`;
    const same = this.shown.get(key);
    if (same) same.times++;
    else this.shown.set(key, { day, text, products: shown.slice(0, MOST_SHOWN), times: 1 });
  }

  /** Adds what was shown, once all of the portion is known. */
  addShown(): void {
    const { additions } = this;
    for (const { day, text, products, times } of this.shown.values()) {
      const week = mondayOf(day);
      for (const [place, id] of products.entries()) {
        const product = this.options.state.product(id);
        additions.add("products", [day, product], { shown: times });
        additions.add("answers", [text, week, product], { shown: times, positions: (place + 1) * times });
        additions.add("positions", [week, place + 1], { shown: times });
      }
    }
  }

  private countFollowUp(event: NumberedEvent, kind: FollowUp): void {
    const { state, dayOf } = this.options;
    const visit = this.visitOf(event);
    if (visit && (visit.outcomes & OUTCOME[kind]) === 0) {
      this.additions.add("visits", [visit.day, visit.segment], { [SUM[kind]]: 1 });
      state.putVisit(event.visit, { ...visit, outcomes: visit.outcomes | OUTCOME[kind] });
    }
    // A product is clicked and bought on the day when that happens, whatever search it came from.
    if (event.product && event.bot !== true && visit?.isBot !== true) {
      const day = dayOf(Date.parse(event.at));
      this.additions.add("products", [day, state.product(event.product)], { [SUM[kind]]: 1, revenue: this.revenueOf(event, kind) });
    }
    if (event.searchId) this.countForSearch(event, kind);
  }

  private countForSearch(event: NumberedEvent, kind: FollowUp): void {
    const { state } = this.options;
    const { searchId = "", product, position } = event;
    const own = state.search(searchId);
    if (!own || !mayCount(own, event)) {
      state.putEarly(searchId, event);
      return;
    }
    const rootId = own.narrows ?? searchId;
    const narrowed = own.narrows === null ? null : state.search(own.narrows);
    const root = this.goOn(rootId, isNear(narrowed, event) ? narrowed : own);
    const revenue = this.revenueOf(event, kind);
    const isFirst = (root.outcomes & OUTCOME[kind]) === 0;
    const placed = kind === "click" && position ? { clicks: 1, positions: position } : {};
    this.sumSearch(root, { ...(isFirst ? { [SUM[kind]]: 1 } : {}), ...placed, revenue });
    if (isFirst) state.putSearch(rootId, { ...root, outcomes: root.outcomes | OUTCOME[kind] });
    if (root.isBot) return;
    const week = mondayOf(root.day);
    if (product) this.additions.add("answers", [root.text, week, state.product(product)], { [SUM[kind]]: 1, revenue });
    if (kind === "click" && position) this.additions.add("positions", [week, position], { clicked: 1 });
    if (kind === "basket") return;
    for (const rule of new Set([...root.rules, ...own.rules]))
      this.additions.add("rules", [root.day, rule], { ...(isFirst ? { [SUM[kind]]: 1 } : {}), revenue });
  }

  private visitOf(event: NumberedEvent): OpenVisit | null {
    const known = this.options.state.visit(event.visit);
    return isNear(known, event) ? known : null;
  }

  /** In hundredths; 0 for what is no order, or in another currency. */
  private revenueOf({ value, currency }: LoggedEvent, kind: FollowUp): number {
    return kind !== "order" || value === undefined || (currency !== undefined && currency !== this.options.currency)
      ? 0
      : Math.round(value * 100);
  }

  private sumSearch({ day, segment, text }: OpenSearch, sums: Parameters<Additions["add"]>[2]): void {
    this.additions.add("totals", [day, segment], sums);
    this.additions.add("searches", [day, text, segment], sums);
  }
}

/** Whether what was done is near enough to a search to be counted for it. */
const mayCount = (search: OpenSearch, event: NumberedEvent): boolean => Date.parse(event.at) - search.at <= LATEST && isNear(search, event);

/** Whether something is known, and is not so far back that it may have been forgotten. */
const isNear = <T extends { number: number }>(known: T | null, { number }: NumberedEvent): known is T =>
  known !== null && Math.abs(number - known.number) <= MOST_BETWEEN;

/** Whether a search found nothing that was asked for. */
const isNothing = ({ outcome, total }: LoggedEvent): boolean => outcome === "dead-end" || (outcome === undefined && total === 0);
