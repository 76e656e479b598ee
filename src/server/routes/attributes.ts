import { z } from "zod";
import type { Engine } from "../engine/engine";
import type { Api } from "../http/api";
import { effectsOf } from "../log/effects";
import { setupFor } from "../log/setup";
import { Operation } from "./shapes";

const EffectShape = z.strictObject({ answered: z.number().int(), alone: z.number().int(), clicked: z.number().int() });
const EffectsShape = z
  .strictObject({
    /** Searches of the last week that were asked again, and all of them. */
    asked: z.number().int(),
    searches: z.number().int(),
    fields: z.record(z.string(), EffectShape),
  })
  .meta({ id: "AttributeEffects" });

const SetupShape = z
  .array(z.strictObject({ id: z.string(), title: z.string(), reason: z.string(), operations: z.array(Operation) }))
  .meta({ id: "ProposedSetup" });

/** What each field does for shoppers, and a whole set-up worked out from the catalogue and the log. */
export function attributeRoutes(api: Api, engine: Engine): void {
  api.route({
    method: "get",
    path: "/api/stores/{store}/setup",
    summary: "A proposed set-up, part by part with what speaks for it; nothing is changed",
    answers: { status: 200, schema: SetupShape },
    handle: ({ param }) => setupFor(engine.store(param("store"))),
  });
  api.route({
    method: "get",
    path: "/api/stores/{store}/attributes/effects",
    summary: "In how many of last week's searches each field answered, and in how many it alone did",
    answers: { status: 200, schema: EffectsShape },
    handle: ({ param }) => effectsOf(engine.store(param("store"))),
  });
}
