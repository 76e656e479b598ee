import { inRankOrder } from "@core/settings/ranked";
import type { Shelf, ShelfRule } from "@core/settings/shelf";
import { freeId } from "@core/shelves/edit";
import { generateKeyBetween } from "fractional-indexing";

/** Changes of a shelf's parts; each gives the shelf as it is afterwards. */

export function withRule(shelf: Shelf, id: string, rule: ShelfRule): Shelf {
  return { ...shelf, rules: { ...shelf.rules, [id]: rule } };
}

export function withoutRule(shelf: Shelf, id: string): Shelf {
  const { [id]: _gone, ...rules } = shelf.rules;
  return { ...shelf, rules };
}

type WithoutRank<T> = T extends unknown ? Omit<T, "rank"> : never;

/** Adds a rule behind all others. */
export function withNewRule(shelf: Shelf, rule: WithoutRank<ShelfRule>): Shelf {
  const last = inRankOrder(shelf.rules).at(-1)?.[1].rank ?? null;
  return withRule(shelf, freeId(shelf.rules, rule.does), { ...rule, rank: generateKeyBetween(last, null) } as ShelfRule);
}
