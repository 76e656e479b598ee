import type { LogStats } from "../../log/tally";
import { prepare, type Searcher } from "../../prepare/searcher";
import { counted } from "../../progress";
import { requestOf } from "../../search/request";
import { search } from "../../search/search";
import { FALLBACKS } from "../../settings/dead-end";
import { STRICTNESS, type Strictness, withStrictness } from "../../settings/strictness";

interface StrictnessEffect {
  strictness: Strictness;
  /** Of the searches that not every product answers in full, how often those were asked that find something so. */
  finds: number;
  /** Some of the searches that come to something else than now, the most asked first. */
  changed: { text: string; asked: number; total: number; shown: string }[];
}

const MOST_SEARCHES = 1_500;
const MOST_CHANGED = 20;

/**
 * What each way to take searches does to those of the log that no product answers in full. Yields null between searches.
 * @returns how often such searches were asked, and the effect of each way.
 */
export function* strictnessEffects(
  searcher: Searcher,
  { queries }: Pick<LogStats, "queries">,
  at: number,
): Generator<unknown, { asked: number; nothing: number; effects: StrictnessEffect[] }> {
  const { deadEnd } = searcher.settings;
  const ways = STRICTNESS.map((strictness) => ({
    strictness,
    searcher: prepare(
      searcher.base,
      {
        ...searcher.settings,
        deadEnd: { ...deadEnd, ...withStrictness({ ladder: deadEnd.ladder.length > 0 ? deadEnd.ladder : [...FALLBACKS] }, strictness) },
      },
      searcher,
    ),
  }));
  const effects = ways.map(({ strictness }): StrictnessEffect => ({ strictness, finds: 0, changed: [] }));
  let [asked, nothing] = [0, 0];
  for (const [query, progress] of counted(queries.slice(0, MOST_SEARCHES), "searches")) {
    if (query.outcome !== "dead-end" && query.outcome !== "partial") continue;
    yield progress;
    const now = come(searcher, query.text, at);
    if (now.isWhole) continue;
    asked += query.asked;
    if (now.total === 0) nothing += query.asked;
    for (const [i, way] of ways.entries()) {
      const then = come(way.searcher, query.text, at);
      if (then.total > 0) effects[i].finds += query.asked;
      if (then.total !== now.total && effects[i].changed.length < MOST_CHANGED)
        effects[i].changed.push({ text: query.text, asked: query.asked, total: then.total, shown: then.shown });
    }
  }
  return { asked, nothing, effects };
}

function come(searcher: Searcher, text: string, at: number): { total: number; isWhole: boolean; shown: string } {
  const request = requestOf({ query: text, limit: 0, fields: [], pages: { limit: 0 } });
  const { outcome, total, query } = search(searcher, request, { at, visible: () => false, counts: false });
  const step = query.steps.find(({ kind }) => kind === "partial" || kind === "category");
  return { total, isWhole: outcome === "results" || outcome === "redirect", shown: step?.to ?? "" };
}
