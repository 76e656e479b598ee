import { emptyBits, setBit } from "../index/bits";
import { productNumber } from "../index/read";
import type { Searcher } from "../prepare/searcher";
import type { RowPlan } from "../rank/rows";
import type { FactorOf, Factors } from "../rank/rules";
import { inRankOrder } from "../settings/ranked";
import type { NamedShelf } from "./choose";

/** What a shelf does to the order of the products that are there, pins aside. */
export interface Arrangement {
  /** Factors by product, and on parts of the range. */
  strength: ReadonlyMap<number, FactorOf>;
  parts: Factors["parts"];
  plan: RowPlan;
}

export const NO_ARRANGEMENT: Arrangement = { strength: new Map(), parts: [], plan: { lifted: null, first: [], last: [] } };

/** The name of a rule of a shelf among all rules. */
const ruleName = (shelf: string, rule: string): string => `${shelf}/${rule}`;

/**
 * @param acting the shelf whose order is shown.
 * @param sourceShelf the shelf that brings products, the same one unless the acting one depends on chosen filters.
 * @param brought how many products are at places of their own, and those it brings besides, in their order.
 */
export function arrangementOf(
  searcher: Searcher,
  acting: NamedShelf | null,
  sourceShelf: NamedShelf | null,
  brought: { pinned: number; addedFirst: readonly number[]; added: ReadonlySet<number> },
  at: number,
): Arrangement {
  if (!acting && !sourceShelf) return NO_ARRANGEMENT;
  const strength = new Map<number, FactorOf>();
  const parts: Factors["parts"][number][] = [];
  const first: RowPlan["first"][number][] = [];
  const last: RowPlan["last"][number][] = [];
  for (const [id, factor] of Object.entries(acting?.shelf.strength ?? {})) {
    const product = productNumber(searcher.index, id);
    if (acting && product >= 0) strength.set(product, { rule: acting.id, label: acting.shelf.name, factor });
  }
  for (const [id, entry] of acting ? inRankOrder(acting.shelf.rules) : []) {
    if (!entry.on || !acting || entry.does === "exclude") continue;
    const rule = ruleName(acting.id, id);
    const products = searcher.conditions.products(entry.condition, at);
    if (entry.does === "strength") parts.push({ rule, label: acting.shelf.name, factor: entry.factor, products });
    else if (entry.does === "first") first.push({ rule, products, most: entry.most });
    else last.push({ rule, products });
  }
  return { strength, parts, plan: { lifted: liftedBy(searcher, sourceShelf, brought), first, last } };
}

/** Within its end, a shelf shows what it brings before anything else. */
function liftedBy(
  searcher: Searcher,
  sourceShelf: NamedShelf | null,
  { pinned, addedFirst, added }: Parameters<typeof arrangementOf>[3],
): RowPlan["lifted"] {
  const end = sourceShelf?.shelf.end ?? 0;
  if (end === 0 || added.size === 0) return null;
  const mayLead = (product: number) => sourceShelf?.shelf.soldOut === "keep" || searcher.stock.soldOut[product] === 0;
  const others = emptyBits(searcher.index.products);
  for (const product of added) if (mayLead(product)) setBit(others, product);
  return { products: addedFirst.filter(mayLead), groups: [others], room: Math.max(0, end - pinned) };
}
