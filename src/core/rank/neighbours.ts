import { type Cell, listAt, postingAt } from "./cells";

/** Units further apart than this are not near. */
const FARTHEST = 8;

/** Fewest words from one term to the other in either direction, where both be in a field; 0 when they are not near. */
export function distanceBetween(left: Cell, right: Cell, slot: number): number {
  const a = listAt(left, slot);
  const b = listAt(right, slot);
  if (!a.positionStarts || !b.positionStarts) return 0;
  let best = FARTHEST + 1;
  const inA = postingAt(left, slot);
  const inB = postingAt(right, slot);
  const endA = a.positionStarts[inA + 1];
  const endB = b.positionStarts[inB + 1];
  for (let i = a.positionStarts[inA], j = b.positionStarts[inB]; i < endA && j < endB; ) {
    const gap = b.positions[j] - a.positions[i];
    if (gap !== 0) best = Math.min(best, Math.abs(gap));
    else {
      // Both are on one word (a joined form does): the next of either is what may be near.
      if (i + 1 < endA) best = Math.min(best, a.positions[i + 1] - b.positions[j]);
      if (j + 1 < endB) best = Math.min(best, b.positions[j + 1] - a.positions[i]);
      i++;
    }
    if (gap <= 0) j++;
    else i++;
  }
  return best > FARTHEST ? 0 : best;
}

/** Whether all terms are in a row and in order in a field. @param row their cells in it, in query order. */
export function standInRow(row: readonly Cell[], slot: number): boolean {
  const first = listAt(row[0], slot);
  if (!first.positionStarts) return false;
  const posting = postingAt(row[0], slot);
  const end = first.positionStarts[posting + 1];
  for (let i = first.positionStarts[posting]; i < end; i++) {
    let at = first.positions[i];
    let cell = 0;
    while (cell < row.length && standsAt(row[cell], slot, at)) at += listAt(row[cell++], slot).width;
    if (cell === row.length) return true;
  }
  return false;
}

function standsAt(cell: Cell, slot: number, position: number): boolean {
  const posting = postingAt(cell, slot);
  const { positionStarts, positions } = listAt(cell, slot);
  if (!positionStarts) return false;
  const end = positionStarts[posting + 1];
  for (let i = positionStarts[posting]; i < end && positions[i] <= position; i++) if (positions[i] === position) return true;
  return false;
}
