import { pagesOf } from "@core/index/read";
import type { EngineView } from "../engine/view";
import type { SomeReadHandlers } from "./handlers";

/** Guides and information pages, as they are kept. */
export function pageViewHandlers(engine: EngineView) {
  return {
    "GET /api/stores/{store}/pages": ({ params }) => pagesOf(engine.store(params.store).index),
  } satisfies SomeReadHandlers;
}
