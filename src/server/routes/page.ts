import { pageFacts } from "@core/measure/page-facts";
import { ProductCard, SearchRequest } from "@core/search/request";
import { search } from "@core/search/search";
import { z } from "zod";
import type { Engine } from "../engine/engine";
import type { Store } from "../engine/store";
import type { Api } from "../http/api";
import { oncePerState } from "../log/once";

const CardFacts = z.strictObject({
  products: z.number().int(),
  parts: z.record(z.string(), z.number().int()),
  richest: ProductCard.nullable(),
  poorest: ProductCard.nullable(),
});
const PageFacts = z
  .strictObject({
    cards: z.record(z.string(), CardFacts),
    badges: z.record(z.string(), z.strictObject({ meant: z.number().int(), worn: z.number().int() })),
    /** Searches of the log that were asked again, and beside how many of them each block stands. */
    searches: z.number().int(),
    blocks: z.record(z.string(), z.number().int()),
  })
  .meta({ id: "PageFacts" });

/** Searches that blocks are measured by: the most asked ones. */
const MOST_SEARCHES = 60;
const everyField = () => true;

const factsOf = oncePerState(async (store: Store) => {
  const { searcher } = store.searcher("draft");
  const at = Date.now();
  const asked = store.log.stats.queries.slice(0, MOST_SEARCHES);
  const blocks: Record<string, number> = Object.fromEntries(Object.keys(searcher.settings.page.blocks).map((id) => [id, 0]));
  if (Object.keys(blocks).length > 0) {
    for (const { text } of asked) {
      const request = SearchRequest.parse({ query: text, limit: 0, fields: [], pages: { limit: 0 } });
      for (const { id } of search(searcher, request, { at, visible: everyField, counts: false, blocks: true }).blocks ?? []) blocks[id]++;
      // Other calls come in between.
      await new Promise((done) => setImmediate(done));
    }
  }
  return { ...pageFacts(searcher, at, everyField), searches: asked.length, blocks };
});

/** What cards, badges and blocks of the draft show. */
export function pageLookRoutes(api: Api, engine: Engine): void {
  api.route({
    method: "get",
    path: "/api/stores/{store}/page/facts",
    summary: "Of how many products each part of a card and each badge has something to say; nothing is changed",
    answers: { status: 200, schema: PageFacts },
    handle: ({ param }) => factsOf(engine.store(param("store"))),
  });
}
