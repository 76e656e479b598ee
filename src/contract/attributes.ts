import { z } from "zod";
import { PatchOperation } from "./parts";
import type { Routes } from "./route";

/** What each field did in the searches of the last week. */
export const AttributeImpact = z
  .strictObject({
    /** Searches that were asked again, and all of them. */
    asked: z.number().int(),
    searches: z.number().int(),
    fields: z.record(
      z.string(),
      z.strictObject({
        /** Searches in which it held what was found, those in which it alone did, and those of them with a click. */
        answered: z.number().int(),
        alone: z.number().int(),
        clicked: z.number().int(),
      }),
    ),
  })
  .meta({ id: "AttributeImpact" });
export type AttributeImpact = z.output<typeof AttributeImpact>;

const SetupPart = z
  .strictObject({ id: z.string(), title: z.string(), reason: z.string(), operations: z.array(PatchOperation) })
  .meta({ id: "SetupPart" });
export type SetupPart = z.output<typeof SetupPart>;

/** What each field does for shoppers, and a whole set-up worked out from the catalogue and the log. */
export const attributeRoutes = {
  "GET /api/stores/{store}/setup": {
    summary: "A proposed set-up, part by part with what speaks for it; nothing is changed",
    answers: { 200: z.array(SetupPart) },
  },
  "GET /api/stores/{store}/attributes/effects": {
    summary: "In how many of last week's searches each field answered, and in how many it alone did",
    answers: { 200: AttributeImpact },
  },
} satisfies Routes;
