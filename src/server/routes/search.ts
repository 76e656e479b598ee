import type { EngineView } from "../engine/view";
import { answerSearch, answerSuggest, everyField, startOf } from "./answers";
import { describeFront } from "./front";
import type { SomeReadHandlers } from "./handlers";

/** What the bench asks: of the draft, of what is live, or of a release, with every field. */
export function searchHandlers(engine: EngineView) {
  return {
    "POST /api/stores/{store}/search": ({ params, body }) => answerSearch(engine, engine.store(params.store), body, everyField),
    "POST /api/stores/{store}/suggest": ({ params, body }) => answerSuggest(engine.store(params.store), body, everyField),
    "GET /api/stores/{store}/front": ({ params }) => describeFront(engine.store(params.store), "draft", everyField),
    "GET /api/stores/{store}/start": ({ params }) => startOf(engine.store(params.store), "draft", everyField),
  } satisfies SomeReadHandlers;
}
