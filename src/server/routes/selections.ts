import { countBits, listBits } from "@core/index/bits";
import { stringAt } from "@core/index/strings";
import { usesOfSelection } from "@core/insights/catalogue/touching";
import type { EngineView } from "../engine/view";
import type { SomeReadHandlers } from "./handlers";

/** How many products conditions and selections name, and where selections are used. */
export function selectionHandlers(engine: EngineView) {
  return {
    "GET /api/stores/{store}/selections": ({ params }) => {
      const { searcher } = engine.store(params.store).searcher("draft");
      return Object.entries(searcher.settings.selections).map(([id, { name, condition }]) => ({
        id,
        name,
        products: countBits(searcher.conditions.products(condition, Date.now())),
        uses: usesOfSelection(searcher.settings, id),
      }));
    },
    "POST /api/stores/{store}/conditions/count": ({ params, body }) => {
      const { searcher } = engine.store(params.store).searcher("draft");
      const bits = searcher.conditions.products(body.condition, Date.now());
      const samples = [...listBits(bits).subarray(0, 6)].map((product) => stringAt(searcher.index.ids, product));
      return { products: countBits(bits), samples };
    },
  } satisfies SomeReadHandlers;
}
