import { setOwn } from "../records";

/** What is bought together. */

/** By product, the others that were ordered in the same visits, the closest first. */
export type Together = ReadonlyMap<string, readonly string[]>;

const MOST_IN_VISIT = 30;
const MOST_PARTNERS = 8;
const LEAST_TIMES = 2;

/** Counts orders by visit. */
export class TogetherTally {
  private readonly visits = new Map<string, Set<string>>();

  add(visit: string, product: string): void {
    const own = this.visits.get(visit);
    if (!own) this.visits.set(visit, new Set([product]));
    else if (own.size < MOST_IN_VISIT) own.add(product);
  }

  /**
   * The partners of each product, by the cosine of their visits: the visits with both ÷ √(visits with one · visits with the other), as in
   * item-based collaborative filtering (Sarwar et al. 2001). What happened but once is chance.
   */
  result(): Record<string, string[]> {
    const orders = new Map<string, number>();
    const pairs = new Map<string, Map<string, number>>();
    for (const products of this.visits.values()) {
      for (const product of products) orders.set(product, (orders.get(product) ?? 0) + 1);
      if (products.size < 2) continue;
      for (const product of products) {
        const own = pairs.get(product) ?? new Map<string, number>();
        pairs.set(product, own);
        for (const other of products) if (other !== product) own.set(other, (own.get(other) ?? 0) + 1);
      }
    }
    const result: Record<string, string[]> = {};
    for (const [product, own] of pairs) {
      const near = [...own]
        .filter(([, times]) => times >= LEAST_TIMES)
        .map(([other, times]) => ({ other, closeness: times / Math.sqrt((orders.get(product) ?? 1) * (orders.get(other) ?? 1)) }))
        .sort((a, b) => b.closeness - a.closeness || (a.other < b.other ? -1 : 1))
        .slice(0, MOST_PARTNERS);
      if (near.length > 0)
        setOwn(
          result,
          product,
          near.map(({ other }) => other),
        );
    }
    return result;
  }
}
