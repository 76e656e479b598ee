import type { SearchAnswer } from "@contract/search";
import type { LiveRanks } from "../state/window";

/** How far a product stands from where it is live: places gained, or that it is new there; null when it stands as before. */
export type Movement = { by: number } | "new" | null;

const MOST_COMPARED = 250;

export function movementOf(id: string, position: number, live: LiveRanks | null): Movement {
  if (!live) return null;
  const before = live.positions.get(id);
  // Beyond what was compared nothing is known, unless the live answer ends before.
  if (before === undefined) return live.answer.total <= MOST_COMPARED ? "new" : null;
  return before === position ? null : { by: before - position };
}

export function movementsOf(draft: SearchAnswer, live: LiveRanks | null): { moved: number; fresh: number } {
  let moved = 0;
  let fresh = 0;
  for (const hit of draft.hits) {
    const movement = movementOf(hit.id, hit.position, live);
    if (movement === "new") fresh++;
    else if (movement) moved++;
  }
  return { moved, fresh };
}
