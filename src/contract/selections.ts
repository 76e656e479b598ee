import { Condition } from "@core/settings/condition";
import { z } from "zod";
import type { Routes } from "./route";

const SelectionFacts = z
  .strictObject({ id: z.string(), name: z.string(), products: z.number().int(), uses: z.array(z.string()) })
  .meta({ id: "SelectionFacts" });
const ConditionCount = z.strictObject({ products: z.number().int(), samples: z.array(z.string()) }).meta({ id: "ConditionCount" });

export const selectionRoutes = {
  "GET /api/stores/{store}/selections": {
    summary: "The draft's selections with their number of products and where they are used",
    answers: { 200: z.array(SelectionFacts) },
  },
  "POST /api/stores/{store}/conditions/count": {
    summary: "How many products a condition names, with some of their ids",
    body: z.strictObject({ condition: Condition }).meta({ id: "ConditionToCount" }),
    answers: { 200: ConditionCount },
  },
} satisfies Routes;
