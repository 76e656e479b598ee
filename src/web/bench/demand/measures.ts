import type { Figures } from "@contract/demand";
import { differenceInterval, FEW, rateInterval, surprise } from "@core/demand/interval";
import type { SearchSums } from "@core/demand/searches";
import { count, decimal } from "@ui/format";

/** The figures of a period: what each is, and what can be said of how it changed. */

type Sums = SearchSums & { visits: number };

export interface Measure {
  id: string;
  name: string;
  /** In a sentence, for whoever asks what it is. */
  says: string;
  /** Whether more of it is better; null where it is neither. */
  isGood: boolean | null;
  kind: "count" | "share" | "money" | "mean";
  /** Of how many cases it is so many, or so much. */
  hits: (sums: Sums) => number;
  cases: (sums: Sums) => number;
  /** What the cases are. */
  nouns: string;
}

const one = () => 1;

export const MEASURES: readonly Measure[] = [
  {
    id: "searches",
    name: "Searches",
    says: "What was asked; ticking a filter asks nothing new.",
    isGood: null,
    kind: "count",
    hits: ({ asked }) => asked,
    cases: one,
    nouns: "searches",
  },
  {
    id: "visits",
    name: "Visits with a search",
    says: "Visits in which something was searched, on the day of the first search.",
    isGood: null,
    kind: "count",
    hits: ({ visits }) => visits,
    cases: one,
    nouns: "visits",
  },
  {
    id: "no-results",
    name: "No results",
    says: "Share of searches that found nothing.",
    isGood: false,
    kind: "share",
    hits: ({ noResults }) => noResults,
    cases: ({ asked }) => asked,
    nouns: "searches",
  },
  {
    id: "clicked",
    name: "Clicked",
    says: "Share of searches after which a product was clicked.",
    isGood: true,
    kind: "share",
    hits: ({ clicked }) => clicked,
    cases: ({ asked }) => asked,
    nouns: "searches",
  },
  {
    id: "basket",
    name: "Led to a basket",
    says: "Share of searches after which a product was put in the basket.",
    isGood: true,
    kind: "share",
    hits: ({ basketed }) => basketed,
    cases: ({ asked }) => asked,
    nouns: "searches",
  },
  {
    id: "ordered",
    name: "Led to an order",
    says: "Share of searches after which a product was ordered, within 30 days.",
    isGood: true,
    kind: "share",
    hits: ({ ordered }) => ordered,
    cases: ({ asked }) => asked,
    nouns: "searches",
  },
  {
    id: "revenue",
    name: "Revenue after search",
    says: "What was ordered after a search, on the day of the search.",
    isGood: true,
    kind: "money",
    hits: ({ revenue }) => revenue / 100,
    cases: one,
    nouns: "orders",
  },
  {
    id: "position",
    name: "Position clicked",
    says: "Mean position of the products that were clicked; 1 is the first.",
    isGood: false,
    kind: "mean",
    hits: ({ positions }) => positions,
    cases: ({ clicks }) => clicks,
    nouns: "clicks",
  },
  {
    id: "left",
    name: "Left after the search",
    says: "Share of searches that were the last thing of a visit, without a click.",
    isGood: false,
    kind: "share",
    hits: ({ left }) => left,
    cases: ({ asked }) => asked,
    nouns: "searches",
  },
];

export const sumsOf = ({ searches, visits }: Pick<Figures, "searches" | "visits">): Sums => ({ ...searches, visits: visits.visits });

/** A measure's value; null where there are no cases. */
export function valueIn({ hits, cases }: Measure, sums: Sums): number | null {
  const of = cases(sums);
  return of === 0 ? null : hits(sums) / of;
}

const isRate = ({ kind }: Measure) => kind === "share";

/** A value as people write it. @param money writes an amount. */
export function sayValue({ kind }: Measure, value: number | null, money: (amount: number) => string): string {
  if (value === null) return "–";
  if (kind === "count") return count(value);
  if (kind === "money") return money(value);
  return kind === "share" ? `${decimal(value * 100, value < 0.1 ? 1 : 0)} %` : decimal(value, 1);
}

