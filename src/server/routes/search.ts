import type { Engine } from "../engine/engine";
import { answerSearch, answerSuggest, everyField, startOf } from "./answers";
import { describeFront } from "./front";
import type { SomeHandlers } from "./handlers";

/** What the bench asks: of the draft, of what is live, or of a release, with every field. */
export function searchHandlers(engine: Engine) {
  return {
    "POST /api/stores/{store}/search": async ({ params, query, body }) => {
      const store = engine.store(params.store);
      await store.draft.reached(query.revision);
      return answerSearch(engine, store, body, everyField);
    },
    "POST /api/stores/{store}/suggest": async ({ params, query, body }) => {
      const store = engine.store(params.store);
      await store.draft.reached(query.revision);
      return answerSuggest(store, body, everyField);
    },
    "GET /api/stores/{store}/front": ({ params }) => describeFront(engine.store(params.store), "draft", everyField),
    "GET /api/stores/{store}/start": ({ params }) => startOf(engine.store(params.store), "draft", everyField),
  } satisfies SomeHandlers;
}
