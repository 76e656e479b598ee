import { FEW, rateInterval, surprise } from "./interval";

/** The searches of a period, as a merchandiser looks through them. */

/** Sums of a search in a period; money in hundredths. */
export interface SearchSums {
  asked: number;
  noResults: number;
  clicked: number;
  basketed: number;
  ordered: number;
  clicks: number;
  positions: number;
  revenue: number;
  refined: number;
  left: number;
}

export const NO_SUMS: SearchSums = {
  asked: 0,
  noResults: 0,
  clicked: 0,
  basketed: 0,
  ordered: 0,
  clicks: 0,
  positions: 0,
  revenue: 0,
  refined: 0,
  left: 0,
};

export const SUM_NAMES = Object.keys(NO_SUMS) as (keyof SearchSums)[];

export function addSums(into: SearchSums, sums: SearchSums): void {
  for (const name of SUM_NAMES) into[name] += sums[name];
}

/** One search: what is written differently but has the same words is one, unless all are wanted apart. */
export interface DemandSearch {
  /** The commonest way to write it. */
  text: string;
  forms: { text: string; asked: number }[];
  now: SearchSums;
  /** In the period before, and in the same one a year ago. */
  before: SearchSums;
  yearAgo: SearchSums;
  /** Orders that it did not lead to and should have: see `lostOrders`. */
  lost: number;
  /** Whether it was never asked before the period. */
  isNew: boolean;
}

/** A text with its sums in three periods. */
export interface CountedText {
  text: string;
  stems: string;
  now: SearchSums;
  before: SearchSums;
  yearAgo: SearchSums;
  firstDay: number;
}

/** Puts texts together. @param isApart each text stays by itself. @param from first day of the period. */
export function groupSearches(texts: Iterable<CountedText>, { isApart, from }: { isApart: boolean; from: number }): DemandSearch[] {
  const groups = new Map<string, DemandSearch>();
  for (const { text, stems, now, before, yearAgo, firstDay } of texts) {
    const key = isApart ? text : stems;
    let group = groups.get(key);
    if (!group) {
      group = { text, forms: [], now: { ...NO_SUMS }, before: { ...NO_SUMS }, yearAgo: { ...NO_SUMS }, lost: 0, isNew: true };
      groups.set(key, group);
    }
    group.forms.push({ text, asked: now.asked + before.asked });
    addSums(group.now, now);
    addSums(group.before, before);
    addSums(group.yearAgo, yearAgo);
    group.isNew &&= firstDay >= from;
  }
  const all = [...groups.values()];
  const standard = standardOf(all);
  for (const group of all) {
    group.forms.sort((a, b) => b.asked - a.asked || (a.text < b.text ? -1 : 1));
    group.text = group.forms[0].text;
    group.lost = lostOrders(group.now, standard);
  }
  return all;
}

/** What the searches of a store come to, by which single ones are measured. */
export interface Standard {
  /** Clicked searches for each that found something, and orders for each clicked one. */
  clickShare: number;
  perClick: number;
  /** Orders for a search that is answered well: the rate that only the best 15 of 100 searches pass. */
  rate: number;
}

/** So many searches, and so many clicked ones, weigh as much as the mean of all: one of few cases is taken to be as others are. */
const PRIOR_ASKED = 2;
const PRIOR_CLICKED = 500;
const WELL = 0.85;

export function standardOf(searches: readonly DemandSearch[]): Standard {
  let [found, clicked, ordered] = [0, 0, 0];
  for (const { now } of searches) {
    found += now.asked - now.noResults;
    clicked += now.clicked;
    ordered += now.ordered;
  }
  const mean = { clickShare: found === 0 ? 0 : clicked / found, perClick: clicked === 0 ? 0 : ordered / clicked };
  const known = searches
    .filter(({ now }) => now.asked >= FEW && now.asked > now.noResults)
    .map(({ now }) => ({ asked: now.asked, rate: ownRate(now, mean) }))
    .sort((a, b) => a.rate - b.rate);
  let left = WELL * known.reduce((sum, { asked }) => sum + asked, 0);
  const well = known.find(({ asked }) => {
    left -= asked;
    return left <= 0;
  });
  return { ...mean, rate: well?.rate ?? mean.clickShare * mean.perClick };
}

