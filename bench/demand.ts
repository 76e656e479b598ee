import { needsOf } from "../demo/log/needs";
import { bestFor, expectedOrders, type Searched, simulate } from "../demo/log/simulate";
import { countDemand } from "../src/core/demand/count";
import { dayClock } from "../src/core/demand/days";
import { memoryState } from "../src/core/demand/memory-state";
import { addSums, groupSearches, NO_SUMS, type SearchSums, SUM_NAMES } from "../src/core/demand/searches";
import { build } from "../src/core/index/build";
import { defaultSettings } from "../src/core/insights/propose/defaults";
import { queryKey } from "../src/core/log/tally";
import { prepare } from "../src/core/prepare/searcher";
import { demoShop } from "./quality";
import { AT, shopOf } from "./repair";

const DAY = 86_400_000;
const WORST = 50;
const PAGE = 24;

/**
 * How well lost orders are estimated, against what the simulator knows: for each search, the orders that the best answer to what was
 * meant would bring, less those that its answer brings. The searches that lose most, in their order by both (Spearman's rank correlation).
 */
export function demandTable(visits = 40_000): string {
  const { catalogue, known } = demoShop();
  const index = build(catalogue);
  const searcher = prepare(index, defaultSettings(index));
  const soldOut = new Set(known.filter(({ product }) => product.stock === 0).map(({ product }) => product.id));
  const seen: Searched[] = [];
  const events = simulate(needsOf(known), shopOf(searcher, soldOut), AT, 1917, { count: visits, saw: (search) => seen.push(search) });
  const stemsOf = (text: string) => queryKey(text).split(" ").map(searcher.stem).join(" ");
  const lines = [4, 8].map((weeks) => {
    const from = AT - weeks * 7 * DAY;
    const truth = new Map<string, number>();
    for (const search of seen) {
      if (search.at < from) continue;
      const best = expectedOrders({ ...search, shown: bestFor(search.need, soldOut, PAGE) });
      const key = stemsOf(search.query);
      truth.set(key, (truth.get(key) ?? 0) + best - expectedOrders(search));
    }
    const estimates = estimatesOf(
      events.filter(({ at }) => Date.parse(at) >= from),
      stemsOf,
    );
    const worst = [...truth].sort(([, a], [, b]) => b - a).slice(0, WORST);
    const rank = spearman(
      worst.map(([, lost]) => lost),
      worst.map(([key]) => estimates.get(key) ?? 0),
    );
    const first = [...estimates].sort(([, a], [, b]) => b - a).slice(0, WORST);
    const both = first.filter(([key]) => worst.some(([other]) => other === key)).length;
    return `| ${weeks} weeks | ${rank.toFixed(2)} | ${both} of ${WORST} | 0.8 ${rank >= 0.8 ? "reached" : "**not reached**"} |`;
  });
  return [
    "| lost orders | rank correlation, the 50 searches that lose most | also among the first 50 by the estimate | goal |",
    "| --- | ---: | ---: | --- |",
    ...lines,
  ].join("\n");
}

/** Lost orders by the estimate, of all searches of a log. */
function estimatesOf(events: ReturnType<typeof simulate>, stemsOf: (text: string) => string): Map<string, number> {
  const state = memoryState();
  const additions = countDemand(
    events.map((event, i) => ({ number: i + 1, ...event })),
    { state, dayOf: dayClock("UTC"), currency: "GBP" },
  );
  const texts = new Map<string, SearchSums>();
  for (const [table, rows] of additions) {
    if (table !== "searches") continue;
    for (const { keys, sums } of rows) {
      const text = state.names[keys[1]].replace(/^text /, "");
      const own = texts.get(text) ?? { ...NO_SUMS };
      addSums(own, Object.fromEntries(SUM_NAMES.map((name, i) => [name, sums[i]])) as unknown as SearchSums);
      texts.set(text, own);
    }
  }
  const counted = [...texts].map(([text, now]) => ({ text, stems: stemsOf(text), now, before: NO_SUMS, yearAgo: NO_SUMS, firstDay: 0 }));
  return new Map(groupSearches(counted, { isApart: false, from: 0 }).map(({ text, lost }) => [stemsOf(text), lost]));
}

/** Spearman's rank correlation; equal values share their mean rank. */
export function spearman(a: readonly number[], b: readonly number[]): number {
  const [x, y] = [ranksOf(a), ranksOf(b)];
  const mean = (a.length - 1) / 2;
  const product = (p: readonly number[], q: readonly number[]) => p.reduce((sum, value, i) => sum + (value - mean) * (q[i] - mean), 0);
  return product(x, y) / Math.sqrt(product(x, x) * product(y, y));
}

function ranksOf(values: readonly number[]): number[] {
  const sorted = values.toSorted((a, b) => a - b);
  return values.map((value) => (sorted.indexOf(value) + sorted.lastIndexOf(value)) / 2);
}
