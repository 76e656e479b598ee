import { freeId } from "@core/settings/patch";
import { rankBehind } from "@core/settings/rank";
import type { Shelf, ShelfRule } from "@core/settings/shelf";

/** Changes of a shelf's parts; each gives the shelf as it is afterwards. */

export function withRule(shelf: Shelf, id: string, rule: ShelfRule): Shelf {
  return { ...shelf, rules: { ...shelf.rules, [id]: rule } };
}

export function withoutRule(shelf: Shelf, id: string): Shelf {
  const { [id]: _gone, ...rules } = shelf.rules;
  return { ...shelf, rules };
}

/** Changes a shelf; see changeHere. */
export type ShelfChange = (how: (shelf: Shelf) => Shelf) => Promise<boolean>;

type WithoutRank<T> = T extends unknown ? Omit<T, "rank"> : never;

/** Adds a rule behind all others. */
export function withNewRule(shelf: Shelf, rule: WithoutRank<ShelfRule>): Shelf {
  return withRule(shelf, freeId(shelf.rules, rule.does), { ...rule, rank: rankBehind(shelf.rules) } as ShelfRule);
}
