import { countBits, listBits } from "@core/index/bits";
import { stringAt } from "@core/index/strings";
import { Condition } from "@core/settings/condition";
import { usesOfSelection } from "@core/settings/touching";
import { z } from "zod";
import type { Engine } from "../engine/engine";
import type { Api } from "../http/api";

const SelectionFacts = z
  .strictObject({ id: z.string(), name: z.string(), products: z.number().int(), uses: z.array(z.string()) })
  .meta({ id: "SelectionFacts" });
const Counted = z.strictObject({ products: z.number().int(), samples: z.array(z.string()) }).meta({ id: "ConditionCount" });

/** How many products conditions and selections name, and where selections are used. */
export function selectionRoutes(api: Api, engine: Engine): void {
  api
    .route({
      method: "get",
      path: "/api/stores/{store}/selections",
      summary: "The draft's selections with their number of products and where they are used",
      answers: { status: 200, schema: z.array(SelectionFacts) },
      handle: ({ param }) => {
        const { searcher } = engine.store(param("store")).searcher("draft");
        return Object.entries(searcher.settings.selections).map(([id, { name, condition }]) => ({
          id,
          name,
          products: countBits(searcher.conditions.products(condition, Date.now())),
          uses: usesOfSelection(searcher.settings, id),
        }));
      },
    })
    .route({
      method: "post",
      path: "/api/stores/{store}/conditions/count",
      summary: "How many products a condition names, with some of their ids",
      body: z.strictObject({ condition: Condition }),
      answers: { status: 200, schema: Counted },
      handle: ({ param, body }) => {
        const { searcher } = engine.store(param("store")).searcher("draft");
        const bits = searcher.conditions.products(body.condition, Date.now());
        const samples = [...listBits(bits).subarray(0, 6)].map((product) => stringAt(searcher.index.ids, product));
        return { products: countBits(bits), samples };
      },
    });
}