export interface SaidChange {
  text: string;
  /** "few" where too little is known, "same" where chance alone would do it. */
  tone: "better" | "worse" | "other" | "same" | "few";
  /** In full, with the interval. */
  title: string;
}

/** What can be said of how a measure changed. */
export function sayChange(measure: Measure, now: Sums, before: Sums): SaidChange {
  const [value, was] = [valueIn(measure, now), valueIn(measure, before)];
  if (isRate(measure)) return sayRateChange(measure, now, before);
  if (value === null || was === null || was === 0) return { text: "nothing to compare with", tone: "few", title: "" };
  const share = value / was - 1;
  const text = `${share < 0 ? "−" : "+"}${decimal(Math.abs(share) * 100, Math.abs(share) < 0.1 ? 1 : 0)} %`;
  const title = `${decimal(value, 1)} against ${decimal(was, 1)}`;
  if (measure.kind === "count")
    return Math.abs(surprise(value, was)) < SURE
      ? { text: "about the same", tone: "same", title }
      : { text, tone: toneOf(measure, share), title };
  const [cases, casesBefore] = [now, before].map((sums) => (measure.kind === "money" ? sums.ordered : measure.cases(sums)));
  if (cases < FEW || casesBefore < FEW) return { text: "too few to say", tone: "few", title };
  const scatter = SCATTER[measure.kind] * Math.sqrt(1 / cases + 1 / casesBefore);
  return Math.abs(share) < SURE * scatter ? { text: "cannot tell", tone: "same", title } : { text, tone: toneOf(measure, share), title };
}

const SURE = 2;
/**
 * Standard deviation of a sum or mean of n cases, relative to it, times the root of n: of money a compound Poisson sum whose single
 * amounts scatter as much as their mean; of positions a mean of a geometric distribution.
 */
const SCATTER = { money: Math.SQRT2, mean: 1, share: 0 };

function sayRateChange(measure: Measure, now: Sums, before: Sums): SaidChange {
  const { hits, cases } = measure;
  const [nowCases, beforeCases] = [cases(now), cases(before)];
  if (nowCases < FEW || beforeCases < FEW) return { text: "too few to say", tone: "few", title: "" };
  const of = { hits: Math.min(hits(now), nowCases), cases: nowCases };
  const was = { hits: Math.min(hits(before), beforeCases), cases: beforeCases };
  const [from, until] = differenceInterval(of, was);
  const difference = of.hits / of.cases - was.hits / was.cases;
  const points = (value: number) => `${value < 0 ? "−" : "+"}${decimal(Math.abs(value) * 100, 1)}`;
  const title = `${points(from)} to ${points(until)} points with 95 % certainty, by ${count(nowCases)} and ${count(beforeCases)} ${measure.nouns}`;
  if (from <= 0 && until >= 0) return { text: "cannot tell", tone: "same", title };
  return { text: `${points(difference)} points`, tone: toneOf(measure, difference), title };
}

const toneOf = ({ isGood }: Measure, change: number): SaidChange["tone"] =>
  isGood === null ? "other" : change > 0 === isGood ? "better" : "worse";

/** How sure a share is, in words; empty for what is no share. */
export function sayCases(measure: Measure, sums: Sums): string {
  const cases = measure.cases(sums);
  if (!isRate(measure)) return measure.kind === "mean" ? `of ${count(cases)} ${measure.nouns}` : "";
  if (cases < FEW) return cases === 0 ? "" : `of ${count(cases)} ${measure.nouns}: too few to say`;
  const [from, until] = rateInterval(Math.min(measure.hits(sums), cases), cases);
  const digits = until < 0.1 ? 1 : 0;
  return `${decimal(from * 100, digits)} to ${decimal(until * 100, digits)} % of ${count(cases)} ${measure.nouns}`;
}

/** Days put together where they are many: by week from three months on. */
export function binned(days: readonly Sums[], size: number): Sums[] {
  return Array.from({ length: Math.ceil(days.length / size) }, (_, bin) => {
    const part = days.slice(bin * size, (bin + 1) * size);
    const sum = { ...part[0] };
    for (const day of part.slice(1)) for (const name of Object.keys(sum) as (keyof Sums)[]) sum[name] += day[name];
    return sum;
  });
}

export const binOf = (days: number): number => (days > 100 ? 7 : 1);
