import { lookUp } from "@core/records";
import type { Hit } from "@core/search/request";
import type { Shelf } from "@core/settings/shelf";
import { movedInGroup, pinned } from "@core/shelves/edit";

/** The row that stands for the end of the shelf among the products. */
export const END = " end";

/**
 * The rows of the list: products in their order, and the end of the shelf where it is among them.
 * @param before products on the pages before this one.
 */
export function rowsOf(hits: readonly Pick<Hit, "id">[], end: number | null, before = 0): string[] {
  const ids = hits.map(({ id }) => id);
  if (end === null || end === 0 || end < before || (end > before + ids.length && before > 0)) return ids;
  return ids.toSpliced(Math.min(end - before, ids.length), 0, END);
}

export const groupOf = (shelf: Shelf | null, product: string): string | null =>
  Object.entries(shelf?.pinGroups ?? {}).find(([, { products }]) => products.includes(product))?.[0] ?? null;

/** Where one is in its group, and whether it is the first or the last there that is shown. */
export function seatIn(shelf: Shelf, group: string, product: string, shown: readonly string[]) {
  const here = (lookUp(shelf.pinGroups, group)?.products ?? []).filter((id) => shown.includes(id));
  return { number: here.length, isFirst: here[0] === product, isLast: here.at(-1) === product };
}

/**
 * The shelf after a row was put at another place of the list. Within its own group a product takes another seat; anywhere else it is
 * pinned there.
 * @param place of the row among the rows, from 0.
 * @param before products on the pages before this one.
 */
export function movedRow(shelf: Shelf, rows: readonly string[], moved: string, place: number, before = 0): Shelf {
  const next = rows.filter((row) => row !== moved).toSpliced(place, 0, moved);
  const over = before + next.slice(0, place).filter((row) => row !== END).length;
  if (moved === END) return { ...shelf, end: Math.max(1, over) };
  const target = rows[place];
  const group = groupOf(shelf, moved);
  if (group !== null && target !== END && groupOf(shelf, target) === group)
    return movedInGroup(shelf, group, moved, lookUp(shelf.pinGroups, group).products.indexOf(target));
  return pinned(shelf, moved, over + 1);
}
