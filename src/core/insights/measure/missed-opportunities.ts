import { stringAt } from "../../index/strings";
import type { LogStats } from "../../log/tally";
import type { Together } from "../../log/together";
import type { Searcher } from "../../prepare/searcher";
import { counted } from "../../progress";
import { type Recommended, recommendationsOf } from "../../related/related";
import type { RelatedList } from "../../settings/related";

/** A product that many see, and that leads on to nothing. */
export interface MissedOpportunity {
  id: string;
  /** How often its page was opened, what was bought of it, and how often a shopper went on to one beside it. */
  seen: number;
  orders: number;
  led: number;
  /** How many are in each list, and how many of them by hand. */
  goesWith: number;
  insteadOf: number;
  byHand: number;
  /** Nothing is in one of the lists, or nobody took what stands there. */
  kind: "no-recommendations" | "never-taken";
}

const LEAST_SEEN = 20;

/** The products with the most missed opportunities, those seen most first. It comes in steps. @param most products that are looked at. */
export function* missedOpportunities(
  searcher: Searcher,
  products: LogStats["products"],
  together: Together,
  at: number,
  most: number,
): Generator<unknown, MissedOpportunity[]> {
  const found: MissedOpportunity[] = [];
  const seen = Object.entries(products)
    .filter(([, { clicks }]) => clicks >= LEAST_SEEN)
    .sort(([idA, a], [idB, b]) => b.clicks - a.clicks || (idA < idB ? -1 : 1))
    .slice(0, most);
  for (const [[id, { clicks, orders, led = 0 }], progress] of counted(seen, "products")) {
    yield progress;
    const beside = recommendationsOf(searcher, id, at, together);
    if (!beside) continue;
    const isEmpty = beside.goesWith.length === 0 || beside.insteadOf.length === 0;
    if (!isEmpty && led > 0) continue;
    const byHand = [...beside.goesWith, ...beside.insteadOf].filter(({ source }) => source === "hand").length;
    found.push({
      id,
      seen: clicks,
      orders,
      led,
      goesWith: beside.goesWith.length,
      insteadOf: beside.insteadOf.length,
      byHand,
      kind: isEmpty ? "no-recommendations" : "never-taken",
    });
  }
  return found;
}

/** The lists of a product by id, each with what brought a product there. */
export function namedLists(
  searcher: Searcher,
  beside: Record<RelatedList, Recommended[]>,
): Record<RelatedList, { id: string; source: Recommended["source"] }[]> {
  const named = (list: readonly Recommended[]) =>
    list.map(({ product, source }) => ({ id: stringAt(searcher.index.ids, product), source }));
  return { goesWith: named(beside.goesWith), insteadOf: named(beside.insteadOf) };
}
