import { z } from "zod";
import type { Engine } from "../engine/engine";
import type { Api } from "../http/api";
import { effectsOf } from "../log/effects";

const EffectShape = z.strictObject({ answered: z.number().int(), alone: z.number().int(), clicked: z.number().int() });
const EffectsShape = z
  .strictObject({
    /** Searches of the last week that were asked again, and all of them. */
    asked: z.number().int(),
    searches: z.number().int(),
    fields: z.record(z.string(), EffectShape),
  })
  .meta({ id: "AttributeEffects" });

/** What each field does for shoppers. */
export function attributeRoutes(api: Api, engine: Engine): void {
  api.route({
    method: "get",
    path: "/api/stores/{store}/attributes/effects",
    summary: "In how many of last week's searches each field answered, and in how many it alone did",
    answers: { status: 200, schema: EffectsShape },
    handle: ({ param }) => effectsOf(engine.store(param("store"))),
  });
}
