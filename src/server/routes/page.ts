import { pageFacts } from "@core/insights/measure/page-facts";
import { requestOf } from "@core/search/request";
import { search } from "@core/search/search";
import type { EngineView, StoreView } from "../engine/view";
import { memoizeByRevision } from "../log/memoize";
import type { SomeReadHandlers } from "./handlers";

/** Searches that blocks are measured by: the most asked ones. */
const MOST_SEARCHES = 60;

const everyField = () => true;

const factsOf = memoizeByRevision(async (store: StoreView) => {
  const { searcher } = store.searcher("draft");
  const at = Date.now();
  const asked = store.log.stats.queries.slice(0, MOST_SEARCHES);
  const blocks: Record<string, number> = Object.fromEntries(Object.keys(searcher.settings.page.blocks).map((id) => [id, 0]));
  if (Object.keys(blocks).length > 0) {
    for (const { text } of asked) {
      const request = requestOf({ query: text, limit: 0, fields: [], pages: { limit: 0 } });
      for (const { id } of search(searcher, request, { at, visible: everyField, counts: false, blocks: true }).blocks ?? []) blocks[id]++;
      // Other calls come in between.
      await new Promise((done) => setImmediate(done));
    }
  }
  return { ...pageFacts(searcher, at, everyField), searches: asked.length, blocks };
});

/** What cards, badges and blocks of the draft show. */
export function pageLookHandlers(engine: EngineView) {
  return {
    "GET /api/stores/{store}/page/facts": ({ params }) => factsOf(engine.store(params.store)),
  } satisfies SomeReadHandlers;
}
