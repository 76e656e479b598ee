import { type Cell, listAt } from "./cells";

/** Units further apart than this are not near. */
const FARTHEST = 8;

/** Fewest words from one unit to the other in either direction, where both stand in a field; 0 when they are not near. */
export function distanceBetween(left: Cell, right: Cell, slot: number): number {
  const a = listAt(left, slot);
  const b = listAt(right, slot);
  if (!a.positionStarts || !b.positionStarts) return 0;
  let best = FARTHEST + 1;
  const endA = a.positionStarts[left.posting[slot] + 1];
  const endB = b.positionStarts[right.posting[slot] + 1];
  for (let i = a.positionStarts[left.posting[slot]], j = b.positionStarts[right.posting[slot]]; i < endA && j < endB; ) {
    const gap = b.positions[j] - a.positions[i];
    if (gap !== 0 && Math.abs(gap) < best) best = Math.abs(gap);
    if (gap <= 0) j++;
    else i++;
  }
  return best > FARTHEST ? 0 : best;
}

/** Whether all units stand in a row and in order in a field. @param row their cells in it, in query order. */
export function standInRow(row: readonly Cell[], slot: number): boolean {
  const first = listAt(row[0], slot);
  if (!first.positionStarts) return false;
  const end = first.positionStarts[row[0].posting[slot] + 1];
  for (let i = first.positionStarts[row[0].posting[slot]]; i < end; i++) {
    let at = first.positions[i];
    let cell = 0;
    while (cell < row.length && standsAt(row[cell], slot, at)) at += listAt(row[cell++], slot).width;
    if (cell === row.length) return true;
  }
  return false;
}

function standsAt(cell: Cell, slot: number, position: number): boolean {
  const posting = cell.posting[slot];
  const { positionStarts, positions } = listAt(cell, slot);
  if (!positionStarts) return false;
  const end = positionStarts[posting + 1];
  for (let i = positionStarts[posting]; i < end && positions[i] <= position; i++) if (positions[i] === position) return true;
  return false;
}
