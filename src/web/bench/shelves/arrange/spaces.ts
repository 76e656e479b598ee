import type { Hit } from "@core/search/request";
import type { Shelf } from "@core/settings/shelf";
import { movedInGroup, pinned } from "@core/shelves/edit";

/** The row that stands for the end of the shelf among the products. */
export const END = " end";

/** The rows of the list: products in their order, and the end of the shelf where it is. */
export function rowsOf(hits: readonly Pick<Hit, "id">[], end: number | null): string[] {
  const ids = hits.map(({ id }) => id);
  return end === null || end === 0 ? ids : ids.toSpliced(Math.min(end, ids.length), 0, END);
}

export const groupOf = (shelf: Shelf | null, product: string): string | null =>
  Object.entries(shelf?.pinGroups ?? {}).find(([, { products }]) => products.includes(product))?.[0] ?? null;

/** Where one stands in its group, and whether it is the first or the last there that is shown. */
export function seatIn(shelf: Shelf, group: string, product: string, shown: readonly string[]) {
  const here = (shelf.pinGroups[group]?.products ?? []).filter((id) => shown.includes(id));
  return { number: here.length, isFirst: here[0] === product, isLast: here.at(-1) === product };
}

/**
 * The shelf after a row was put at another place of the list. Within its own group a product takes another seat; anywhere else it is
 * pinned there.
 */
export function movedRow(shelf: Shelf, rows: readonly string[], moved: string, place: number): Shelf {
  if (moved === END) return { ...shelf, end: Math.max(1, rows.filter((id) => id !== END).length === 0 ? 1 : place) };
  const target = rows[place];
  const group = groupOf(shelf, moved);
  if (group !== null && target !== END && groupOf(shelf, target) === group)
    return movedInGroup(shelf, group, moved, shelf.pinGroups[group].products.indexOf(target));
  const end = rows.indexOf(END);
  const before = end >= 0 && end < place ? 1 : 0;
  return pinned(shelf, moved, place + 1 - before);
}
