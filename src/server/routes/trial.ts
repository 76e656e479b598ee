import { titlesOf } from "@core/index/read";
import { type AskedQuery, type SearchChange, tryChange } from "@core/insights/measure/trial";
import { prepare, type Searcher } from "@core/prepare/searcher";
import { search } from "@core/search/search";
import type { PatchOperation } from "@core/settings/patch";
import { tokenise } from "@core/text/tokens";
import { editSettings } from "../engine/edit";
import type { EngineView, StoreView } from "../engine/view";
import { runYielding } from "../yielding";
import type { SomeReadHandlers } from "./handlers";

const MOST_TIME = 4_000;

const MOST_SAID = 100;

const SHOWN = 3;

interface Proposed {
  draft: Searcher;
  patch: string;
  searcher: Searcher;
}

const proposed = new WeakMap<StoreView, Proposed>();

/** The draft with a change laid over it; the last one is kept, for it is searched again and again. */
function searcherWith(store: StoreView, patch: readonly PatchOperation[]): Searcher {
  const draft = store.searcher("draft").searcher;
  const text = JSON.stringify(patch);
  const last = proposed.get(store);
  if (last?.draft === draft && last.patch === text) return last.searcher;
  const { settings } = editSettings(store.settings, patch);
  const searcher = prepare(store.index, settings, draft);
  proposed.set(store, { draft, patch: text, searcher });
  return searcher;
}

/** What a change would do to the searches that shoppers really make, before it enters the draft. */
export function trialHandlers(engine: EngineView) {
  return {
    "POST /api/stores/{store}/trial/search": ({ params, body }) => {
      const store = engine.store(params.store);
      const started = performance.now();
      const at = body.request.at ? Date.parse(body.request.at) : Date.now();
      const found = search(searcherWith(store, body.patch), body.request, { at, visible: () => true });
      const state = store.state(store.revision, null, at);
      return { searchId: "", state, ...found, tookMs: Math.round((performance.now() - started) * 10) / 10 };
    },
    "POST /api/stores/{store}/trial": async ({ params, body }) => {
      const started = performance.now();
      const store = engine.store(params.store);
      const draft = store.searcher("draft").searcher;
      const before = body.beside === "draft" ? draft : store.searcher("live").searcher;
      const after = searcherWith(store, body.patch);
      const all = queriesOf(store, body.words, body.queries);
      const queries = all.slice(0, body.most);
      const changed: SearchChange[] = [];
      let tried = 0;
      const steps = tryChange(before, after, queries, Date.now());
      await runYielding(
        (function* () {
          for (const change of steps) {
            tried++;
            if (change) changed.push(change);
            yield;
            if (performance.now() - started > MOST_TIME) return;
          }
        })(),
      );
      const say = ({ outcome, total, first }: SearchChange["before"]) => ({
        outcome,
        total,
        titles: titlesOf(store.index, first.slice(0, SHOWN)),
      });
      changed.sort((a, b) => weightOf(b) - weightOf(a));
      return {
        tried,
        asked: queries.slice(0, tried).reduce((sum, { asked }) => sum + asked, 0),
        left: all.length - tried,
        changedSearches: changed.length,
        changedAsked: changed.reduce((sum, { asked }) => sum + asked, 0),
        changed: changed.slice(0, MOST_SAID).map((change) => ({ ...change, before: say(change.before), after: say(change.after) })),
        tookMs: Math.round(performance.now() - started),
      };
    },
  } satisfies SomeReadHandlers;
}

/** Searches that find something for the first time, or nothing any more, come first; then the most asked. */
function weightOf({ asked, before, after }: SearchChange): number {
  return asked + (before.outcome !== after.outcome ? 1_000_000 : 0);
}

function queriesOf(store: StoreView, words: readonly string[] | undefined, given: readonly string[]): AskedQuery[] {
  const { queries } = store.log.stats;
  const asked = words ? holding(queries, words, store) : queries;
  const own = given.filter((text) => !asked.some((query) => query.text === text)).map((text) => ({ text, asked: 0 }));
  return [...own, ...asked];
}

const stemsOfLogs = new WeakMap<readonly AskedQuery[], string[]>();

/** The searches that hold one of some words or phrases, in any form. */
function holding(queries: readonly AskedQuery[], words: readonly string[], store: StoreView): AskedQuery[] {
  const { stem } = store.searcher("draft").searcher;
  const stemsOf = (text: string) =>
    ` ${tokenise(text)
      .map((token) => stem(token.surface))
      .join(" ")} `;
  const known = stemsOfLogs.get(queries) ?? queries.map(({ text }) => stemsOf(text));
  stemsOfLogs.set(queries, known);
  const wanted = words.map(stemsOf).filter((stems) => stems.trim() !== "");
  return queries.filter((_, i) => wanted.some((part) => known[i].includes(part)));
}
