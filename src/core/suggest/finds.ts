import type { Searcher } from "../prepare/searcher";
import { countFound } from "../search/find-products";
import { readQuery } from "../search/read-query";
import { nextChange } from "../shelves/schedule";
import { type Sketch, sketchOf } from "./sketch";

/** Where a search would be made. */
export interface Spot {
  category: readonly string[] | null;
  within: string | null;
  at: number;
}

/** What a search would come to if it was made now. */
export interface Finding {
  /** Products that its results page would show, where none of its words is left out; 0 where some are. */
  count: number;
  /** Products that its results page would show. */
  total: number;
  /** Name of the shelf that leads it elsewhere. */
  redirect: string | null;
  /** It only finds something because a word of it is corrected. */
  isCorrected: boolean;
  /** For comparing what searches find. */
  sketch: Sketch;
}

const MOST_REMEMBERED = 20_000;
/** Nothing of an answer changes before the next planned change, so what was found stays true until then. */
const remembered = new WeakMap<Searcher, { until: number; from: number; known: Map<string, Finding> }>();

/** What a whole search finds, without words left out of it; 0 where nothing has all of them. Worked out once for each text. */
export function findingOf(searcher: Searcher, text: string, { category, within, at }: Spot): Finding {
  let memory = remembered.get(searcher);
  if (!memory || at < memory.from || at >= memory.until || memory.known.size >= MOST_REMEMBERED) {
    const next = nextChange(searcher.settings, at, searcher.moment.until);
    memory = { from: at, until: next ? Date.parse(next) : Infinity, known: new Map() };
    remembered.set(searcher, memory);
  }
  const key = JSON.stringify([text, category, within]);
  const known = memory.known.get(key);
  if (known) return known;
  const found = find(searcher, text, { category, within, at });
  memory.known.set(key, found);
  return found;
}

function find(searcher: Searcher, text: string, { category, within, at }: Spot): Finding {
  const query = readQuery(searcher, text);
  if (query.words.length === 0) return { count: 0, total: 0, redirect: null, isCorrected: false, sketch: sketchOf(new Uint32Array(0)) };
  const circumstances = { at, language: searcher.index.locale, device: "desktop", chosen: {} };
  const asked = { searcher, query, place: "searching", category, within, typing: false, circumstances } as const;
  const { count, products, redirecting, understanding } = countFound(asked);
  const isWhole = understanding.leftOut.length === 0 && understanding.steps.every(({ kind }) => kind !== "category");
  const isCorrected = understanding.steps.some(({ kind }) => kind === "correction");
  return { count: isWhole ? count : 0, total: count, redirect: redirecting?.shelf.name ?? null, isCorrected, sketch: sketchOf(products) };
}
