import type { LogStats } from "./tally";

/** What shoppers search and take most, laid out for what is offered under the search box. */
export interface Popular {
  /** Searches that found something, by alphabet, and how often each was asked. */
  texts: readonly string[];
  asked: readonly number[];
  /** The most asked first. */
  mostAsked: readonly string[];
  /** Those asked more in the last week than before, the most striking first. */
  rising: readonly string[];
  /** Ids of products that are clicked more in the last week than before. */
  risingProducts: readonly string[];
}

const WEEK = 7 * 86_400_000;
const LEAST_ASKED = 3;
/** Fewer than these in a week are no trend. */
const LEAST_IN_WEEK = 5;
const MOST = 200;

export function preparePopular({ queries, products, from, until }: Pick<LogStats, "queries" | "products" | "from" | "until">): Popular {
  const weeksBefore = from ? Math.max(0, (Date.parse(until) - Date.parse(from)) / WEEK - 1) : 0;
  const good = queries.filter(({ asked, found, outcome }) => asked >= LEAST_ASKED && found > 0 && outcome !== "partial");
  const byText = good.toSorted((a, b) => (a.text < b.text ? -1 : 1));
  return {
    texts: byText.map(({ text }) => text),
    asked: byText.map(({ asked }) => asked),
    mostAsked: good.slice(0, MOST).map(({ text }) => text),
    rising: mostRising(
      good.map(({ text, asked, lastWeek }) => ({ name: text, all: asked, week: lastWeek })),
      weeksBefore,
    ),
    risingProducts: mostRising(
      Object.entries(products).map(([name, { clicks, week = 0 }]) => ({ name, all: clicks, week })),
      weeksBefore,
    ),
  };
}

/**
 * Names by how far the last week is above the mean of the weeks before, in standard deviations of a Poisson count,
 * of those that are above it at all. Without a week before, none rises.
 */
function mostRising(counts: readonly { name: string; all: number; week: number }[], weeksBefore: number): string[] {
  if (weeksBefore < 1) return [];
  return counts
    .flatMap(({ name, all, week }) => {
      const usual = (all - week) / weeksBefore;
      const rise = (week - usual) / Math.sqrt(usual + 1);
      return week >= LEAST_IN_WEEK && rise > 1 ? [{ name, rise }] : [];
    })
    .sort((a, b) => b.rise - a.rise || (a.name < b.name ? -1 : 1))
    .slice(0, MOST)
    .map(({ name }) => name);
}

/** The searches that begin with a text, the most asked first, then by alphabet. */
export function beginningWith({ texts, asked }: Pick<Popular, "texts" | "asked">, text: string, most: number): string[] {
  let from = 0;
  let to = texts.length;
  while (from < to) {
    const middle = (from + to) >> 1;
    if (texts[middle] < text) from = middle + 1;
    else to = middle;
  }
  const found: number[] = [];
  for (let place = from; place < texts.length && texts[place].startsWith(text); place++) found.push(place);
  return found
    .sort((a, b) => asked[b] - asked[a] || a - b)
    .slice(0, most)
    .map((place) => texts[place]);
}