/** Orders for each time a search is asked, as far as its cases tell: by how often it is clicked, which scatters less than how often it is ordered. */
function ownRate({ asked, clicked, ordered }: SearchSums, { clickShare, perClick }: Omit<Standard, "rate">): number {
  const share = (Math.min(clicked, asked) + PRIOR_ASKED * clickShare) / (asked + PRIOR_ASKED);
  return (share * (ordered + PRIOR_CLICKED * perClick)) / (clicked + PRIOR_CLICKED);
}

/**
 * Orders that a search lost: those it would have led to if it were answered as well as the best ones, less those that it leads to, by
 * estimates that draw few cases towards the mean of all (means of beta priors). Never below 0.
 */
export const lostOrders = (sums: SearchSums, standard: Standard): number =>
  Math.max(0, sums.asked * (standard.rate - ownRate(sums, standard)));

/** Ways to look at the searches of a period. */
export const VIEWS = ["asked", "lost", "rising", "falling", "noResults", "unclicked", "far", "new", "season"] as const;
export type View = (typeof VIEWS)[number];

const RISING = 2;
const FAR = 6;
const LEAST_CLICKS = 5;

interface OfAll {
  /** Share of all searches with results that led to a click. */
  clickShare: number;
}

/** Which searches are in a view, and how much they belong there: the first ones have most. */
const WORTH: Record<View, (search: DemandSearch, all: OfAll) => number> = {
  asked: ({ now }) => now.asked,
  lost: ({ lost }) => lost,
  rising: ({ now, before }) => over(surprise(now.asked, before.asked), RISING),
  falling: ({ now, before }) => over(-surprise(now.asked, before.asked), RISING),
  noResults: ({ now }) => (now.noResults * 2 >= now.asked ? now.noResults : 0),
  // Found, and clicked less often than half of all are, as far as the cases tell.
  unclicked: ({ now }, { clickShare }) => {
    const found = now.asked - now.noResults;
    if (found < FEW || rateInterval(Math.min(now.clicked, found), found)[1] >= clickShare / 2) return 0;
    return found * clickShare - now.clicked;
  },
  far: ({ now }) => (now.clicks >= LEAST_CLICKS && now.positions / now.clicks >= FAR ? now.clicks : 0),
  new: ({ now, isNew }) => (isNew ? now.asked : 0),
  // Asked more often in this season than before it: a year ago as well.
  season: ({ yearAgo, before }) => over(surprise(yearAgo.asked, before.asked), RISING),
};

const over = (value: number, least: number): number => (value >= least ? value : 0);

/** The searches of a view, those that belong there most first. */
export function searchesIn(view: View, searches: readonly DemandSearch[]): DemandSearch[] {
  let [found, clicked] = [0, 0];
  for (const { now } of searches) {
    found += now.asked - now.noResults;
    clicked += now.clicked;
  }
  const all = { clickShare: found === 0 ? 0 : clicked / found };
  return searches
    .map((search) => ({ search, worth: WORTH[view](search, all) }))
    .filter(({ worth }) => worth > 0)
    .sort((a, b) => b.worth - a.worth || (a.search.text < b.search.text ? -1 : 1))
    .map(({ search }) => search);
}

/** The searches that changed most from one period to the next; of each kind so many. */
export interface SearchChanges {
  rose: DemandSearch[];
  fell: DemandSearch[];
  began: DemandSearch[];
  vanished: DemandSearch[];
}

export function changesIn(searches: readonly DemandSearch[], most: number): SearchChanges {
  const began = searches.filter(({ now, before }) => before.asked === 0 && now.asked > 0);
  const vanished = searches.filter(({ now, before }) => now.asked === 0 && before.asked > 0);
  const went = searches.filter(({ now, before }) => now.asked > 0 && before.asked > 0);
  const first = (list: DemandSearch[], worth: (search: DemandSearch) => number) =>
    list.toSorted((a, b) => worth(b) - worth(a) || (a.text < b.text ? -1 : 1)).slice(0, most);
  const ofSurprise = ({ now, before }: DemandSearch) => surprise(now.asked, before.asked);
  return {
    rose: first(searchesIn("rising", went), ofSurprise),
    fell: first(searchesIn("falling", went), (search) => -ofSurprise(search)),
    began: first(began, ({ now }) => now.asked).filter(({ now }) => surprise(now.asked, 0) >= RISING),
    vanished: first(vanished, ({ before }) => before.asked).filter(({ before }) => surprise(0, before.asked) <= -RISING),
  };
}
