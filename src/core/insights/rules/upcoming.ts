import type { Searcher } from "../../prepare/searcher";
import { stemsOfText } from "../../prepare/shelves";
import type { SearchRequest } from "../../search/request";
import { search } from "../../search/search";
import { chooseShelf, type NamedShelf } from "../../shelves/choose";
import { isItsTime, turnsAfter } from "../../shelves/when";

/** A rule that begins or ends. */
export interface Turn {
  part: "shelves" | "hides" | "boosts" | "badges" | "blocks" | "answers";
  id: string;
  name: string;
  begins: boolean;
}

/** A moment at which the results of a search change by themselves. */
export interface Upcoming {
  at: number;
  /** The rules that begin or end then. */
  turns: Turn[];
  /** What the search comes to from then on, and how many places of its first page are taken by another product. */
  total: number;
  moved: number;
  /** The acting shelf, null without one. */
  shelf: string | null;
  outcome: string;
}

const MOST_MOMENTS = 60;
const PAGE = 24;

/**
 * When the results of a search change, and why: it is asked at each moment at which a rule begins or ends, and compared with the
 * moment before. It comes in steps.
 */
export function* upcomingChanges(
  searcher: Searcher,
  request: SearchRequest,
  at: number,
  { until, most }: { until: number; most: number },
): Generator<unknown, Upcoming[]> {
  const found: Upcoming[] = [];
  let before = stateAt(searcher, request, at);
  const moments = [...turnsOf(searcher, request, before.searched, at, until)].sort(([a], [b]) => a - b).slice(0, MOST_MOMENTS);
  for (const [moment, turns] of moments) {
    const after = stateAt(searcher, request, moment);
    yield;
    if (after.key !== before.key) {
      const places = Math.max(before.first.length, after.first.length);
      let moved = 0;
      for (let place = 0; place < places; place++) if (before.first[place] !== after.first[place]) moved++;
      found.push({ at: moment, turns, total: after.total, moved, shelf: after.shelf, outcome: after.outcome });
      if (found.length >= most) break;
    }
    before = after;
  }
  return found;
}

function stateAt(searcher: Searcher, request: SearchRequest, at: number) {
  const page = { ...request, offset: 0, limit: PAGE, fields: [], why: [], explain: false };
  const { hits, total, outcome, shelf, banner, redirect, blocks, query } = search(searcher, page, {
    at,
    visible: () => true,
    counts: false,
    blocks: true,
  });
  const first = hits.map(({ id }) => id);
  const badges = hits.map((hit) => hit.badges ?? []);
  const key = JSON.stringify([first, total, outcome, shelf, banner, redirect, badges, blocks?.map(({ id }) => id)]);
  return { key, searched: query.searched, first, total, outcome, shelf: shelf?.name ?? null };
}

/** The moments after one at which rules that could matter to a search begin or end, with those rules. */
function turnsOf(searcher: Searcher, request: SearchRequest, searched: string, at: number, until: number): Map<number, Turn[]> {
  const moments = new Map<number, Turn[]>();
  const add = (moment: number, turn: Turn) => {
    if (moment <= at || moment > until) return;
    const own = moments.get(moment);
    if (own) own.push(turn);
    else moments.set(moment, [turn]);
  };
  const addSpan = (turn: Omit<Turn, "begins">, { on, from, until: end }: { on: boolean; from: string | null; until: string | null }) => {
    if (!on) return;
    if (from !== null) add(Date.parse(from), { ...turn, begins: true });
    if (end !== null) add(Date.parse(end), { ...turn, begins: false });
  };
  const { hides, boosts, deadEnd, page } = searcher.settings;
  for (const { id, shelf } of shelvesFor(searcher, request, searched, at)) {
    const turn = { part: "shelves", id, name: shelf.name } as const;
    addSpan(turn, shelf);
    if (shelf.on) for (const moment of turnsAfter(shelf.when, at)) add(moment, { ...turn, begins: isItsTime(shelf.when, moment) });
  }
  for (const [id, hide] of Object.entries(hides)) addSpan({ part: "hides", id, name: hide.name }, hide);
  for (const [id, boost] of Object.entries(boosts)) addSpan({ part: "boosts", id, name: boost.name }, boost);
  for (const [id, badge] of Object.entries(page.badges)) addSpan({ part: "badges", id, name: badge.name }, badge);
  for (const [id, block] of Object.entries(page.blocks)) addSpan({ part: "blocks", id, name: Object.values(block.title)[0] ?? id }, block);
  for (const [id, answer] of Object.entries(deadEnd.answers))
    addSpan({ part: "answers", id, name: answer.searches[0]?.text ?? id }, answer);
  return moments;
}

/** All shelves meant for the search, as it is typed or as it is read, whether or not they act now. */
function shelvesFor(searcher: Searcher, { query, category, context }: SearchRequest, searched: string, at: number): NamedShelf[] {
  const circumstances = { at, device: context.device, language: context.language, chosen: {} };
  const found = new Map<string, NamedShelf>();
  for (const text of new Set([query, searched])) {
    const { acting, behind, resting } = chooseShelf(searcher, stemsOfText(text, searcher.stem), category, circumstances);
    for (const named of [acting, ...behind, ...resting]) if (named) found.set(named.id, named);
  }
  return [...found.values()];
}
