import { momentsOf } from "../settings/moments";
import { actsAt } from "../settings/ranked";
import type { Settings, Shelf } from "../settings/schema";
import { turnsAfter } from "./when";

/**
 * The next moment at which a rule begins or ends, as an ISO date; null when nothing is planned.
 * @param turn the next moment at which a sale price begins or ends.
 */
export function nextChange({ boosts, hides, shelves, deadEnd, page }: Settings, at: number, turn = Infinity): string | null {
  let next = turn;
  for (const rules of [boosts, hides, shelves, deadEnd.answers, page.badges, page.blocks]) {
    for (const moment of momentsOf(rules)) if (moment > at && moment < next) next = moment;
  }
  next = Math.min(next, nextTurn(shelves, at));
  return next === Infinity ? null : new Date(next).toISOString();
}

type Turns = Map<string, Shelf[]>;
const timed = new WeakMap<Settings["shelves"], { turns: Turns; from: number; next: number }>();

/** The next moment at which the days or hours of a shelf begin or end, within a week; Infinity without one. */
function nextTurn(shelves: Settings["shelves"], at: number): number {
  const known = timed.get(shelves);
  if (known && known.from <= at && at < known.next) return known.next;
  const turns = known?.turns ?? timedShelves(shelves);
  let next = Infinity;
  for (const same of turns.values()) {
    const isChange = (moment: number) => same.some((shelf) => actsAt(shelf, moment) || actsAt(shelf, moment - 1));
    next = Math.min(next, turnsAfter(same[0].when, at).find(isChange) ?? Infinity);
  }
  timed.set(shelves, { turns, from: at, next });
  return next;
}

/** Shelves that act at times, those of the same times together. */
function timedShelves(shelves: Settings["shelves"]): Turns {
  const turns: Turns = new Map();
  for (const shelf of Object.values(shelves)) {
    const { timeZone, weekdays, hours } = shelf.when;
    if (!shelf.on || (weekdays.length === 0 && hours === null)) continue;
    const key = JSON.stringify([timeZone, weekdays, hours]);
    turns.set(key, [...(turns.get(key) ?? []), shelf]);
  }
  return turns;
}
