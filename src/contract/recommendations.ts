import { RelatedLists } from "@core/settings/related";
import { z } from "zod";
import { LineProblem } from "./parts";
import { file, type Routes } from "./route";

const Recommended = z.array(z.strictObject({ id: z.string(), source: z.enum(["hand", "bought", "alike"]) })).meta({ id: "Recommended" });
export const Recommendations = z
  .strictObject({ goesWith: Recommended, insteadOf: Recommended, seen: z.number().int(), led: z.number().int() })
  .meta({ id: "Recommendations" });
export type Recommendations = z.output<typeof Recommendations>;
export const MissedOpportunity = z
  .strictObject({
    id: z.string(),
    seen: z.number().int(),
    orders: z.number().int(),
    led: z.number().int(),
    goesWith: z.number().int(),
    insteadOf: z.number().int(),
    byHand: z.number().int(),
    kind: z.enum(["no-recommendations", "never-taken"]),
  })
  .meta({ id: "MissedOpportunity" });
export type MissedOpportunity = z.output<typeof MissedOpportunity>;
export const ReadRecommendations = z
  .strictObject({ lists: z.record(z.string(), RelatedLists), problems: z.array(LineProblem) })
  .meta({ id: "ReadRecommendations" });
export type ReadRecommendations = z.output<typeof ReadRecommendations>;

/** Recommendations of products: by hand and by itself, and missed opportunities. */
export const recommendationRoutes = {
  "GET /api/stores/{store}/recommendations": {
    summary: "Products that many see and that lead on to nothing",
    answers: { 200: z.array(MissedOpportunity) },
  },
  "GET /api/stores/{store}/recommendations/lists.csv": { summary: "The lists made by hand as a table", answers: { 200: file("text/csv") } },
  "POST /api/stores/{store}/recommendations/read": {
    summary: "Read a table of lists; they come back as they would be, nothing is changed",
    accepts: "*",
    answers: { 200: ReadRecommendations },
  },
  "GET /api/stores/{store}/recommendations/{product}": {
    summary: "Recommendations of a product in the draft, and what brought each there",
    answers: { 200: Recommendations },
  },
} satisfies Routes;
