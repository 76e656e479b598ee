import type { Searcher } from "../../prepare/searcher";
import { actingHides } from "../../rank/acting";
import { requestOf } from "../../search/request";
import { search } from "../../search/search";
import type { Shelf } from "../../settings/shelf";
import { type Conflict, conflict, isOver } from "./conflict";
import { coveredShelves } from "./covered";
import { goneSelections } from "./gone-selections";
import { redirectConflicts } from "./redirects";
import { bringsNothing, goneFromRules, hiddenOnShelves, tornByBoosts } from "./storewide";
import { conflictsWithin } from "./within";

const MOST_SEARCHED = 1_000;

/**
 * All conflicts in the shelves, hides, boosts and words of a state of the settings, from a moment on.
 * It comes in steps, so that whoever runs it can do other things in between.
 * @param at in milliseconds since 1970 UTC; what was over before it is left alone.
 */
export function* findConflicts(searcher: Searcher, at: number): Generator<unknown, Conflict[]> {
  const found: Conflict[] = [];
  for (const [id, shelf] of Object.entries(searcher.settings.shelves)) {
    if (shelf.on && !isOver(shelf, at)) found.push(...conflictsWithin(searcher, id, shelf, at));
    yield;
  }
  const steps = [
    hiddenOnShelves(searcher, at),
    tornByBoosts(searcher, at),
    goneFromRules(searcher),
    goneSelections(searcher.settings),
    coveredShelves(searcher, at),
    redirectConflicts(searcher, at),
    showNothing(searcher, at),
  ];
  for (const step of steps) {
    for (const entry of step) {
      if (entry) found.push(entry);
      yield;
    }
  }
  return found;
}

/** Shelves whose search finds nothing, and that bring nothing to it. */
function* showNothing(searcher: Searcher, at: number): Generator<Conflict | null> {
  const { hidden } = actingHides(searcher, "searching", at);
  let searched = 0;
  for (const [id, shelf] of Object.entries(searcher.settings.shelves)) {
    const text = shelf.searches.find(({ match }) => match === "is")?.text;
    if (!text || !shelf.on || isOver(shelf, at) || shelf.redirect || !bringsNothing(searcher, shelf, hidden, at)) continue;
    if (++searched > MOST_SEARCHED) return;
    if (isDeadEnd(searcher, text, shelf, at)) yield conflict("shows-nothing", { part: "shelves", id }, { about: text });
    yield null;
  }
}

function isDeadEnd(searcher: Searcher, query: string, { categories }: Shelf, at: number): boolean {
  const category = categories[0] ?? null;
  const request = requestOf({ query, category, limit: 0, fields: [] });
  return search(searcher, request, { at, visible: () => false, counts: false }).outcome === "dead-end";
}
